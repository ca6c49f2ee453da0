import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'writes-document',
  level: 'warning',
  source: 'HTML, section 8.4.3 (document.write); observed: it wipes the page when the script is loaded late',
  elements: {
    named: ['script'],
    check: (e, { inner }) =>
      inner.factsOf(e)?.writesDocument ? { start: e.start, end: e.end, facts: {} } : null,
  },
};
