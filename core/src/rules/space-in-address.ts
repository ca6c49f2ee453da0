import { replace } from './mends.ts';
import type { CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

export const rule: CodeRule = {
  id: 'space-in-address',
  level: 'warning',
  source:
    'URL, section 4.4 (blanks around an address are taken off, tabs and line ends inside too; others are escaped)',
  addresses: (a, { reading, markup: { text } }) => {
    if (reading.input !== 'code' || a.end === a.start) return null;
    const raw = text.slice(a.start, a.end);
    if (!/\s/.test(raw) || /^\s*(?:data|javascript):/i.test(a.url)) return null;
    const clean = raw
      .trim()
      .replace(/[\t\n\r\f]/g, '')
      .replaceAll(' ', '%20');
    return {
      start: a.start,
      end: a.end,
      facts: { url: a.url },
      mend: replace(text, a.start, a.end, clean, reason('take-blanks-out')),
    };
  },
};
