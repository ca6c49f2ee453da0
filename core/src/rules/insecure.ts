import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'insecure',
  level: 'error',
  source: 'Mixed Content, sections 3 and 4; Secure Contexts, section 3.1 (loopback and *.localhost are trusted)',
  check: ({ reading }) =>
    reading.addresses
      .filter((a) => a.use !== 'link' && /^http:/i.test(a.url) && URL.canParse(a.url) && !trusted(new URL(a.url).hostname))
      .map(({ start, end, url, use }) => ({ start, end, facts: { url, use } })),
};

const trusted = (host: string): boolean => host === 'localhost' || host.endsWith('.localhost') || host === '[::1]' || /^127\./.test(host);
