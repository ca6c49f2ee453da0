import type { DefaultTreeAdapterTypes } from 'parse5';

type Node = DefaultTreeAdapterTypes.ChildNode;

/**
 * What a piece of a page says to a browser, whatever way it is written: names, decoded attributes in
 * alphabetical order, text with its blanks folded. Comments and blanks between elements say nothing.
 */
export function canonical(nodes: readonly Node[]): string {
  return nodes.map(one).filter(Boolean).join('');
}

function one(node: Node): string {
  if ('tagName' in node) {
    const attributes = node.attrs
      .map(({ name, value }) => `${name}=${JSON.stringify(value)}`)
      .sort()
      .join(' ');
    return `<${node.tagName}${attributes ? ` ${attributes}` : ''}>${canonical(contentOf(node))}</${node.tagName}>`;
  }
  if (node.nodeName === '#text' && 'value' in node) return node.value.replace(/\s+/g, ' ').trim();
  return '';
}

/* What is in a template stands apart from the tree (HTML, section 4.12.3). */
const contentOf = (element: DefaultTreeAdapterTypes.Element): readonly Node[] =>
  element.nodeName === 'template' && 'content' in element
    ? (element as DefaultTreeAdapterTypes.Template).content.childNodes
    : element.childNodes;
