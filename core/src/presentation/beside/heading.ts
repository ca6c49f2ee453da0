import { textType } from '../../options/types/text.ts';
import { reason } from '../../reason.ts';
import { escapeText } from '../../text/index.ts';
import { adding } from '../adding.ts';
import { carrier } from './carrier.ts';
import { before } from './markup.ts';

export const option = adding<string>({
  name: 'heading',
  type: textType({ length: 200 }),
  group: 'beside',
  example: 'Night on the moor',
  source: 'HTML, section 4.3.6 (h1 to h6)',
  bring: (code, text, { options }) => {
    const level = (options['heading-level'] as number | undefined) ?? 2;
    const where = options['heading-align'] as string | undefined;
    const style = `margin:0 0 .5em${where === undefined ? '' : `;text-align:${sides[where]}`}`;
    return [
      before(
        'carrier',
        `<h${level} style="${style}">${escapeText(text)}</h${level}>`,
        reason('heading-above', { level }),
      ),
      ...carrier(code, options),
    ];
  },
});

/* By the direction of the page’s language (CSS Text 3, section 6.1). */
const sides: Readonly<Record<string, string>> = { beginning: 'start', centre: 'center', end: 'end' };
