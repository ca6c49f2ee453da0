import { attribute } from '../text/index.ts';
import type { CodeRule } from './rule.ts';

const ends = new Set(['eof-in-tag', 'eof-in-comment', 'eof-in-script-html-comment-like-text', 'eof-before-tag-name']);

export const rule: CodeRule = {
  id: 'cut-off',
  level: 'error',
  source: 'HTML, section 13.2.2 (parse errors eof-in-tag, eof-in-comment) and 13.1.2.4 (end tags that may not be left out)',
  check: ({ reading, markup }) => {
    if (reading.input !== 'code' && !markup.errors.some((e) => ends.has(e.code))) return [];
    const last = markup.text.length;
    const tag = markup.errors.find((e) => ends.has(e.code));
    if (tag) return [{ start: Math.max(0, markup.text.lastIndexOf('<')), end: last, facts: { open: 'tag' } }];
    const needsEnd = ['iframe', 'form', 'video', 'audio', 'script', 'style', 'object'];
    return markup.elements
      .filter((e) => needsEnd.includes(e.name) && e.endTagStart === null && attribute(e, 'is') === null)
      .map((e) => ({ start: e.start, end: e.startTagEnd, facts: { open: e.name } }));
  },
};
