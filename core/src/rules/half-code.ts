import { isMountOf, sheetOfLoader } from '../sheets/match.ts';
import type { Inner } from '../reading/inner.ts';
import { attribute, innerText, type Markup, type MarkupElement } from '../text/index.ts';
import type { CodeRule, Found } from './rule.ts';

const shown = new Set(['frame', 'media', 'form', 'image']);

export const rule: CodeRule = {
  id: 'half-code',
  level: 'error',
  source: 'observed: codes of a loader and an element, of which one half was pasted',
  code: ({ reading: { input, parts, addresses }, markup, inner, sheet }) => {
    // A script whose sheet says that it fills an element, and no such element: the other half.
    const loader =
      sheet?.mounts && input === 'code'
        ? addresses.find(({ use, url }) => use === 'script' && sheetOfLoader(url, [sheet]) !== null)
        : undefined;
    if (sheet && loader && !markup.elements.some((e) => isMountOf(e, sheet)))
      return { start: loader.start, end: loader.end, facts: { missing: 'mount' } };
    if (
      input !== 'code' ||
      !parts.some((part) => part.role === 'mount') ||
      parts.some((part) => shown.has(part.role))
    )
      return null;
    if (markup.elements.some((e) => e.name === 'script')) return calledFromNowhere(markup, inner);
    const byStart = new Map(markup.elements.map((e) => [e.start, e]));
    // An element that only a script can fill: a custom element, or an empty one that carries data.
    return parts
      .filter((part) => part.role === 'mount')
      .filter((part) => {
        const element = byStart.get(part.start);
        return (
          element !== undefined &&
          (element.name.includes('-') ||
            (element.name !== 'blockquote' &&
              element.attributes.names().some((name) => name.startsWith('data-'))))
        );
      })
      .map(({ start, end }) => ({ start, end, facts: { missing: 'loader' } }));
  },
};

/* A library is told to fill an element, and nothing here brings the library. */
function calledFromNowhere(markup: Markup, { scripts }: Inner): Found | null {
  const own = new Set(scripts.flatMap(({ globals }) => globals.map(({ name }) => name)));
  const brings =
    markup.elements.some((e) => e.name === 'script' && e.attributes.has('src')) ||
    scripts.some(({ creates, addresses }) => creates.includes('script') || addresses.length > 0);
  const namesOwn = markup.elements.some((e) => e.name === 'script' && namesElement(markup, e));
  const call = scripts
    .flatMap(({ calls }) => calls)
    .find((each) => (isNamed(each) || (namesOwn && filling.test(each))) && !own.has(each.split('.')[0]!));
  const script = markup.elements.find((e) => e.name === 'script');
  return brings || call === undefined || !script
    ? null
    : { start: script.start, end: script.startTagEnd, facts: { missing: 'loader' } };
}

/* Libraries are called by names with a capital; what browsers bring has other methods. */
const isNamed = (call: string): boolean => /^[A-Z]/.test(call) && filling.test(call);
const filling = /^[\w$]+(?:\.[\w$]+)*\.(?:render|init|create|mount|embed|setup|start|attach|draw|new)$/;

/* Whether a script has the id of an element of this code in quotes: so a library is told where to go. */
const namesElement = (markup: Markup, script: MarkupElement): boolean => {
  const text = innerText(markup.text, script);
  return markup.elements.some((element) => {
    const id = attribute(element, 'id');
    return (
      id !== null &&
      id !== '' &&
      [`"${id}"`, `'${id}'`, `"#${id}"`, `'#${id}'`].some((name) => text.includes(name))
    );
  });
};
