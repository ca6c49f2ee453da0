import { textType } from '../../options/types/text.ts';
import { reason } from '../../reason.ts';
import { escapeText } from '../../text/index.ts';
import { adding } from '../adding.ts';
import { carrier } from './carrier.ts';
import { behind } from './markup.ts';

export const option = adding<string>({
  name: 'caption',
  type: textType({ length: 500 }),
  group: 'beside',
  example: 'Filmed from the Hollinfell ridge',
  source: 'HTML, sections 4.4.12 and 4.4.13 (figure, figcaption)',
  bring: (code, text, { options }) => [
    behind(
      code,
      'carrier',
      `<figcaption style="margin-top:.5em;font-size:.875em">${escapeText(text)}</figcaption>`,
      reason('caption-below'),
    ),
    ...carrier(code, options),
  ],
});
