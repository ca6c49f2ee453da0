/**
 * What is inside the embed: each setting has one meaning for all providers, and their sheets say where it
 * goes. One file a setting.
 */
export { settings } from './all.ts';
export { handName, longestByHand, parameterOf } from './by-hand.ts';
export { ownOptions, withBareNames } from './of-sheet.ts';
export { permissionsOf, shownElement } from './targets.ts';
