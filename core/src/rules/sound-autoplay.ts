import { attribute } from '../text/index.ts';
import { switchIn } from '../settings/stored.ts';
import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'sound-autoplay',
  level: 'error',
  source: 'HTML, section 4.8.11.8 (autoplay may be refused); observed: refused with sound, allowed when muted',
  check: ({ reading, markup, sheet }) => [
    ...markup.elements
      .filter((e) => (e.name === 'video' || e.name === 'audio') && e.attributes.has('autoplay') && !e.attributes.has('muted'))
      .map((e) => ({ start: e.start, end: e.startTagEnd, facts: { element: e.name, value: attribute(e, 'autoplay') } })),
    ...reading.addresses
      .filter((a) => sheet !== null && a.use === 'frame' && switchIn(a, sheet, 'autoplay') === true && switchIn(a, sheet, 'muted') !== true)
      .map((a) => ({ start: a.start, end: a.end, facts: { element: 'iframe', value: null } })),
  ],
};
