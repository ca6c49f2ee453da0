import { replace } from './mends.ts';
import type { CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

/* Blanks, and characters that nobody sees: they come along when an address is copied from a text. */
const odd = /[\s\u200b-\u200d\u2060\ufeff\u00ad]/;
const unseen = /[\t\n\r\f\u200b-\u200d\u2060\ufeff\u00ad]/g;

export const rule: CodeRule = {
  id: 'space-in-address',
  level: 'warning',
  source:
    'URL, section 4.4 (blanks around an address are taken off, tabs and line ends inside too; others are escaped)',
  addresses: (a, { reading, markup: { text } }) => {
    if (reading.input !== 'code' || a.end === a.start) return null;
    const raw = text.slice(a.start, a.end);
    if (!odd.test(raw) || /^\s*(?:data|javascript):/i.test(a.url)) return null;
    const clean = raw
      .trim()
      .replace(unseen, '')
      .replaceAll(/[ \u00a0\u2007\u202f]/g, '%20');
    return {
      start: a.start,
      end: a.end,
      facts: { url: a.url },
      mend: replace(text, a.start, a.end, clean, reason('take-blanks-out')),
    };
  },
};
