import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'writes-document',
  level: 'warning',
  source: 'HTML, section 8.4.3 (document.write); observed: it wipes the page when the script is loaded late',
  check: ({ markup, inner }) => markup.elements.filter((e) => inner.factsOf(e)?.writesDocument).map((e) => ({ start: e.start, end: e.end, facts: {} })),
};
