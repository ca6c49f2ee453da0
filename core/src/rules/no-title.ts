import { attribute } from '../text/index.ts';
import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'no-title',
  level: 'warning',
  source: 'WCAG 2.2, success criterion 4.1.2; technique H64',
  check: ({ markup }) =>
    markup.elements
      .filter((e) => e.name === 'iframe' && !hidden(e.attributes.has('hidden'), attribute(e, 'aria-hidden')))
      .filter((e) => !['title', 'aria-label', 'aria-labelledby'].some((name) => attribute(e, name)?.trim()))
      .map((e) => ({ start: e.start, end: e.startTagEnd, facts: { element: e.name } })),
};

const hidden = (attributeSet: boolean, aria: string | null): boolean => attributeSet || aria === 'true';
