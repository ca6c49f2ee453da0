import { clipOf } from '../sheets/read-values.ts';
import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'clip-beyond',
  level: 'error',
  source:
    'Media Fragments URI 1.0, section 5.2.1 (a start behind the end of the medium shows nothing; an end behind it is the end)',
  addresses: (a, { sheet, length }) => {
    if (length === null) return null;
    const { start, end } = clipOf(a, sheet);
    const beyond =
      start !== null && start >= length
        ? { what: 'start', at: start }
        : end !== null && end > length
          ? { what: 'end', at: end }
          : null;
    return beyond && { start: a.start, end: a.end, facts: { ...beyond, length } };
  },
};
