import { contribution, problem, type Option } from '../../options/option.ts';
import { switchType } from '../../options/types/switch.ts';
import { reason } from '../../reason.ts';
import { escapeText } from '../../text/index.ts';
import { pastedIn } from '../../visitors/words.ts';
import { placeOf, standing } from '../standing.ts';
import { hasPlace, noTarget } from '../target.ts';
import { carrier } from './carrier.ts';
import { contentOf } from './content.ts';
import { link } from './link.ts';
import { behind } from './markup.ts';

export const option: Option<boolean> = {
  name: 'fallback',
  stage: 'presentation',
  type: switchType,
  kinds: 'any',
  group: 'beside',
  example: 'on',
  source: 'observed: a frame that refuses to be shown tells its page nothing',
  isOffered: (_, reading) => hasPlace(reading),
  current: () => null,
  contribute: (code, isWanted, { options, page }) => {
    if (!placeOf(code, options)) return noTarget(code);
    if (!isWanted) return contribution([]);
    const content = contentOf(code);
    if (!content) return problem('content-unknown');
    const { instead, open } = pastedIn(page.language);
    return contribution([
      behind(
        code,
        'carrier',
        `<p style="margin:.5em 0 0;font-size:.875em">${escapeText(instead)} ${link(content.address, open(content.provider), options)}</p>`,
        reason('link-to-content', { to: content.address }),
      ),
      ...carrier(code, options),
      ...standing(code, options),
    ]);
  },
};
