import type { CodeRule } from './rule.ts';

/* Words in capitals that providers' samples have where an id or a name belongs; a real id of capitals has no word of these. */
const placeholder =
  /(?:^|[^A-Za-z])(?:YOUR|MY|INSERT|ENTER|REPLACE|PASTE|EXAMPLE|SAMPLE|PLACEHOLDER|CHANGE)(?:[_ -][A-Z]{2,}|(?:ID|NAME|USERNAME|KEY|CODE|URL|SITE|DOMAIN|ACCOUNT|VIDEO|CHANNEL|FORM|SHOP|PAGE|TOKEN|EMAIL)(?![A-Za-z]))|(?:^|[/=_-])(?:[A-Z]{3,}_(?:ID|KEY|URL|NAME|TOKEN|CODE)|(?:VIDEO|ACCOUNT|USER|FORM|SITE|SHOP|CHANNEL|PAGE|API|EMBED|WIDGET|PLAYLIST|TRACK|CLIENT)[_-]?(?:ID|KEY|URL|NAME|TOKEN|CODE))(?=$|[/?&#"'._-])|\b(?:your|my)[ _-](?:own[ _-])?(?:id|video|account|user(?:name)?|site|domain|form|shop|page|name|key|token|email|address|url|channel|handle)\b|(?:^|[/=])x{3,}(?=$|[/?&#])|\{\{[^{}]{0,60}\}\}|(?:^|[/=])\[[A-Za-z][A-Za-z _-]{1,40}\]|(?:^|[/=])(?:<|&lt;|%3C)[A-Za-z][A-Za-z _-]{1,40}(?:>|&gt;|%3E)|\b(?:paste|insert)\b[^"'<>]{1,40}\bhere\b/;

/* Attributes whose words are for people, or for style rules. */
const words = new Set(['allow', 'title', 'alt', 'placeholder', 'aria-label', 'style', 'class', 'sandbox']);
const longest = 4000;
const said = (found: RegExpExecArray): string => found[0].replace(/^[/=]/, '').trim();

export const rule: CodeRule = {
  id: 'sample-value',
  level: 'error',
  source: 'observed: samples of providers that were pasted with their placeholders left in',
  attributes: (element, name, value) => {
    if (value.length < 3 || value.length > longest || words.has(name)) return null;
    const found = placeholder.exec(value);
    if (!found) return null;
    const { valueStart, valueEnd } = element.attributes.get(name)!;
    return {
      start: valueStart,
      end: valueEnd,
      facts: { attribute: name, value: value.slice(0, 200), placeholder: said(found) },
    };
  },
  addresses: ({ url, use, start, end }, { reading }) => {
    if (url === '' && (use === 'frame' || use === 'script'))
      return { start, end, facts: { attribute: 'src', value: '', placeholder: '' } };
    const found = reading.input === 'link' ? placeholder.exec(url) : null;
    return found && { start, end, facts: { attribute: 'link', value: url, placeholder: said(found) } };
  },
};
