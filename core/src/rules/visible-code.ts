import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'visible-code',
  level: 'error',
  source: 'HTML, section 13.1.4 (character references are text, never markup)',
  code: ({ reading, markup }) =>
    reading.input === 'visible-code'
      ? { start: 0, end: markup.text.length, facts: {}, mend: reading.mending?.edits ?? [] }
      : null,
};
