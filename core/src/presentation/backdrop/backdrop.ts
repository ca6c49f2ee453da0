import { ourBackdrop } from '../../options/change.ts';
import { colourType } from '../../options/types/colour.ts';
import { reason } from '../../reason.ts';
import { adding } from '../adding.ts';
import { declare, type Declared } from '../declarations.ts';
import { readableOn } from '../edges/readable.ts';

/* The space between the content and the edge of its panel, in px. */
const usualPadding = 24;

export const option = adding<string>({
  name: 'backdrop',
  type: colourType,
  group: 'beside',
  example: '#f4efe6',
  source:
    'CSS Display 3, section 2.1 (flow-root); CSS Masking 1, section 5.1; observed: a shadow paints beyond the page’s column and makes nothing to scroll',
  bring: (_, colour, { options }) => {
    const padding = (options['backdrop-padding'] as number | undefined) ?? usualPadding;
    const text = readableOn(colour);
    const wide: Declared[] =
      options['space-beside'] === undefined ? [['width', '100%', reason('fills-its-place')]] : [];
    const reach: Declared[] =
      options['backdrop-reach'] === 'page'
        ? [
            ['box-shadow', `0 0 0 100vmax ${colour}`, reason('reaches-page-edges')],
            ['clip-path', 'inset(0 -100vmax)', reason('reaches-page-edges')],
          ]
        : [];
    return declare(
      { element: ourBackdrop },
      [
        ['display', 'flow-root', reason('panel-as-high')],
        ...wide,
        ['box-sizing', 'border-box', reason('padding-within-width')],
        ['padding', `${padding}px`, reason('padding-around', { padding })],
        ['background', colour, reason('panel-colour', { colour })],
        ['color', text, reason('readable-on', { colour })],
        ...reach,
      ],
      [],
    );
  },
});
