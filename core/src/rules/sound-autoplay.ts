import { attribute } from '../text/index.ts';
import { switchIn } from '../sheets/read-values.ts';
import { ruleOf } from '../sheets/sheet.ts';
import { mendAddress, mendPresence, switchChange } from './mends.ts';
import { foundIn, type CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

const withoutSound = reason('play-without-sound');

export const rule: CodeRule = {
  id: 'sound-autoplay',
  level: 'error',
  source:
    'HTML, section 4.8.11.8 (autoplay may be refused); observed: refused with sound, allowed when muted',
  elements: {
    named: ['video', 'audio'],
    check: (e) =>
      e.attributes.has('autoplay') && !e.attributes.has('muted')
        ? foundIn(
            e,
            { element: e.name, value: attribute(e, 'autoplay') },
            e.name === 'video' ? mendPresence(e, 'muted', withoutSound) : [],
          )
        : null,
  },
  addresses: (a, { sheet, markup }) =>
    sheet !== null &&
    a.use === 'frame' &&
    switchIn(a, sheet, 'autoplay') === true &&
    switchIn(a, sheet, 'muted') !== true
      ? {
          start: a.start,
          end: a.end,
          facts: { element: 'iframe', value: null },
          mend: mendAddress(markup, a, switchChange(ruleOf<'switch'>(sheet, 'muted'), true), withoutSound),
        }
      : null,
};
