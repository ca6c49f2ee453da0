import type { Level } from '../reading/reading.ts';
import type { Reason } from '../reason.ts';
import {
  changesOf,
  findUnmarked,
  sameContent,
  wholeSpan,
  type MarkedCode,
  type PageSeen,
  type Span,
} from './scan-page.ts';

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
  /** Whether it was known by its content, as it carries no mark. */
  isByContent?: true;
  /** Where its code stands on the page, each time that it does. */
  spans: Span[];
}

/* What is found beside the spot: in the file that its frame shows, in a cache, in the head of the page. */
type FoundBeside = 'file-altered' | 'file-unreachable' | 'still-cached' | 'head-missing';

export interface PageFinding {
  rule: 'missing' | 'altered' | 'doubled' | 'shown-as-text' | FoundBeside;
  level: Level;
  facts: Record<string, string | number | null>;
  /** What of it is otherwise than it should be, piece by piece, where that is known. */
  details?: Reason[];
}

/**
 * Holds what was seen on a page against what the register says should be there. Marks of
 * other pages are left alone.
 */
export function reconcile(seen: PageSeen, expected: readonly Expected[]): PlacementSeen[] {
  // What carries a mark is known by that, and is nobody else’s.
  const known = new Set<unknown>(seen.marked.map(({ run }) => run.find((node) => 'tagName' in node)));
  const found = expected.map((wanted) => seenOf(seen, wanted, known));
  return found.map((each, i) => withCopies(each, seen, expected[i]!, known));
}

/* Of what is known by its content, what nobody else is known by is one more of it. */
function withCopies(
  found: PlacementSeen,
  seen: PageSeen,
  { issued }: Expected,
  known: Set<unknown>,
): PlacementSeen {
  const text = found.isByContent && found.delivery !== null ? issued.get(found.delivery) : undefined;
  const spans = [...found.spans];
  for (let left = mostCopies; text !== undefined && left > 0; left--) {
    const copy = findUnmarked(seen, text, known);
    if (!copy) break;
    known.add(copy.node);
    spans.push(copy.span);
  }
  if (spans.length === found.spans.length) return found;
  return { ...found, spans, findings: [...found.findings, doubled(spans.length)] };
}

/* Copies of a code on a page beyond this are not counted. */
const mostCopies = 20;

/* `known` are the codes that placements before this one were known by. */
function seenOf(seen: PageSeen, wanted: Expected, known: Set<unknown>): PlacementSeen {
  const { placement } = wanted;
  const marked = seen.marked.filter((code) => code.mark.placement === placement);
  const served = servedFrames(seen, wanted);
  const findings: PageFinding[] = [
    ...(seen.asText.some((mark) => mark.placement === placement) ? [finding('shown-as-text', 'error')] : []),
    ...(marked.length + served.length > 1 ? [doubled(marked.length + served.length)] : []),
  ];
  const spans = served.map(({ span }) => span);
  if (marked.length > 0) {
    const found = markedSeen(marked, wanted, findings);
    return { ...found, served: served.length > 0, spans: [...spans, ...found.spans] };
  }
  const [frame] = served;
  if (frame)
    return { placement, state: 'live', delivery: null, line: frame.line, served: true, findings, spans };
  const unmarked = unmarkedCode(seen, wanted, known);
  if (unmarked) return { placement, state: 'live', ...unmarked, served: false, findings, isByContent: true };
  if (wanted.seenBefore) findings.push(finding('missing', 'error'));
  const state = wanted.seenBefore ? 'missing' : 'planned';
  return { placement, state, delivery: null, line: null, served: false, findings, spans };
}

const finding = (rule: PageFinding['rule'], level: Level, facts: PageFinding['facts'] = {}): PageFinding => ({
  rule,
  level,
  facts,
});

const doubled = (times: number): PageFinding => finding('doubled', 'warning', { times });

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
  const text = issued.get(best.mark.delivery) ?? null;
  const spans = marked.map((each) => (each === whole && text !== null ? wholeSpan(each, text) : each.span));
  const seen = { placement, delivery: best.mark.delivery, line: best.line, spans };
  if (whole) return { ...seen, state: 'live', findings };
  const facts = {
    line: best.line,
    found: excerpt(best.source),
    issued: text === null ? null : excerpt(text),
  };
  const details = text === null ? [] : changesOf(best, text);
  const altered: PageFinding = { ...finding('altered', 'warning', facts), details };
  return { ...seen, state: 'altered', findings: [...findings, altered] };
}

/* What was handed out without a mark, as the editor keeps none, is known by its content, the newest first;
   each that stands there is one placement’s. */
function unmarkedCode(
  seen: PageSeen,
  { issued }: Expected,
  known: Set<unknown>,
): { delivery: number; line: number; spans: Span[] } | null {
  for (const [delivery, text] of [...issued].reverse()) {
    const found = findUnmarked(seen, text, known);
    if (!found) continue;
    known.add(found.node);
    return { delivery, line: found.line, spans: [found.span] };
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
