import { attribute, type MarkupElement } from '../text/index.ts';
import { innerTexts } from '../reading/addresses.ts';
import type { CodeRule, Found } from './rule.ts';

const things =
  'id|video|account|user(?:name)?|site|domain|subdomain|form|shop|page|name|key|token|email|address|url|channel|handle|app';

/* How samples mark where an id or a name belongs. A real id of capitals has no word of these. */
const inCapitals =
  /(?:^|[^A-Za-z])(?:YOUR|MY|INSERT|ENTER|REPLACE|PASTE|EXAMPLE|SAMPLE|PLACEHOLDER|CHANGE)(?:[_ -][A-Z]{2,}|(?:ID|NAME|USERNAME|KEY|CODE|URL|SITE|DOMAIN|ACCOUNT|VIDEO|CHANNEL|FORM|SHOP|PAGE|TOKEN|EMAIL)(?![A-Za-z]))|(?:^|[/=_-])(?:[A-Z]{3,}_(?:ID|KEY|URL|NAME|TOKEN|CODE)|(?:VIDEO|ACCOUNT|USER|FORM|SITE|SHOP|CHANNEL|PAGE|API|EMBED|WIDGET|PLAYLIST|TRACK|CLIENT)[_-]?(?:ID|KEY|URL|NAME|TOKEN|CODE))(?=$|[/?&#"'._-])|(?:^|[/=@])USERNAME(?=$|[/?&#])|\b[A-Z]{2,}(?: [A-Z]{2,}){0,4} HERE\b|(?:^|[/=])X{1,3}-X{4,}|%%[A-Z][A-Z_]{1,30}%%/;
const inBrackets =
  /\{\{[^{}]{0,60}\}\}|(?:^|[/=])\{[A-Za-z][\w -]{1,40}\}(?=$|[/?&#])|(?:^|[/=])\[[A-Za-z][A-Za-z _-]{1,40}\]|(?:^|[/=])(?:<|&lt;|%3C)[A-Za-z][A-Za-z _-]{1,40}(?:>|&gt;|%3E)/;
/* In small letters only as a whole value or step: “find-your-channel” is a name like any other. */
const inWords = new RegExp(
  `(?:^|[/=@])your[ _-](?:own[ _-])?(?:${things})(?:[ _-](?:id|name|key|here))?(?=$|[/?&#.])|(?:^|[/=])x{3,}(?=$|[/?&#])|=(?:\\.{3}|…)(?=$|&)|\\b(?:paste|insert)\\b[^"'<>]{1,40}\\bhere\\b`,
);

const placeholders = [inCapitals, inBrackets, inWords];
/* What all of them have something of: most values have nothing, and are not looked at further. */
const hint = /[A-Z]{2}|[{[<%]|your|xxx|\.{3}|…|here/;
const sampleIn = (text: string): RegExpExecArray | null => {
  if (!hint.test(text)) return null;
  for (const placeholder of placeholders) {
    const found = placeholder.exec(text);
    if (found) return found;
  }
  return null;
};

/* Attributes whose words are for people, or for style rules. */
const words = new Set(
  'allow title alt placeholder aria-label style class sandbox srcdoc content label summary data-text data-title data-tooltip data-label data-description data-message data-placeholder'.split(
    ' ',
  ),
);
/* What stands in a field before somebody types is for people too. */
const isForPeople = (element: MarkupElement, name: string): boolean =>
  words.has(name) ||
  name.startsWith('on') ||
  (name === 'value' && attribute(element, 'type')?.toLowerCase() !== 'hidden') ||
  (name === 'id' && !inCapitals.test(attribute(element, 'id') ?? ''));
const longest = 4000;
const said = (found: RegExpExecArray): string => found[0].replace(/^[/=@]/, '').trim();

export const rule: CodeRule = {
  id: 'sample-value',
  level: 'error',
  source: 'observed: samples of providers that were pasted with their placeholders left in',
  attributes: (element, name, value) => {
    if (value.length < 3 || value.length > longest) return null;
    const found = sampleIn(value);
    if (!found || isForPeople(element, name)) return null;
    const { valueStart, valueEnd } = element.attributes.get(name)!;
    return {
      start: valueStart,
      end: valueEnd,
      facts: { attribute: name, value: value.slice(0, 200), placeholder: said(found) },
    };
  },
  addresses: ({ url, use, start, end }, { reading }) => {
    if ((url === '' || url === '#') && (use === 'frame' || use === 'script'))
      return { start, end, facts: { attribute: 'src', value: '', placeholder: '' } };
    // Without a scheme it is a path of the page's own site (URL, section 4.2).
    if (/^www\.[^/\s]+\.[a-z]{2,}(?:\/|$)/i.test(url))
      return { start, end, facts: { attribute: 'src', value: url.slice(0, 200), placeholder: '' } };
    const found = reading.input === 'link' ? sampleIn(url) : null;
    return found && { start, end, facts: { attribute: 'link', value: url, placeholder: said(found) } };
  },
  code: ({ markup }) =>
    innerTexts(markup, 'script').flatMap(({ element, text }) => samplesIn(text, element.startTagEnd)),
};

/* Texts in a script that are nothing but a sample. */
function samplesIn(script: string, offset: number): Found[] {
  if (script.length > mostOfScript || !/[A-Z]{2}[_A-Z]|["'`]</.test(script)) return [];
  const found: Found[] = [];
  for (const literal of script.matchAll(/(["'`])([^"'`\n\\]{3,120})\1/g)) {
    const value = literal[2]!;
    const sample = inCapitals.exec(value) ?? /^<[A-Za-z][A-Za-z _-]{2,40}>$/.exec(value);
    if (!sample || /^<\/?[a-z]+>$/.test(value)) continue;
    const start = offset + literal.index + 1;
    found.push({
      start,
      end: start + value.length,
      facts: { attribute: 'a script', value, placeholder: sample[0].trim() },
    });
  }
  return found;
}
const mostOfScript = 50_000;
