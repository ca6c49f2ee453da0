import { attribute } from '../text/index.ts';
import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'blocks-page',
  level: 'warning',
  source: 'HTML, section 4.12.1 (a classic script without async or defer holds up the parser)',
  check: ({ markup }) =>
    markup.elements
      .filter(
        (e) =>
          e.name === 'script' && attribute(e, 'src') !== null && !['async', 'defer'].some((name) => e.attributes.has(name)) && attribute(e, 'type')?.toLowerCase() !== 'module',
      )
      .map((e) => ({ start: e.start, end: e.startTagEnd, facts: { url: attribute(e, 'src') } })),
};
