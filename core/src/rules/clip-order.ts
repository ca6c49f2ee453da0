import { clipOf } from '../sheets/read-values.ts';
import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'clip-order',
  level: 'error',
  source: 'Media Fragments URI 1.0, section 4.2.1 (a range whose end is not after its start is empty)',
  addresses: (a, { sheet }) => {
    const { start, end } = clipOf(a, sheet);
    return start !== null && end !== null && end <= start
      ? { start: a.start, end: a.end, facts: { from: start, to: end } }
      : null;
  },
};
