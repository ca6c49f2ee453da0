import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'not-inline',
  level: 'warning',
  source: 'HTML, section 4.8.8 (playsinline); observed: phones open the full screen without it',
  check: ({ markup }) =>
    markup.elements
      .filter((e) => e.name === 'video' && e.attributes.has('autoplay') && !e.attributes.has('playsinline'))
      .map((e) => ({ start: e.start, end: e.startTagEnd, facts: {} })),
};
