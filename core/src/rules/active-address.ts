import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'active-address',
  level: 'error',
  source: "HTML, section 7.4.2.3.2 (javascript: navigation); observed: such frames run in the page's own origin",
  check: ({ reading }) =>
    reading.addresses
      // Blanks and control characters inside the scheme are taken out by the URL standard (section 4.4).
      .filter((a) => /^(?:javascript:|data:text\/html)/i.test(a.url.replace(/[\t\n\r]/g, '').trimStart()))
      .map(({ start, end, use }) => ({ start, end, facts: { use } })),
};
