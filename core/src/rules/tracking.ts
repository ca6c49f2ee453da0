import { attribute } from '../text/index.ts';
import type { CodeRule } from './rule.ts';

/* Parameters that follow people from page to page and say nothing of what is shown. */
const follows = /^(?:utm_[a-z]+|[a-z]{1,3}clid|click_?id|ref_(?:src|url|id)|tracking(?:_id)?|tracker(?:_id)?|campaign(?:_id)?|affiliate(?:_id)?|visitor_id)$/i;

export const rule: CodeRule = {
  id: 'tracking',
  level: 'note',
  source: 'observed: parameters of campaigns and clicks; pictures of one pixel',
  check: ({ reading, markup }) => [
    ...reading.addresses.flatMap((a) =>
      a.parameters.filter((p) => p.in === 'query' && follows.test(p.name)).map((p) => ({ start: a.start, end: a.end, facts: { what: 'parameter', name: p.name } })),
    ),
    ...markup.elements
      .filter((e) => (e.name === 'img' || e.name === 'iframe') && ['width', 'height'].every((name) => /^[01](?:px)?$/.test(attribute(e, name)?.trim() ?? '')))
      .map((e) => ({ start: e.start, end: e.startTagEnd, facts: { what: 'pixel', name: e.name } })),
  ],
};
