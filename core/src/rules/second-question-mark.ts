import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'second-question-mark',
  level: 'error',
  source: 'URL, section 4.1 (only the first “?” begins the query; what follows is parted by “&”)',
  check: ({ reading }) =>
    reading.addresses.flatMap((a) =>
      a.parameters
        // `a=1?b=2`, but neither an address inside a parameter nor an opaque value: a word, `=`, and nothing of an address before it.
        .filter((p) => p.in === 'query' && p.value !== null && !/^(?:https?:)?\/\/|^\/|%2f|:\/\//i.test(p.value) && /^[\w.,:%+-]{0,200}\?[a-z][\w-]{0,40}(?:=|$)/i.test(p.value))
        .map((p) => ({ start: a.start, end: a.end, facts: { parameter: p.name, value: p.value } })),
    ),
};
