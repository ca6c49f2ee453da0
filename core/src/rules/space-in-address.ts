import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'space-in-address',
  level: 'warning',
  source: 'URL, section 4.4 (blanks around an address are taken off, tabs and line ends inside too; others are escaped)',
  check: ({ reading, markup }) =>
    reading.input !== 'code'
      ? []
      : reading.addresses
          .filter((a) => a.end > a.start && /\s/.test(markup.text.slice(a.start, a.end)) && !/^\s*(?:data|javascript):/i.test(a.url))
          .map((a) => ({ start: a.start, end: a.end, facts: { url: a.url } })),
};
