import { parse, type DefaultTreeAdapterTypes } from 'parse5';
import { specimenPieces, specimenWord, type SpecimenPiece, type SpecimenPlace } from './specimen.ts';

type Node = DefaultTreeAdapterTypes.ChildNode;
type Element = DefaultTreeAdapterTypes.Element;

/** What became of a piece of a specimen on the published page. */
export interface PieceSeen {
  piece: SpecimenPiece;
  /** `made-of-it`: the editor put a frame in the place of an address. */
  state: 'kept' | 'taken-out' | 'shown-as-text' | 'made-of-it';
  /** Which of its elements are there. */
  elements: string[];
  /** Its attributes that are not there any more. */
  lost: string[];
  /** Attributes that have another value there. */
  changed: { name: string; now: string }[];
}

/** What a page shows of a specimen; null where it shows none of it. */
export function readSpecimen(
  html: string,
  { token, address }: Pick<SpecimenPlace, 'token' | 'address'>,
): PieceSeen[] | null {
  const pieces = specimenPieces(address);
  const between = cutAtWords(html, token, pieces.length + 1);
  if (between === null) return null;
  return pieces.map((piece, at) => seenOf(piece, between.get(at + 1) ?? { nodes: [], text: '' }));
}

/* What stands behind a word of the specimen, up to the next one. */
interface Stretch {
  nodes: (Element | DefaultTreeAdapterTypes.CommentNode)[];
  text: string;
}

/* By the number of the word; null where there is no such word. Where one stands twice, as where the page has
   a summary of itself, the later one counts: it comes with more behind it. */
function cutAtWords(html: string, token: string, count: number): Map<number, Stretch> | null {
  const numbers = new Map(Array.from({ length: count }, (_, at) => [specimenWord(token, at + 1), at + 1]));
  const found = new Map<number, Stretch>();
  let now: Stretch | null = null;
  const take = (text: string): void => {
    // Words have one length, so nothing but a look at each place is needed.
    const [word] = [...numbers.keys()];
    let rest = text;
    for (;;) {
      const at = nextWord(rest, `specimen-${token}-`, word!.length, numbers);
      if (at === null) break;
      if (now) now.text += rest.slice(0, at.start);
      now = { nodes: [], text: '' };
      found.set(at.number, now);
      rest = rest.slice(at.end);
    }
    if (now) now.text += rest;
  };
  walk(parse(html).childNodes, (node) => {
    if (node.nodeName === '#text' && 'value' in node) take(node.value);
    else if ('tagName' in node || node.nodeName === '#comment') now?.nodes.push(node);
  });
  return found.size === 0 ? null : found;
}

function nextWord(
  text: string,
  begin: string,
  length: number,
  numbers: ReadonlyMap<string, number>,
): { start: number; end: number; number: number } | null {
  for (let start = text.indexOf(begin); start >= 0; start = text.indexOf(begin, start + 1)) {
    const number = numbers.get(text.slice(start, start + length));
    if (number !== undefined) return { start, end: start + length, number };
  }
  return null;
}

/* Text in these is not shown. */
const silent: ReadonlySet<string> = new Set(['script', 'style', 'title', 'template', 'noscript', 'textarea']);

function walk(roots: readonly Node[], visit: (node: Node) => void): void {
  const stack: Node[] = [...roots].reverse();
  for (let node = stack.pop(); node; node = stack.pop()) {
    visit(node);
    if (!('tagName' in node) || silent.has(node.tagName)) continue;
    for (let at = node.childNodes.length - 1; at >= 0; at--) stack.push(node.childNodes[at]!);
  }
}

function seenOf(piece: SpecimenPiece, { nodes, text }: Stretch): PieceSeen {
  const as = (state: PieceSeen['state']): PieceSeen => ({
    piece,
    state,
    elements: [],
    lost: [],
    changed: [],
  });
  if (piece.name === 'link')
    return as(nodes.some((node) => 'tagName' in node && isMadeOf(node)) ? 'made-of-it' : 'kept');
  // An editor may well put paragraphs of its own around what it shows as text.
  if (text.includes(piece.element === null ? '<!--' : `<${piece.element}`)) return as('shown-as-text');
  const there = nodes.find((node) => isPiece(node, piece));
  const kept = there ? as('kept') : as('taken-out');
  return {
    ...kept,
    elements: piece.elements.filter((name) =>
      nodes.some((node) => 'tagName' in node && node.tagName === name),
    ),
    ...(there && 'tagName' in there ? attributesOf(there, piece) : {}),
  };
}

/* A frame: that a link can be clicked is nothing that its editor makes of it. */
const isMadeOf = ({ tagName }: Element): boolean => tagName === 'iframe';

/* An inline script without its text is none. */
const isPiece = (node: Stretch['nodes'][number], { element, inside }: SpecimenPiece): boolean =>
  'tagName' in node
    ? node.tagName === element && (inside === null || node.childNodes.length > 0)
    : element === null;

function attributesOf(node: Element, piece: SpecimenPiece): Pick<PieceSeen, 'lost' | 'changed'> {
  const own = (name: string): string | undefined => node.attrs.find((each) => each.name === name)?.value;
  const [made] = parse(piece.markup).childNodes.flatMap((root) => elementsIn(root, piece.element!));
  const was = (name: string): string | undefined => made?.attrs.find((each) => each.name === name)?.value;
  return {
    lost: piece.attributes.filter((name) => own(name) === undefined),
    changed: piece.attributes.flatMap((name) => {
      const now = own(name);
      return now === undefined || now === was(name) ? [] : [{ name, now: now.slice(0, 200) }];
    }),
  };
}

function elementsIn(root: Node, name: string): Element[] {
  const found: Element[] = [];
  walk([root], (node) => 'tagName' in node && node.tagName === name && found.push(node));
  return found;
}
