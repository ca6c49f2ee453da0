import { attribute, innerText } from '../text/index.ts';
import { foundIn, type CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'no-fallback',
  level: 'note',
  source: 'HTML, sections 4.8.7, 4.8.8 and 4.8.9 (content for user agents that do not show the element)',
  elements: {
    named: ['video', 'audio', 'object', 'embed'],
    check: (e, { markup }) => {
      // An embed element has no room for any (HTML, section 4.8.6), and phones show no document in it.
      if (e.name === 'embed')
        return /pdf/i.test(`${attribute(e, 'type') ?? ''} ${attribute(e, 'src') ?? ''}`)
          ? foundIn(e, { element: e.name })
          : null;
      if (e.endTagStart === null) return null;
      const rest = innerText(markup.text, e).replace(
        /<(?:source|track|param)\b[^<>]*>|<\/(?:source|track|param)>|<!--/gi,
        '',
      );
      return rest.trim() === '' ? foundIn(e, { element: e.name }) : null;
    },
  },
};
