import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'curly-quotes',
  level: 'error',
  source: 'HTML, section 13.1.2.3 (only U+0022 and U+0027 are quotes)',
  code: ({ reading: { mending } }) =>
    mending?.what === 'curly-quotes'
      ? {
          start: mending.edits[0]!.start,
          end: mending.edits.at(-1)!.end,
          facts: { count: mending.edits.length },
          mend: mending.edits,
        }
      : null,
};
