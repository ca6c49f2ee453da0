/** In go a code and wishes; out come edits with reasons, or what stands against the wishes. One file a setting. */
export { settingNamed, settingNames, settings } from './all.ts';
export { adjust, type Adjustment } from './adjust.ts';
export { frameSettings } from './frame.ts';
export { handName } from './hand.ts';
export type { Coordinates, Parsed, SettingDefinition, SettingName, Settings } from './setting.ts';
export { parseTime, readTime, sayTime, writeTime } from './time.ts';
export { parseSwitch } from './switch.ts';
export { parseColour, parseCoordinates, sayCoordinates } from './values.ts';
export { clipIn, switchIn } from './stored.ts';
export { permissionsOf, shownElement } from './holders.ts';
