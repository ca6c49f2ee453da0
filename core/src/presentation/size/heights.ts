import { contribution, problem, type Option } from '../../options/option.ts';
import { ourBox, ourRoom } from '../../options/change.ts';
import { heightsType, parseHeights } from '../../options/types/heights.ts';
import type { Options } from '../../options/values.ts';
import { reason } from '../../reason.ts';
import { before } from '../beside/markup.ts';
import { declare } from '../declarations.ts';
import { bodyOf, standing } from '../standing.ts';
import { shownAlone } from '../alone.ts';
import { hasPlace, noTarget } from '../target.ts';
import { roomFor } from './room.ts';

/** Both lie in the one cell of a grid, which is as high as the higher of them. */
const inCell = 'grid-area:1/1';

export const option: Option<string> = {
  name: 'heights',
  stage: 'presentation',
  type: heightsType,
  kinds: 'any',
  group: 'loading',
  example: '320:872, 800:392',
  source:
    'CSS 2.2, section 8.4 (padding in per cent); CSS Grid Layout 2, section 11 (rows as high as needed)',
  isOffered: (_, reading) => hasPlace(reading),
  current: () => null,
  contribute: (code, value, { options }) => {
    const heights = parseHeights(value);
    if (!bodyOf(code, options) || !heights) return noTarget(code);
    const other = otherHeight(options);
    if (other) return problem('height-said-twice', { other });
    const room = roomFor(heights.at, shownAlone(code) !== null);
    const why = reason('room-as-measured', { widths: heights.at.length, measured: heights.measured });
    return contribution([
      ...declare(
        { element: ourRoom },
        [
          ['display', 'grid', reason('one-cell')],
          ['grid-template-columns', 'minmax(0,1fr)', reason('one-cell')],
        ],
        [],
      ),
      before(
        'room',
        `<span aria-hidden="true" style="display:block;${inCell};padding-bottom:${room}"></span>`,
        why,
      ),
      ...declare({ element: ourBox }, [['grid-area', '1/1', reason('in-the-cell')]], []),
      ...standing(code, options),
    ]);
  },
};

/* What says by itself how high it is. */
const otherHeight = (options: Options): string | undefined =>
  ['fit', 'height', 'band', 'crop-width', 'crop-height'].find(
    (name) => options[name] !== undefined && options[name] !== 'content',
  );
