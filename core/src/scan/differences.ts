import type { DefaultTreeAdapterTypes } from 'parse5';
import { reason, type Reason } from '../reason.ts';
import { align } from './align.ts';
import { canonical } from './canonical.ts';
import { meaningful } from './meaningful.ts';

type Node = DefaultTreeAdapterTypes.ChildNode;
type Element = DefaultTreeAdapterTypes.Element;

/* So many are told; who has more pastes the code anew anyway. */
const most = 8;

/**
 * What is otherwise on a page than it was handed out, in the order of the code, the first of it: what of
 * tags, attributes and texts went, changed or came along. One more, `and-more`, says how many are not told.
 * @param found what stands on the page from there on; what follows the code is not held against it.
 */
export function differencesOf(found: readonly Node[], issued: readonly Node[]): Reason[] {
  const all: Reason[] = [];
  compareNodes(found, issued, { isOpen: true, all, said: saidOnce() });
  const [told, rest] = [all.slice(0, most), all.length - most];
  return rest > 0 ? [...told, reason('and-more', { count: rest })] : told;
}

interface Comparing {
  /** Whether more follows on the page that is not part of the code. */
  isOpen: boolean;
  all: Reason[];
  said: (node: Node) => string;
}

/* What nodes say, each worked out once. */
function saidOnce(): Comparing['said'] {
  const known = new Map<Node, string>();
  return (node) => {
    const said = known.get(node) ?? canonical([node]);
    known.set(node, said);
    return said;
  };
}

function compareNodes(
  found: readonly Node[],
  issued: readonly Node[],
  { isOpen, all, said }: Comparing,
  inside = '',
): void {
  const wanted = meaningful(issued);
  // What was put between may have pushed the code down a little.
  const there = meaningful(found).slice(0, isOpen ? wanted.length + most : undefined);
  const isSame = (a: Node, b: Node): boolean => isOfKind(a, b) && said(a) === said(b);
  const pairs = align(there, wanted, { isSame, isOfKind });
  const end = isOpen ? pairs.findLastIndex(({ is, was }) => is !== undefined && was !== undefined) : Infinity;
  for (const [i, { is, was }] of pairs.entries()) {
    if (was === undefined) {
      if (i < end) all.push(comes(is!, inside));
    } else if (is === undefined) all.push(goes(was, inside));
    else if (!isSame(is, was)) compareNode(is, was, { isOpen: false, all, said }, inside);
  }
}

const isOfKind = (a: Node, b: Node): boolean => a.nodeName === b.nodeName;

function compareNode(is: Node, was: Node, comparing: Comparing, inside: string): void {
  const { all } = comparing;
  if (!('tagName' in was) || !('tagName' in is)) {
    const [before, now] = [textOf(was), textOf(is)];
    if (before === now) return;
    all.push(
      isProgram(inside)
        ? reason('program-changed', { element: inside })
        : reason('text-changed', { was: shortened(before), is: shortened(now) }),
    );
    return;
  }
  compareAttributes(is, was, all);
  compareNodes(is.childNodes, was.childNodes, comparing, was.tagName);
}

function compareAttributes(is: Element, was: Element, all: Reason[]): void {
  const element = was.tagName;
  const now = new Map(is.attrs.map(({ name, value }) => [name, value]));
  const before = new Set(was.attrs.map(({ name }) => name));
  for (const { name, value } of was.attrs) {
    const current = now.get(name);
    if (current === undefined) all.push(reason('attribute-gone', { element, name, was: shortened(value) }));
    else if (current !== value)
      all.push(reason('attribute-changed', { element, name, ...apart(value, current) }));
  }
  for (const [name, value] of now)
    if (!before.has(name)) all.push(reason('attribute-added', { element, name, is: shortened(value) }));
}

const goes = (node: Node, inside: string): Reason =>
  'tagName' in node
    ? reason('element-gone', { element: node.tagName })
    : isProgram(inside)
      ? reason('program-changed', { element: inside })
      : reason('text-gone', { was: shortened(textOf(node)) });

const comes = (node: Node, inside: string): Reason =>
  'tagName' in node
    ? reason('element-added', { element: node.tagName })
    : isProgram(inside)
      ? reason('program-changed', { element: inside })
      : reason('text-added', { is: shortened(textOf(node)) });

const isProgram = (element: string): boolean => element === 'script' || element === 'style';

const textOf = (node: Node): string =>
  node.nodeName === '#text' && 'value' in node ? node.value.replace(/\s+/g, ' ').trim() : '';

/* Of two long values, where they begin to differ. */
function apart(was: string, is: string): { was: string; is: string } {
  if (was.length <= longest && is.length <= longest) return { was, is };
  let at = 0;
  while (at < was.length && was[at] === is[at]) at++;
  const from = Math.max(0, at - 20);
  const cut = (text: string): string => `${from > 0 ? '…' : ''}${shortened(text.slice(from))}`;
  return { was: cut(was), is: cut(is) };
}

const longest = 100;
const shortened = (text: string): string => (text.length > longest ? `${text.slice(0, longest)}…` : text);
