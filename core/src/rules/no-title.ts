import { isUnseen } from '../reading/unseen.ts';
import { attribute } from '../text/index.ts';
import { foundIn, type CodeRule } from './rule.ts';

const names = ['title', 'aria-label', 'aria-labelledby'];

export const rule: CodeRule = {
  id: 'no-title',
  level: 'warning',
  source: 'WCAG 2.2, success criterion 4.1.2; technique H64',
  elements: {
    named: ['iframe'],
    check: (e) => {
      if (names.some((name) => attribute(e, name)?.trim())) return null;
      return isUnseen(e) ? null : foundIn(e, { element: e.name });
    },
  },
};
