import { connectDatabase } from './database/connect.ts';
import { existsSync } from 'node:fs';
import { accountUrls } from './database/accounts.ts';
import { openDataFolder } from './database/folder.ts';
import { findSocket } from './database/socket.ts';
import { makeLink, owner } from './store/people.ts';
import { CannotStart, readSettings } from './settings.ts';
import { inTransaction } from './database/transaction.ts';

/**
 * Prints a one-time link by which a new password is set. Run it on the server's own
 * machine, while Orbis is running.
 */
async function main(): Promise<void> {
  const settings = readSettings(process.env, process.cwd());
  let url = settings.ORBIS_DATABASE_URL;
  if (url === undefined) {
    const folder = openDataFolder(settings.ORBIS_DATA);
    const socket = findSocket(folder);
    if (socket === null || !existsSync(socket))
      throw new CannotStart(
        `No database runs under ${settings.ORBIS_DATA}. Is ORBIS_DATA the one that Orbis runs with?`,
      );
    url = accountUrls(folder, socket, 'orbis').setUp;
  }
  const connection = await connectDatabase(url);
  try {
    const now = new Date();
    const person = await owner(connection.db, now);
    const secret = await inTransaction(connection.db, (tx) => makeLink(tx, person.id, 'password', 30, now));
    const base = settings.ORBIS_PUBLIC_URL ?? `http://orbis.localhost:${settings.ORBIS_PORT}`;
    process.stdout.write(`Set a new password within 30 minutes here:\n  ${base}/set-password#${secret}\n`);
  } finally {
    await connection.close();
  }
}

main().catch((error: unknown) => {
  process.stderr.write(
    `${error instanceof CannotStart ? `${error.message} Orbis must be running.` : String(error)}\n`,
  );
  process.exit(1);
});
