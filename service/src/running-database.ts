import { existsSync } from 'node:fs';
import { accountUrls } from './database/accounts.ts';
import { openDataFolder } from './database/folder.ts';
import { findSocket } from './database/socket.ts';
import { CannotStart, type Settings } from './settings.ts';

/**
 * The address of the database of an Orbis that is running, for programs on the server's own machine.
 * @throws CannotStart where none runs with these settings.
 */
export function runningDatabase(settings: Settings): string {
  if (settings.ORBIS_DATABASE_URL !== undefined) return settings.ORBIS_DATABASE_URL;
  const folder = openDataFolder(settings.ORBIS_DATA);
  const socket = findSocket(folder);
  if (socket === null || !existsSync(socket))
    throw new CannotStart(
      `No database runs under ${settings.ORBIS_DATA}. Is ORBIS_DATA the one that Orbis runs with? Orbis must be running.`,
    );
  return accountUrls(folder, socket, 'orbis').setUp;
}
