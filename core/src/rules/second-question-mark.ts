import { parseAddress } from '../text/index.ts';
import type { Mend, ReadAddress } from '../reading/reading.ts';
import type { CodeRule, Found } from './rule.ts';
import { reason } from '../reason.ts';

/* A number, and right behind it the name of the next parameter: `start=158end=184`. */
const runsOn = /^(?:\d{1,9}|true|false)[a-z][a-z_-]{2,30}=[\w.:-]{1,40}$/;
/* A path with parameters, and no question mark before them: `/e&start=30`. */
const unbegun = /^(?:https?:)?\/\/[^?#]{1,400}\/[^?#/&=]{0,200}&[a-z][\w-]{0,40}=/i;

export const rule: CodeRule = {
  id: 'second-question-mark',
  level: 'error',
  source: 'URL, section 4.1 (only the first “?” begins the query; what follows is parted by “&”)',
  addresses: (a, { markup }) => {
    if (!a.url.includes('?'))
      return a.url.includes('&') && unbegun.test(a.url)
        ? neverBegun(markup.text.slice(a.start, a.end), a)
        : null;
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

function neverBegun(raw: string, { start, end, url }: ReadAddress): Found {
  const joint = /&(?:amp;)?/.exec(raw);
  const from = start + (joint?.index ?? 0);
  const mend = joint
    ? [{ start: from, end: from + joint[0].length, text: '?', reason: reason('begin-parameters') }]
    : [];
  return { start, end, facts: { parameter: '', value: url }, mend };
}

function joinedAt(raw: string, start: number, name: string): Mend[] {
  const { parameters, joint } = parseAddress(raw);
  const found = parameters.find((p) => p.in === 'query' && p.name === name);
  const at = found ? raw.indexOf('?', found.valueStart) : -1;
  return at < 0
    ? []
    : [{ start: start + at, end: start + at + 1, text: joint, reason: reason('join-parameters') }];
}
