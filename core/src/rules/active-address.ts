import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'active-address',
  level: 'error',
  source:
    "HTML, section 7.4.2.3.2 (javascript: navigation); observed: such frames run in the page's own origin",
  addresses: ({ url, start, end, use }) => {
    if (/^(?:https?:)?\/\//.test(url)) return null;
    // Blanks and control characters inside the scheme are taken out by the URL standard (section 4.4).
    return /^(?:javascript:|data:text\/html)/i.test(url.replace(/[\t\n\r]/g, '').trimStart())
      ? { start, end, facts: { use } }
      : null;
  },
};
