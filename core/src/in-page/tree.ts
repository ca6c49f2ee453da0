import { defaultTreeAdapter as tree, type DefaultTreeAdapterTypes } from 'parse5';
import { deepest } from '../text/index.ts';

export type Node = DefaultTreeAdapterTypes.ChildNode;
export type Parent = DefaultTreeAdapterTypes.ParentNode;
export type Element = DefaultTreeAdapterTypes.Element;

export const attributeOf = ({ attrs }: Element, name: string): string | null =>
  attrs.find((each) => each.name === name)?.value ?? null;

/** Every element below a node in the order of the page; what nests too deep for a browser is taken out. */
export function elementsBelow(top: Parent): Element[] {
  const elements: Element[] = [];
  const left: { node: Node; depth: number }[] = [];
  const push = (parent: Parent, depth: number): void => {
    for (const node of parent.childNodes.toReversed()) left.push({ node, depth });
  };
  push(top, 1);
  for (let next = left.pop(); next; next = left.pop()) {
    const { node, depth } = next;
    if (!('tagName' in node)) continue;
    if (depth > deepest) {
      tree.detachNode(node);
      continue;
    }
    elements.push(node);
    if ('content' in node) push(node.content, depth + 1);
    push(node, depth + 1);
  }
  return elements;
}
