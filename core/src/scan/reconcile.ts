import type { Level } from '../reading/reading.ts';
import { findUnmarked, sameContent, type MarkedCode, type PageSeen } from './scan-page.ts';

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

/* What is found beside the page: in the file that its frame shows, in a cache. */
type FoundBeside = 'file-altered' | 'file-unreachable' | 'still-cached';

export interface PageFinding {
  rule: 'missing' | 'altered' | 'doubled' | 'shown-as-text' | FoundBeside;
  level: Level;
  facts: Record<string, string | number | null>;
}

/**
 * Holds what was seen on a page against what the register says should be there. Marks of
 * other pages are left alone.
 */
export function reconcile(seen: PageSeen, expected: readonly Expected[]): PlacementSeen[] {
  const known = new Set<unknown>();
  return expected.map((wanted) => seenOf(seen, wanted, known));
}

/* `known` are the codes that placements before this one were known by. */
function seenOf(seen: PageSeen, wanted: Expected, known: Set<unknown>): PlacementSeen {
  const { placement } = wanted;
  const marked = seen.marked.filter((code) => code.mark.placement === placement);
  const served = servedFrames(seen, wanted);
  const findings: PageFinding[] = [
    ...(seen.asText.some((mark) => mark.placement === placement) ? [finding('shown-as-text', 'error')] : []),
    ...(marked.length + served.length > 1
      ? [finding('doubled', 'warning', { times: marked.length + served.length })]
      : []),
  ];
  if (marked.length > 0) return { ...markedSeen(marked, wanted, findings), served: served.length > 0 };
  const [frame] = served;
  if (frame) return { placement, state: 'live', delivery: null, line: frame.line, served: true, findings };
  const unmarked = unmarkedCode(seen, wanted, known);
  if (unmarked) return { placement, state: 'live', ...unmarked, served: false, findings };
  if (wanted.seenBefore) findings.push(finding('missing', 'error'));
  const state = wanted.seenBefore ? 'missing' : 'planned';
  return { placement, state, delivery: null, line: null, served: false, findings };
}

const finding = (rule: PageFinding['rule'], level: Level, facts: PageFinding['facts'] = {}): PageFinding => ({
  rule,
  level,
  facts,
});

/* Of several the one that is whole counts. */
function markedSeen(
  marked: readonly MarkedCode[],
  { placement, issued }: Expected,
  findings: PageFinding[],
): Omit<PlacementSeen, 'served'> {
  const whole = marked.find((code) => {
    const text = issued.get(code.mark.delivery);
    return text !== undefined && sameContent(code, text);
  });
  const best = whole ?? marked[0]!;
  const seen = { placement, delivery: best.mark.delivery, line: best.line };
  if (whole) return { ...seen, state: 'live', findings };
  const text = issued.get(best.mark.delivery) ?? null;
  const facts = {
    line: best.line,
    found: excerpt(best.source),
    issued: text === null ? null : excerpt(text),
  };
  return { ...seen, state: 'altered', findings: [...findings, finding('altered', 'warning', facts)] };
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
