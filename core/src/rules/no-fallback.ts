import { innerText } from '../text/index.ts';
import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'no-fallback',
  level: 'note',
  source: 'HTML, sections 4.8.7, 4.8.8 and 4.8.9 (content for user agents that do not show the element)',
  check: ({ markup }) =>
    markup.elements
      .filter((e) => ['video', 'audio', 'object'].includes(e.name) && e.endTagStart !== null)
      .filter(
        (e) =>
          innerText(markup.text, e)
            .replace(/<(?:source|track|param)\b[^<>]*>|<\/(?:source|track|param)>|<!--/gi, '')
            .trim() === '',
      )
      .map((e) => ({ start: e.start, end: e.startTagEnd, facts: { element: e.name } })),
};
