import { globalRules } from '../reading/claims.ts';
import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'global-style',
  level: 'warning',
  source: 'Selectors 4 (a rule holds for every element of the document that its selector matches)',
  code: ({ markup, inner }) => {
    if (inner.styles.length === 0) return null;
    const reaching = globalRules(markup, inner.styles).map((rule) => rule.selector);
    const first = markup.elements.find((e) => e.name === 'style');
    return reaching.length > 0 && first
      ? {
          start: first.start,
          end: first.end,
          facts: { selectors: [...new Set(reaching)].slice(0, 8).join(', '), count: reaching.length },
        }
      : null;
  },
};
