import type { Code } from '../../code.ts';
import { contribution, problem, type Option } from '../../options/option.ts';
import { switchType } from '../../options/types/switch.ts';
import type { Options } from '../../options/values.ts';
import { reason } from '../../reason.ts';
import { escapeText } from '../../text/index.ts';
import { pastedIn } from '../../visitors/words.ts';
import { onPaper } from '../on-paper.ts';
import { bodyOf, placeOf, standing } from '../standing.ts';
import { waits } from '../loading/waits.ts';
import { frameOf, hasPlace, noTarget } from '../target.ts';
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
      ...(isPrinted(code, options)
        ? []
        : onPaper(bodyOf(code, options)!, [['display', 'none', reason('link-instead')]])),
      ...standing(code, options),
    ]);
  },
};

/* Whether it is something to look at on paper: a frame or a player may be empty there. */
const isPrinted = (code: Code, options: Options): boolean =>
  options['still'] !== undefined ||
  waits(code, options) !== null ||
  !frameOf(code) ||
  frameOf(code)?.name === 'img';
