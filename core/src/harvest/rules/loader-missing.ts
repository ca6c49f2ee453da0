import { attribute, type MarkupElement } from '../../text/index.ts';
import type { PageRule } from './rule.ts';

export const rule: PageRule = {
  id: 'loader-missing',
  level: 'error',
  source: 'observed: the place of an embed was pasted, its script was not, or an editor took it away',
  check: ({ markup, embedAt }) => {
    const inEmbed = (e: MarkupElement): boolean => embedAt(e.start) !== undefined;
    const scripts = markup.elements.filter((e) => e.name === 'script');
    // What the page's own programs fill is its own affair, and nobody can tell from outside what they fill.
    const own = scripts.some(
      (e) =>
        !inEmbed(e) &&
        (e.attributes.has('src') ||
          /customElements|querySelector|getElement/.test(markup.text.slice(e.startTagEnd, e.end))),
    );
    if (own) return [];
    return markup.elements
      .filter((e) => isPlace(e) && !inEmbed(e))
      .map((e) => ({ start: e.start, end: e.startTagEnd, facts: { element: e.name, named: nameOf(e) } }));
  },
};

/* An empty element that carries data, or one that only a script could make anything of. */
const isPlace = (e: MarkupElement): boolean =>
  !e.children.some(
    (child) => child.kind === 'element' || (child.kind === 'text' && child.value.trim() !== ''),
  ) &&
  (e.name.includes('-') ||
    (['div', 'span', 'section', 'p'].includes(e.name) &&
      e.attributes.names().some((name) => name.startsWith('data-') && name !== 'data-orbis')));

const nameOf = (e: MarkupElement): string =>
  attribute(e, 'id') ?? attribute(e, 'class')?.split(/\s+/)[0] ?? e.name;
