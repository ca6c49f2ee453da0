import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'link-time',
  level: 'warning',
  source: 'observed: a player obeys its own parameters only; the sheet names the one that its links use',
  check: ({ reading, sheet }) =>
    reading.addresses
      .filter((a) => a.use === 'frame')
      .flatMap((a) =>
        a.parameters
          .filter((p) => sheet?.linkTime && p.in === sheet.linkTime.in && p.name === sheet.linkTime.name)
          .map((p) => ({ start: a.start, end: a.end, facts: { parameter: p.name, value: p.value } })),
      ),
};
