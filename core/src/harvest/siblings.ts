import { attribute, type Markup, type MarkupElement, type MarkupNode } from '../text/index.ts';
import type { IsForeign } from './foreign.ts';
import { isMachinery } from './loaders.ts';

/** What stands beside what. */
/* What stands on every page of a site. */
const aside = new Set(['header', 'footer', 'nav', 'title', 'meta', 'link', 'base']);

export class Siblings {
  readonly markup: Markup;
  readonly #index = new Map<MarkupNode, number>();
  readonly #isForeign: IsForeign;

  constructor(markup: Markup, isForeign: IsForeign) {
    this.markup = markup;
    this.#isForeign = isForeign;
    markup.roots.forEach((node, i) => this.#index.set(node, i));
    for (const { children } of markup.elements) children.forEach((node, i) => this.#index.set(node, i));
  }

  /** The element and the machinery on both sides of it, with only blanks and remarks between. */
  run(element: MarkupElement): MarkupElement[] {
    const all = element.parent?.children ?? this.markup.roots;
    const run = [element];
    const walk = (step: 1 | -1): void => {
      for (let i = this.#index.get(element)! + step; i >= 0 && i < all.length; i += step) {
        const node = all[i]!;
        if (node.kind === 'comment' || (node.kind === 'text' && node.value.trim() === '')) continue;
        const next = step === 1 ? run.at(-1)! : run[0]!;
        if (node.kind !== 'element' || !isMachinery(node) || !this.#together(node, next)) return;
        // The site's own styles and scripts may stand between.
        if (this.#isOwn(node)) continue;
        if (step === 1) run.push(node);
        else run.unshift(node);
      }
    };
    walk(-1);
    walk(1);
    return run;
  }

  #isOwn(element: MarkupElement): boolean {
    const address = attribute(element, element.name === 'link' ? 'href' : 'src');
    return address !== null && !this.#isForeign(address);
  }

  /** What stands before an element, blanks and remarks aside. */
  contentBefore(element: MarkupElement): MarkupNode | null {
    const all = element.parent?.children ?? this.markup.roots;
    for (let i = this.#index.get(element)! - 1; i >= 0; i--) {
      const node = all[i]!;
      if (node.kind === 'element' || (node.kind === 'text' && node.value.trim() !== '')) return node;
    }
    return null;
  }

  /** Whether content of the page stands before an element, and after it more than its foot. */
  isAmongContent(element: MarkupElement): boolean {
    const all = element.parent?.children ?? this.markup.roots;
    const at = this.#index.get(element)!;
    const isContent = (node: MarkupNode): boolean =>
      node.kind === 'element'
        ? !isMachinery(node) && !aside.has(node.name)
        : node.kind === 'text' && node.value.trim() !== '';
    return all.slice(0, at).some(isContent) && all.slice(at + 1).some(isContent);
  }

  /** Whether a heading or a line of words stands right before an element. */
  hasWordsBefore(element: MarkupElement): boolean {
    const before = this.contentBefore(element);
    if (before === null) return false;
    return before.kind !== 'element' || /^(?:h[1-6]|p|div|span|b|strong)$/.test(before.name);
  }

  /* The tags of `head` and `body` part what they stand between, though they are no elements here. */
  #together(a: MarkupElement, b: MarkupElement): boolean {
    const between =
      a.end <= b.start ? this.markup.text.slice(a.end, b.start) : this.markup.text.slice(b.end, a.start);
    return between === '' || !/<\/?(?:html|head|body)\b/i.test(between);
  }
}
