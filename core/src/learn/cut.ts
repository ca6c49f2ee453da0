import { parseTree, type Node } from 'jsonc-parser';
import {
  decodeAttribute,
  innerText,
  parseMarkup,
  type Markup,
  type MarkupAttribute,
  type MarkupElement,
  type MarkupNode,
} from '../text/index.ts';
import { linkIn } from '../reading/index.ts';
import { literalsOf } from '../reading/scripts/index.ts';
import { cutAddress } from './cut-address.ts';
import { Pieces, type Piece } from './pieces.ts';

/** A sample in pieces. */
export interface Cut {
  text: string;
  /** A code, or a link alone. */
  is: 'code' | 'link';
  markup: Markup;
  pieces: Piece[];
}

const addressAttributes = new Set(['src', 'href', 'action', 'cite', 'data', 'poster']);

/** Cuts a sample into pieces, down to every value in its addresses, attributes, JSON and inline scripts. */
export function cut(text: string): Cut {
  const markup = parseMarkup(text);
  const pieces = new Pieces(text);
  const link = linkIn(text);
  if (link !== null) {
    const at = text.indexOf(link);
    pieces.upTo(at, 'before');
    cutAddress(pieces, text, [at, at + link.length], { element: 'link' }, true);
    pieces.upTo(text.length, 'after');
    return { text, is: 'link', markup, pieces: pieces.all };
  }
  new CodeCutter(markup, pieces).cut();
  return { text, is: 'code', markup, pieces: pieces.all };
}

class CodeCutter {
  readonly #text: string;
  readonly #markup: Markup;
  readonly #pieces: Pieces;
  readonly #counts = new Map<string, number>();

  constructor(markup: Markup, pieces: Pieces) {
    this.#text = markup.text;
    this.#markup = markup;
    this.#pieces = pieces;
  }

  cut(): void {
    for (const node of this.#markup.roots) this.#node(node, '');
    this.#pieces.upTo(this.#text.length, 'end');
  }

  #node(node: MarkupNode, around: string): void {
    if (node.kind !== 'element') {
      if (node.kind === 'comment' || node.value.trim() === '') return this.#pieces.upTo(node.end, around);
      this.#pieces.upTo(node.start, around);
      const key = `${around} text`;
      return this.#pieces.spot(
        node.end,
        { key: `${key} ${this.#count(key)}`, element: around, in: 'text', name: '' },
        node.value,
      );
    }
    const element = `${node.name} ${this.#count(node.name)}`;
    this.#pieces.upTo(node.start, around);
    this.#pieces.upTo(node.nameEnd, element);
    for (const found of node.attributes.all().sort((a, b) => a.start - b.start))
      this.#attribute(element, found);
    this.#pieces.upTo(node.startTagEnd, element);
    if (node.name === 'script' && !node.attributes.has('src')) this.#script(node, element);
    else for (const child of node.children) this.#node(child, element);
    this.#pieces.upTo(node.end, `${element} end`);
  }

  #attribute(element: string, { name, value, start, end, valueStart, valueEnd }: MarkupAttribute): void {
    this.#pieces.upTo(start, element);
    if (valueStart === end) return this.#pieces.upTo(end, `${element} ${name}`);
    this.#pieces.upTo(valueStart, `${element} ${name}`);
    const json = name.startsWith('data-') ? jsonOf(value) : null;
    if (addressAttributes.has(name) || /^\s*(?:https?:)?\/\/[a-z0-9]/i.test(value))
      cutAddress(this.#pieces, this.#text, [valueStart, valueEnd], { element, attribute: name });
    else if (json) this.#json(json, element, name, valueStart, valueEnd);
    else this.#pieces.spot(valueEnd, { key: `${element} ${name}`, element, in: 'attribute', name }, value);
    this.#pieces.upTo(end, `${element} ${name}`);
  }

  #json(root: Node, element: string, attribute: string, from: number, to: number): void {
    const { text, at } = decodeAttribute(this.#text.slice(from, to));
    const leaf = (node: Node, path: readonly string[]): void => {
      if (node.type === 'object')
        for (const property of node.children ?? [])
          leaf(property.children![1]!, [...path, String(property.children![0]!.value)]);
      else if (node.type === 'string' || node.type === 'number' || node.type === 'boolean') {
        const quote = node.type === 'string' ? 1 : 0;
        const name = path.join('.');
        const key = `${element} ${attribute} {${name}}`;
        this.#pieces.upTo(from + at[node.offset + quote]!, key);
        this.#pieces.spot(
          from + at[node.offset + node.length - quote]!,
          { key, element, in: 'json', name, attribute },
          quote ? text.slice(node.offset + 1, node.offset + node.length - 1) : String(node.value),
        );
      }
    };
    leaf(root, []);
    this.#pieces.upTo(to, `${element} ${attribute}`);
  }

  #script(node: MarkupElement, element: string): void {
    for (const { start, end, value, call, path, number } of literalsOf(innerText(this.#text, node))) {
      const name = path.join('.');
      const key = call === null ? `${element} literal ${number}` : `${element} ${call} {${name}}`;
      this.#pieces.upTo(node.startTagEnd + start, key);
      this.#pieces.spot(
        node.startTagEnd + end,
        call === null
          ? { key, element, in: 'literal', name: '' }
          : { key, element, in: 'option', name, call },
        value,
      );
    }
  }

  #count(name: string): number {
    const next = (this.#counts.get(name) ?? 0) + 1;
    this.#counts.set(name, next);
    return next;
  }
}

function jsonOf(value: string): Node | null {
  if (!value.trim().startsWith('{')) return null;
  const root = parseTree(value, [], { disallowComments: true });
  return root?.type === 'object' ? root : null;
}
