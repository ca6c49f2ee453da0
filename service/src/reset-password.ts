import { connectDatabase } from './database/connect.ts';
import { keptSecret, openDataFolder } from './database/folder.ts';
import { pidIn } from './database/lock.ts';
import { join } from 'node:path';
import { makeLink, owner } from './store/people.ts';
import { CannotStart, readSettings } from './settings.ts';

/** Prints a one-time link by which a new password is set. Run it on the server's own machine, while Orbis is running. */
async function main(): Promise<void> {
  const settings = readSettings(process.env, process.cwd());
  let url = settings.ORBIS_DATABASE_URL;
  if (url === undefined) {
    const folder = openDataFolder(settings.ORBIS_DATA);
    const port = pidIn(join(folder.database, 'port'));
    if (port === null) throw new CannotStart(`There is no database under ${settings.ORBIS_DATA}. Is ORBIS_DATA the one that Orbis runs with?`);
    url = `mysql://orbis:${encodeURIComponent(keptSecret(folder, 'database'))}@127.0.0.1:${port}/orbis`;
  }
  const connection = await connectDatabase(url);
  try {
    const now = new Date();
    const person = await owner(connection.db, now);
    const secret = await connection.db.transaction((tx) => makeLink(tx, person.id, 'password', 30, now));
    const base = settings.ORBIS_PUBLIC_URL ?? `http://localhost:${settings.ORBIS_PORT}`;
    process.stdout.write(`Set a new password within 30 minutes here:\n  ${base}/set-password#${secret}\n`);
  } finally {
    await connection.close();
  }
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof CannotStart ? `${error.message} Orbis must be running.` : String(error)}\n`);
  process.exit(1);
});
