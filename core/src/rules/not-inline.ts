import { mendPresence } from './mends.ts';
import { foundIn, type CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

export const rule: CodeRule = {
  id: 'not-inline',
  level: 'warning',
  source: 'HTML, section 4.8.8 (playsinline); observed: phones open the full screen without it',
  elements: {
    named: ['video'],
    check: (e) =>
      e.attributes.has('autoplay') && !e.attributes.has('playsinline')
        ? foundIn(e, {}, mendPresence(e, 'playsinline', reason('play-in-place')))
        : null,
  },
};
