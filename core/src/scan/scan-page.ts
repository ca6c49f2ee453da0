import { parse, parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import type { Reason } from '../reason.ts';
import { positionsIn } from '../text/index.ts';
import { readClassMark, readCommentMark, readMark, type Mark } from '../compose/mark.ts';
import { canonical } from './canonical.ts';
import { differencesOf } from './differences.ts';
import { meaningful } from './meaningful.ts';
import { isShown, isSuspect } from './suspects.ts';

type Node = DefaultTreeAdapterTypes.ChildNode;
type Element = DefaultTreeAdapterTypes.Element;

/** A marked code that really stands on a page. */
export interface MarkedCode {
  mark: Mark;
  line: number;
  column: number;
  /**
   * The marked element and what follows it beside it, as a browser understands them; see {@link sameContent}.
   */
  run: readonly Node[];
  /** The source of the marked element. */
  source: string;
  /** Where that stands. */
  span: Span;
}

/** A stretch of a page: offsets in UTF-16 code units, the end not included. */
export interface Span {
  start: number;
  end: number;
}

export interface PageSeen {
  /** What stands on it. */
  roots: readonly Node[];
  /**
   * The addresses of the frames on it, as written, with the lines where they stand, and the mark of the code
   * that they are of.
   */
  frames: { address: string; line: number; of: Mark | null; span: Span }[];
  marked: MarkedCode[];
  /** Marks that visitors can read as text: the code was pasted where only text is taken. */
  asText: Mark[];
  /** Elements that may be of somebody else’s embed, in their order; see {@link isSuspect}. */
  suspects: Span[];
  /** Whether it has scripts, and nothing that visitors could see before they run. */
  isShell: boolean;
}

/**
 * Finds the marked codes of a published page: by an attribute, by a class, or by a comment of ours before
 * them. A mark counts only where visitors meet what it marks: not in a `template`, a script or a text field,
 * nor in a comment with a code that somebody has put out of use.
 * @param host of the page, where it is known: what comes from there is the owner’s own.
 */
export function scanPage(html: string, host: string | null = null): PageSeen {
  const tree = parse(html, { sourceCodeLocationInfo: true });
  const position = positionsIn(html);
  const seen: PageSeen = {
    roots: tree.childNodes,
    ...{ marked: [], asText: [], frames: [], suspects: [], isShell: false },
  };
  const page: Scanned = { html, host, position, seen, letters: 0, shows: false, runs: false };
  const stack: Node[] = [...tree.childNodes].reverse();
  for (let node = stack.pop(); node; node = stack.pop()) {
    if (node.nodeName === '#text' && 'value' in node) {
      noteText(node, page);
      continue;
    }
    noteMark(node, page);
    if (!('tagName' in node)) continue;
    noteElement(node, page);
    for (let i = node.childNodes.length - 1; i >= 0; i--) stack.push(node.childNodes[i]!);
  }
  return { ...seen, isShell: page.runs && !page.shows && page.letters <= mostWaiting };
}

/* What is noted of a page on the way through it. */
interface Scanned {
  html: string;
  host: string | null;
  position: ReturnType<typeof positionsIn>;
  seen: PageSeen;
  /** How many letters visitors read. */
  letters: number;
  /** Whether it shows anything else. */
  shows: boolean;
  /** Whether it has scripts. */
  runs: boolean;
}

function noteText(node: DefaultTreeAdapterTypes.TextNode, page: Scanned): void {
  if (hidesText(node.parentNode)) return;
  page.letters += node.value.trim().length;
  for (const mark of marksInText(node.value)) page.seen.asText.push(mark);
}

function noteMark(node: Node, { html, position, seen }: Scanned): void {
  const mark = markOf(node);
  const place = mark && (mark.of ?? node).sourceCodeLocation;
  if (!place) return;
  seen.marked.push({
    mark: mark.mark,
    ...position(place.startOffset),
    run: siblingsFrom(node),
    source: html.slice(place.startOffset, place.endOffset),
    span: spanOf(place),
  });
}

function noteElement(node: Element, page: Scanned): void {
  const { host, position, seen } = page;
  page.shows ||= isShown(node);
  page.runs ||= node.tagName === 'script';
  const place = node.sourceCodeLocation;
  if (!place) return;
  if (isSuspect(node, host)) seen.suspects.push(spanOf(place));
  if (node.tagName !== 'iframe') return;
  const address = node.attrs.find((a) => a.name === 'src' || a.name === 'data-src')?.value;
  if (!address) return;
  const { line } = position(place.startOffset);
  seen.frames.push({ address, line, of: markAround(node), span: spanOf(place) });
}

/* So many letters say no more than that something is being loaded. */
const mostWaiting = 40;

const spanOf = ({ startOffset, endOffset }: { startOffset: number; endOffset: number }): Span => ({
  start: startOffset,
  end: endOffset,
});

/** Whether a marked code on a page says the same to a browser as the code that was issued. */
export function sameContent(found: MarkedCode, issued: string): boolean {
  const nodes = fromMark(issued);
  return nodes.length > 0 && beginsWith(found.run, nodes);
}

/** What is otherwise on a page than it was issued. */
export const changesOf = (found: MarkedCode, issued: string): Reason[] =>
  differencesOf(found.run, fromMark(issued));

/**
 * Where a code stands that is whole: with what stands before the marked element (a script, a style), and with
 * what follows it.
 */
export function wholeSpan({ run, span }: MarkedCode, issued: string): Span {
  const nodes = meaningful(parseFragment(issued).childNodes);
  const from = nodes.findIndex((node) => markOf(node) !== null);
  const [first] = run;
  const before = meaningful(first?.parentNode?.childNodes ?? []);
  const at = first ? before.indexOf(first) : -1;
  const all = before.slice(Math.max(0, at - Math.max(0, from)), at + nodes.length - Math.max(0, from));
  return at < 0 ? span : widest(span, all);
}

/* What of an issued code stands from the marked element on. */
function fromMark(issued: string): Node[] {
  const nodes = parseFragment(issued).childNodes;
  const from = nodes.findIndex((node) => markOf(node) !== null);
  return from < 0 ? [] : nodes.slice(from);
}

const widest = (span: Span, nodes: readonly Node[]): Span =>
  nodes.reduce(
    ({ start, end }, { sourceCodeLocation: at }) =>
      at ? { start: Math.min(start, at.startOffset), end: Math.max(end, at.endOffset) } : { start, end },
    span,
  );

/** Whether what stands here begins with what is wanted, as browsers understand both. */
export function beginsWith(run: readonly Node[], wanted: readonly Node[]): boolean {
  const nodes = meaningful(wanted);
  return canonical(nodes) === canonical(meaningful(run).slice(0, nodes.length));
}

/**
 * Where a code that carries no mark stands on a page, by its content; those that others are known to be are
 * left alone. Null where it stands nowhere, or carries a mark that editors keep with it.
 */
export function findUnmarked(
  { roots }: Pick<PageSeen, 'roots'>,
  issued: string,
  others: ReadonlySet<unknown>,
): { node: Node; line: number; span: Span } | null {
  // Nearly every code carries one: then nothing needs to be parsed. A comment is lost where pages are made
  // smaller, and does nothing.
  if (/data-orbis="\w{10}\.|\borbis-\w{10}-\d/.test(issued)) return null;
  const wanted = meaningful(parseFragment(issued).childNodes);
  const [first] = wanted;
  if (!first || !('tagName' in first)) return null;
  const size = first.attrs.length;
  const stack: Node[] = [...roots].reverse();
  for (let node = stack.pop(); node; node = stack.pop()) {
    if (!('tagName' in node)) continue;
    const isAlike = node.tagName === first.tagName && node.attrs.length === size && !others.has(node);
    if (isAlike && beginsWith(siblingsFrom(node), wanted)) {
      const all = meaningful(siblingsFrom(node)).slice(0, wanted.length);
      const place = node.sourceCodeLocation;
      const span = place ? widest(spanOf(place), all) : { start: 0, end: 0 };
      return { node, line: place?.startLine ?? 1, span };
    }
    for (let i = node.childNodes.length - 1; i >= 0; i--) stack.push(node.childNodes[i]!);
  }
  return null;
}

/* The mark that a node brings: an element its own, a comment that of what follows it. */
function markOf(node: Node): { mark: Mark; of?: Element } | null {
  if ('tagName' in node) {
    const mark = markOn(node);
    return mark && { mark };
  }
  if (node.nodeName !== '#comment' || !('data' in node)) return null;
  const mark = readCommentMark(node.data);
  const of = mark && siblingsFrom(node).find((sibling): sibling is Element => 'tagName' in sibling);
  return of ? { mark, of } : null;
}

function markOn({ attrs }: Element): Mark | null {
  let classes = '';
  for (const { name, value } of attrs) {
    if (name === 'data-orbis') return readMark(value);
    if (name === 'class') classes = value;
  }
  return classes === '' ? null : readClassMark(classes);
}

function markAround(element: Element): Mark | null {
  for (
    let outer: DefaultTreeAdapterTypes.Node | null = element;
    outer && 'tagName' in outer;
    outer = outer.parentNode
  ) {
    const mark = markOn(outer);
    if (mark) return mark;
  }
  return null;
}

function siblingsFrom(node: Node): Node[] {
  const all = node.parentNode?.childNodes ?? [node];
  return all.slice(all.indexOf(node));
}

/* Text in these is not shown to visitors. */
const hidden = new Set([
  'script',
  'style',
  'textarea',
  'title',
  'noscript',
  'iframe',
  'noembed',
  'noframes',
  'option',
]);
const hidesText = (parent: { nodeName: string } | null): boolean =>
  parent !== null && hidden.has(parent.nodeName);

/* In whatever form a mark is written. */
function marksInText(text: string): Mark[] {
  if (!text.includes('orbis')) return [];
  const written = /(?:data-orbis=["“”'’]?|<!--orbis )([0-9a-z]{10}\.\d{1,9})|\b(orbis-[0-9a-z]{10}-\d{1,9})/g;
  return [...text.matchAll(written)].flatMap(([, value, name]) => {
    const mark = value === undefined ? readClassMark(name!) : readMark(value);
    return mark ? [mark] : [];
  });
}
