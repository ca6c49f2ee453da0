import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'several-embeds',
  level: 'note',
  source: 'observed: several codes pasted in one go',
  code: ({ reading, markup }) =>
    reading.embeds.length > 1
      ? { start: 0, end: markup.text.length, facts: { count: reading.embeds.length } }
      : null,
};
