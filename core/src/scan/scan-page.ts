import { parse, parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import { positionsIn } from '../text/index.ts';
import { readMark, type Mark } from '../compose/mark.ts';
import { canonical } from './canonical.ts';

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
}

export interface PageSeen {
  /**
   * The addresses of the frames on it, as written, with the lines where they stand, and the mark of the code
   * that they are of.
   */
  frames: { address: string; line: number; of: Mark | null }[];
  marked: MarkedCode[];
  /** Marks that visitors can read as text: the code was pasted where only text is taken. */
  asText: Mark[];
}

/**
 * Finds the marked codes of a published page. A mark counts only on a parsed element: not in a comment, a
 * `template`, a script or a text field, where no visitor would meet it.
 */
export function scanPage(html: string): PageSeen {
  const page = parse(html, { sourceCodeLocationInfo: true });
  const position = positionsIn(html);
  const seen: PageSeen = { marked: [], asText: [], frames: [] };
  const stack: Node[] = [...page.childNodes].reverse();
  for (let node = stack.pop(); node; node = stack.pop()) {
    if (node.nodeName === '#text' && 'value' in node) {
      if (!hidesText(node.parentNode)) for (const mark of marksInText(node.value)) seen.asText.push(mark);
      continue;
    }
    if (!('tagName' in node)) continue;
    const mark = markOn(node);
    const place = node.sourceCodeLocation;
    if (mark && place) {
      seen.marked.push({
        mark,
        ...position(place.startOffset),
        run: siblingsFrom(node),
        source: html.slice(place.startOffset, place.endOffset),
      });
    }
    if (node.tagName === 'iframe' && place) {
      const address = node.attrs.find((a) => a.name === 'src' || a.name === 'data-src')?.value;
      if (address)
        seen.frames.push({ address, line: position(place.startOffset).line, of: markAround(node) });
    }
    for (let i = node.childNodes.length - 1; i >= 0; i--) stack.push(node.childNodes[i]!);
  }
  return seen;
}

/** Whether a marked code on a page says the same to a browser as the code that was issued. */
export function sameContent(found: MarkedCode, issued: string): boolean {
  const nodes = meaningful(parseFragment(issued).childNodes);
  // What stands before the marked element (a script, a style) is compared where it stands too.
  const from = nodes.findIndex((node) => 'tagName' in node && markOn(node) !== null);
  if (from < 0) return false;
  const wanted = nodes.slice(from);
  return canonical(wanted) === canonical(meaningful(found.run).slice(0, wanted.length));
}

const markOn = (element: Element): Mark | null => {
  const value = element.attrs.find((a) => a.name === 'data-orbis')?.value;
  return value === undefined ? null : readMark(value);
};

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

const meaningful = (nodes: readonly Node[]): Node[] =>
  nodes.filter(
    (node) =>
      node.nodeName !== '#comment' &&
      !(node.nodeName === '#text' && 'value' in node && node.value.trim() === ''),
  );

function siblingsFrom(element: Element): Node[] {
  const all = element.parentNode?.childNodes ?? [element];
  return all.slice(all.indexOf(element));
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

function marksInText(text: string): Mark[] {
  const out: Mark[] = [];
  const pattern = /data-orbis=["“”'’]?([0-9a-z]{10}\.\d{1,9})/g;
  for (let found = pattern.exec(text); found; found = pattern.exec(text)) {
    const mark = readMark(found[1]!);
    if (mark) out.push(mark);
  }
  return out;
}
