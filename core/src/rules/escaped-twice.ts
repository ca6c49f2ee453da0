import type { CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

/* `&amp;amp;`: once decoded it is `&amp;`, and the next name begins with “amp;”. */
const twice = /&amp;(?:amp;)+/gi;

export const rule: CodeRule = {
  id: 'escaped-twice',
  level: 'warning',
  source: 'HTML, section 13.1.4 (a character reference is decoded once)',
  addresses: ({ start, end, parameters }, { markup: { text } }) => {
    if (!parameters.some(({ name }) => name.startsWith('amp;'))) return null;
    const mend = [...text.slice(start, end).matchAll(twice)].map(({ 0: found, index }) => ({
      start: start + index,
      end: start + index + found.length,
      text: '&amp;',
      reason: reason('escape-once'),
    }));
    const names = parameters.filter(({ name }) => name.startsWith('amp;')).map(({ name }) => name.slice(4));
    return { start, end, facts: { names: names.join(', ') }, mend };
  },
};
