import type { PlacementState } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';

/** Every state that a placement can be in, in the order in which they are told. */
export const knownStates = Object.keys(spoken.states) as PlacementState[];

/** The state that an address of the register asks for. */
export const stateIn = (search: URLSearchParams): PlacementState | undefined =>
  knownStates.find((known) => known === search.get('state'));
