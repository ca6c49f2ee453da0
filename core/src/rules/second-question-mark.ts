import { parseAddress } from '../text/index.ts';
import type { Mend } from '../reading/reading.ts';
import type { CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

/* A number, and right behind it the name of the next parameter: `start=158end=184`. */
const runsOn = /^\d{1,9}[a-z][a-z_-]{2,30}=[\w.:-]{1,40}$/;

export const rule: CodeRule = {
  id: 'second-question-mark',
  level: 'error',
  source: 'URL, section 4.1 (only the first “?” begins the query; what follows is parted by “&”)',
  addresses: (a, { markup }) => {
    if (!a.url.includes('?')) return null;
    const found = a.parameters.filter(
      // `a=1?b=2`, but neither an address inside a parameter nor an opaque value: a word, `=`, and nothing of
      // an address before it.
      (p) =>
        p.in === 'query' &&
        p.value?.includes('?') === true &&
        !/^(?:https?:)?\/\/|^\/|%2f|:\/\//i.test(p.value) &&
        /^[\w.,:%+-]{0,200}\?[a-z][\w-]{0,40}(?:=|$)/i.test(p.value),
    );
    const joined = a.parameters.filter((p) => p.in === 'query' && runsOn.test(p.value ?? ''));
    return [...found, ...joined].map((p) => ({
      start: a.start,
      end: a.end,
      facts: { parameter: p.name, value: p.value },
      mend: found.includes(p) ? joinedAt(markup.text.slice(a.start, a.end), a.start, p.name) : [],
    }));
  },
};

function joinedAt(raw: string, start: number, name: string): Mend[] {
  const { parameters, joint } = parseAddress(raw);
  const found = parameters.find((p) => p.in === 'query' && p.name === name);
  const at = found ? raw.indexOf('?', found.valueStart) : -1;
  return at < 0
    ? []
    : [{ start: start + at, end: start + at + 1, text: joint, reason: reason('join-parameters') }];
}
