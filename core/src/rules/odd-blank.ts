import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'odd-blank',
  level: 'error',
  source: 'HTML, section 13.2.5.8 (only tab, line feed, form feed and space end a tag’s name)',
  code: ({ reading: { mending } }) =>
    mending?.what === 'odd-blanks'
      ? {
          start: mending.edits[0]!.start,
          end: mending.edits.at(-1)!.end,
          facts: { count: mending.edits.length },
          mend: mending.edits,
        }
      : null,
};
