/** Every state that a placement can be in, with what it means for its owner. */
export const placementStates = {
  'planned': 'It has never been seen on its page yet.',
  'live': 'It is on its page, as Orbis would hand it out today.',
  'altered': 'It is on its page, but not as Orbis handed it out.',
  'out-of-date': 'It is on its page, but in an earlier form than Orbis would hand out today.',
  'missing': 'It was on its page, and is not any more.',
  'unreachable': 'Its page could not be read, which says nothing about it.',
} as const;

export type PlacementState = keyof typeof placementStates;

/** The state as people write it: “out of date”. */
export const sayState = (state: PlacementState): string => state.replaceAll('-', ' ');

/** Where a provider's sheet comes from. */
export const sheetOriginWords = { 'built-in': 'built in', 'own': 'your own', 'override': 'your own, before the built-in one' } as const;
