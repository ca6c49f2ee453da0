import { foundIn, type CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'not-fully-read',
  level: 'note',
  source: 'observed: parsers’ cost on long and broken texts',
  code: ({ inner }) =>
    inner.notWhole.length === 0 ? null : inner.notWhole.map((e) => foundIn(e, { element: e.name })),
};
