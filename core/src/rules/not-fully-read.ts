import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'not-fully-read',
  level: 'note',
  source: 'observed: parsers’ cost on long and broken texts',
  check: ({ inner }) => inner.notWhole.map((e) => ({ start: e.start, end: e.startTagEnd, facts: { element: e.name } })),
};
