import { attribute, type MarkupElement } from '../text/index.ts';
import { innerTexts } from '../reading/addresses.ts';
import type { ReadAddress } from '../reading/reading.ts';
import { placeholderIn } from './placeholder.ts';
import type { CodeRule, Found } from './rule.ts';

/* Attributes whose words are for people, or for style rules. */
const words = new Set(
  'allow title alt placeholder aria-label style class sandbox srcdoc content label summary data-text data-title data-tooltip data-label data-description data-message data-placeholder'.split(
    ' ',
  ),
);
/* What stands in a field before somebody types is for people too, and a field is called as its form likes. */
const isForPeople = (element: MarkupElement, name: string): boolean =>
  name.startsWith('on') ||
  (name === 'value' && attribute(element, 'type')?.toLowerCase() !== 'hidden') ||
  (name === 'name' && fields.has(element.name));
const fields = new Set(['input', 'select', 'textarea', 'button', 'form']);
const addressed = new Set(['src', 'href', 'action', 'data', 'data-src', 'data-href', 'data-url', 'cite']);
const longest = 4000;

export const rule: CodeRule = {
  id: 'sample-value',
  level: 'error',
  source:
    'observed: samples of providers that were pasted with their placeholders left in; RFC 2606, section 3',
  attributes: (element, name, value) => {
    if (value.length < 2 || value.length > longest || words.has(name)) return null;
    const placeholder = placeholderIn(value, addressed.has(name) || value.startsWith('http'), name);
    if (placeholder === null || isForPeople(element, name)) return null;
    const { valueStart, valueEnd } = element.attributes.get(name)!;
    return {
      start: valueStart,
      end: valueEnd,
      facts: { attribute: name, value: value.slice(0, 200), placeholder },
    };
  },
  addresses: (address, { reading }) => {
    const { url, start, end } = address;
    if (isNowhere(address))
      return {
        start,
        end,
        facts: { attribute: 'src', value: url === '#' ? '' : url.slice(0, 200), placeholder: '' },
      };
    const placeholder =
      isReserved(url) ?? (reading.input === 'link' ? placeholderIn(url, true, 'link') : null);
    return placeholder === null
      ? null
      : {
          start,
          end,
          facts: { attribute: reading.input === 'link' ? 'link' : 'an address', value: url, placeholder },
        };
  },
  code: ({ markup }) =>
    innerTexts(markup, 'script').flatMap(({ element, text }) => samplesIn(text, element.startTagEnd)),
};

/* What a frame or a script cannot come from: nothing, or a path of the page's own site (URL, section 4.2),
   unless it leads to a file there. */
function isNowhere({ url, use }: ReadAddress): boolean {
  if (url.startsWith('https://')) return false;
  if (/^www\.[^/\s]+\.[a-z]{2,}(?:\/|$)/i.test(url)) return true;
  if (use !== 'frame' && use !== 'script') return false;
  if (url === '' || url === '#') return true;
  if (/^[a-z][a-z0-9+.-]*:|^\/\/|[\t\n\r]/i.test(url) || hasMarks.test(url)) return false;
  const path = url.split(/[?#]/)[0]!;
  return !/\.(?:html?|php|aspx?|jsp|m?js|pdf|svg|mp4|webm|mp3|png|jpe?g|gif|webp)$/i.test(path);
}
/* A sample is told as such, and so are typographic quotes. */
const hasMarks = /[{}[\]<>]| HERE\b|^[“”„«‘’‚″′]/;

/* Names that stand for no site at all. */
const isReserved = (url: string): string | null =>
  !/example\.(?:com|net|org)/i.test(url)
    ? null
    : (/^(?:https?:)?\/\/(?:[\w-]+\.)*(example\.(?:com|net|org))(?:[/:?#]|$)/i.exec(url)?.[1] ?? null);

/* Texts in a script that are nothing but a sample. */
function samplesIn(script: string, offset: number): Found[] {
  if (script.length > mostOfScript || !/[A-Z]{2}|["'`][<{[]|your/i.test(script)) return [];
  const found: Found[] = [];
  for (const literal of script.matchAll(/(["'`])([^"'`\n\\]{3,120})\1/g)) {
    const value = literal[2]!;
    const called = /([\w$]{1,40})["']?\s{0,3}[:=]\s{0,3}$/.exec(
      script.slice(Math.max(0, literal.index - 50), literal.index),
    );
    const isAddress = /^(?:https?:)?\/\//.test(value);
    // A tag is markup, and a template is filled in by the script itself.
    if (/^<\/?[a-z]\w*>$/.test(value) || (literal[1] === '`' && value.includes('${'))) continue;
    const placeholder = placeholderIn(value, isAddress, called?.[1] ?? '');
    if (placeholder === null) continue;
    const start = offset + literal.index + 1;
    found.push({ start, end: start + value.length, facts: { attribute: 'a script', value, placeholder } });
  }
  return found;
}
const mostOfScript = 50_000;
