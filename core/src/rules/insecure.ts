import { replace } from './mends.ts';
import type { CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

export const rule: CodeRule = {
  id: 'insecure',
  level: 'error',
  source:
    'Mixed Content, sections 3 and 4; Secure Contexts, section 3.1 (loopback and *.localhost are trusted)',
  addresses: ({ start, end, url, use }, { markup: { text } }) => {
    if (use === 'link' || !/^http:/i.test(url) || !URL.canParse(url) || trusted(new URL(url).hostname))
      return null;
    const raw = text.slice(start, end);
    const mend = replace(text, start, end, raw.replace(/^(\s*)http:/i, '$1https:'), reason('use-https'));
    return { start, end, facts: { url, use }, mend };
  },
};

const trusted = (host: string): boolean =>
  host === 'localhost' || host.endsWith('.localhost') || host === '[::1]' || /^127\./.test(host);
