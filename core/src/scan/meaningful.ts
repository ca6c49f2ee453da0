import type { DefaultTreeAdapterTypes } from 'parse5';

type Node = DefaultTreeAdapterTypes.ChildNode;

/** What of a run of nodes means something to a browser. */
export const meaningful = (nodes: readonly Node[]): Node[] =>
  nodes.filter(
    (node) =>
      node.nodeName !== '#comment' &&
      !(node.nodeName === '#text' && 'value' in node && node.value.trim() === ''),
  );
