import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'curly-quotes',
  level: 'error',
  source: 'HTML, section 13.1.2.3 (only U+0022 and U+0027 are quotes)',
  check: ({ reading }) =>
    reading.mending?.what === 'curly-quotes'
      ? [{ start: reading.mending.edits[0]!.start, end: reading.mending.edits.at(-1)!.end, facts: { count: reading.mending.edits.length } }]
      : [],
};
