/** Keeps, fetches and serves. `startOrbis` starts all of it; `createApp` builds the app without listening. */
export { createApp } from './app.ts';
export type { Deps } from './deps.ts';
export { startOrbis, type Orbis } from './start.ts';
export { version } from './version.ts';
export { CannotStart, readSettings, type Settings } from './settings.ts';
export { openDataFolder } from './database/folder.ts';
export { findChromium } from './browser/find.ts';
export { startPrivateDatabase, type PrivateDatabase } from './database/private.ts';
