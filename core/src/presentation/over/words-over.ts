import { contribution, problem, type Option } from '../../options/option.ts';
import { textType } from '../../options/types/text.ts';
import { reason } from '../../reason.ts';
import { escapeText } from '../../text/index.ts';
import { behind } from '../beside/markup.ts';
import { laidStyle } from '../declarations.ts';
import { readableOn } from '../edges/readable.ts';
import { waits } from '../loading/waits.ts';
import { bodyOf, standing } from '../standing.ts';
import { hasPlace, noTarget } from '../target.ts';

export const option: Option<string> = {
  name: 'words-over',
  stage: 'presentation',
  type: textType({ length: 200 }),
  kinds: 'any',
  group: 'over',
  example: 'Open every day until dusk',
  source: 'WCAG 2.2, success criterion 1.4.3 (contrast)',
  isOffered: (_, reading) => hasPlace(reading),
  current: () => null,
  contribute: (code, words, { options }) => {
    if (!bodyOf(code, options)) return noTarget(code);
    const waiting = waits(code, options);
    if (waiting !== null && waiting !== 'near') return problem('words-over-button');
    const colour = readableOn((options['tint'] as string | undefined) ?? '#000000');
    const style = `${laidStyle};display:flex;align-items:center;justify-content:center;text-align:center;padding:1em;box-sizing:border-box;color:${colour};text-shadow:0 0 .5em ${colour === '#ffffff' ? '#000' : '#fff'};font-size:1.5em;pointer-events:none`;
    return contribution([
      behind(code, 'shape', `<div style="${style}">${escapeText(words)}</div>`, reason('words-on-top')),
      ...standing(code, options),
    ]);
  },
};
