import { formatState, type PlacementState } from '@orbis/contract';
import type { Colours } from '../text.ts';

/** The state of a placement in its colour. */
export function colourState(state: PlacementState, colours: Colours): string {
  const colour = {
    'planned': colours.dim,
    'live': colours.green,
    'altered': colours.yellow,
    'out-of-date': colours.yellow,
    'missing': colours.red,
    'unreachable': colours.red,
    'paused': colours.dim,
  }[state];
  return colour(formatState(state));
}
