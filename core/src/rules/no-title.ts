import { attribute, type MarkupElement } from '../text/index.ts';
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

/* Nobody is told of what nobody sees. */
const isUnseen = (frame: MarkupElement): boolean =>
  frame.attributes.has('hidden') ||
  attribute(frame, 'aria-hidden') === 'true' ||
  ['width', 'height'].some((side) => /^\s*[01](?:px)?\s*$/.test(attribute(frame, side) ?? '')) ||
  /(?:^|[;\s])(?:display\s?:\s?none|visibility\s?:\s?hidden|(?:width|height)\s?:\s?[01](?:px)?\s*(?:;|$))/i.test(
    attribute(frame, 'style') ?? '',
  );
