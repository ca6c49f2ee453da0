import type { CodeRule } from './rule.ts';

const needsEnd = ['iframe', 'form', 'video', 'audio', 'script', 'style', 'object', 'svg', 'noscript', 'textarea', 'select'];

export const rule: CodeRule = {
  id: 'cut-off',
  level: 'error',
  source: 'HTML, section 13.2.2 (parse errors eof-in-tag, eof-in-comment) and 13.1.2.4 (end tags that may not be left out)',
  check: ({ reading, markup }) => {
    if (reading.input !== 'code') return [];
    if (markup.openAt !== null) return [{ start: markup.openAt, end: markup.text.length, facts: { open: 'tag' } }];
    return markup.elements.filter((e) => needsEnd.includes(e.name) && e.endTagStart === null).map((e) => ({ start: e.start, end: e.startTagEnd, facts: { open: e.name } }));
  },
};
