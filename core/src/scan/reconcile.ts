import type { Level } from '../reading/reading.ts';
import { findUnmarked, sameContent, type PageSeen } from './scan-page.ts';

/** What the register says of one placement on the page that was read. */
export interface Expected {
  placement: string;
  /** Whether a sweep has ever seen it on this page. */
  seenBefore: boolean;
  /** The text that was issued under each delivery number for its spot. */
  issued: ReadonlyMap<number, string>;
  /** The address of its document, which a site editor that takes a link puts into a frame. */
  served?: string;
}

/** What a sweep makes out about one placement. `planned` and `missing` were not on the page. */
export interface PlacementSeen {
  placement: string;
  state: 'live' | 'altered' | 'missing' | 'planned';
  /** The delivery that the page carries, as the mark says; null where it was not there. */
  delivery: number | null;
  line: number | null;
  /** Whether the page shows its document in a frame. */
  served: boolean;
  findings: PageFinding[];
}

export interface PageFinding {
  rule: 'missing' | 'altered' | 'doubled' | 'shown-as-text' | 'file-altered' | 'file-unreachable';
  level: Level;
  facts: Record<string, string | number | null>;
}

/**
 * Holds what was seen on a page against what the register says should be there. Marks of
 * other pages are left alone.
 */
export function reconcile(seen: PageSeen, expected: readonly Expected[]): PlacementSeen[] {
  const known = new Set<unknown>();
  return expected.map((wanted) => {
    const found = seen.marked.filter((code) => code.mark.placement === wanted.placement);
    const findings: PageFinding[] = [];
    if (seen.asText.some((mark) => mark.placement === wanted.placement))
      findings.push({ rule: 'shown-as-text', level: 'error', facts: {} });
    const served = servedFrames(seen, wanted);
    if (found.length + served.length > 1)
      findings.push({ rule: 'doubled', level: 'warning', facts: { times: found.length + served.length } });
    if (found.length === 0 && served.length > 0)
      return {
        placement: wanted.placement,
        state: 'live',
        delivery: null,
        line: served[0]!.line,
        served: true,
        findings,
      };
    const unmarked = found.length === 0 ? unmarkedCode(seen, wanted, known) : null;
    if (unmarked)
      return {
        placement: wanted.placement,
        state: 'live',
        ...unmarked,
        served: false,
        findings,
      };
    if (found.length === 0) {
      if (wanted.seenBefore) findings.push({ rule: 'missing', level: 'error', facts: {} });
      return {
        placement: wanted.placement,
        state: wanted.seenBefore ? 'missing' : 'planned',
        delivery: null,
        line: null,
        served: false,
        findings,
      };
    }
    const whole = found.find((code) => {
      const issued = wanted.issued.get(code.mark.delivery);
      return issued !== undefined && sameContent(code, issued);
    });
    const best = whole ?? found[0]!;
    if (!whole) {
      const issued = wanted.issued.get(best.mark.delivery) ?? null;
      findings.push({
        rule: 'altered',
        level: 'warning',
        facts: {
          line: best.line,
          found: excerpt(best.source),
          issued: issued === null ? null : excerpt(issued),
        },
      });
    }
    return {
      placement: wanted.placement,
      state: whole ? 'live' : 'altered',
      delivery: best.mark.delivery,
      line: best.line,
      served: served.length > 0,
      findings,
    };
  });
}

/* What was handed out without a mark, as the editor keeps none, is known by its content, the newest first;
   each that stands there is one placement’s. */
function unmarkedCode(
  seen: PageSeen,
  { issued }: Expected,
  known: Set<unknown>,
): { delivery: number; line: number } | null {
  for (const [delivery, text] of [...issued].reverse()) {
    const found = findUnmarked(seen, text, known);
    if (!found) continue;
    known.add(found.node);
    return { delivery, line: found.line };
  }
  return null;
}

/* Where the page shows its document by its link; the frame of a code that was pasted is that code. */
const servedFrames = ({ frames }: PageSeen, { placement, served }: Expected): PageSeen['frames'] =>
  served === undefined
    ? []
    : frames.filter(({ address, of }) => of?.placement !== placement && isSamePage(address, served));

/* Scheme, parameters and fragment aside: editors change these, and it is the same document. */
function isSamePage(address: string, served: string): boolean {
  const full = address.startsWith('//') ? `https:${address}` : address;
  if (!URL.canParse(full)) return false;
  const [a, b] = [new URL(full), new URL(served)];
  return a.host === b.host && a.pathname === b.pathname;
}

const excerpt = (text: string): string => (text.length > 600 ? `${text.slice(0, 600)}…` : text);
