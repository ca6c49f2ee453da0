import { connectDatabase } from './database/connect.ts';
import { parseArgs } from 'node:util';
import { calledAs } from './called-as.ts';
import { runningDatabase } from './running-database.ts';
import { spoken } from '@orbis/contract';
import { actAtServer, recordAct } from './store/act.ts';
import { makeLink } from './store/one-time-links.ts';
import { firstOwner, listPeople, personNamed, withPassword, type Person } from './store/people.ts';
import { deleteFactors } from './store/second-factors.ts';
import type { Handle } from './database/connect.ts';
import { CannotStart, readSettings } from './settings.ts';
import { inTransaction } from './database/transaction.ts';
import { version } from './version.ts';

/**
 * Prints a one-time link by which a new password is set; with `--factor-lost` it takes away the passkeys and
 * codes of whoever lost them as well. Run it on the server's own machine, while Orbis is running.
 */
async function main(): Promise<void> {
  const { values, positionals } = parseArgs({
    options: { 'factor-lost': { type: 'boolean', default: false } },
    allowPositionals: true,
  });
  const settings = readSettings(process.env, process.cwd());
  const connection = await connectDatabase(runningDatabase(settings), { version });
  try {
    const now = new Date();
    const person = await whose(connection.db, positionals[0], now);
    const { secret } = await inTransaction(connection.db, async (tx) => {
      const said = [spoken.people.done.link(person.name)];
      if (values['factor-lost']) {
        await deleteFactors(tx, person.id);
        said.push(spoken.security.done.taken(person.name));
      }
      const act = actAtServer('server.resetPassword', person.name);
      await recordAct(tx, { act, now }, { said: said.join('; ') });
      return makeLink(tx, person.id, 'password', { minutes: 30, now });
    });
    const base = settings.ORBIS_PUBLIC_URL ?? `http://orbis.localhost:${settings.ORBIS_PORT}`;
    process.stdout.write(
      `Set a new password for ${person.name} within 30 minutes here:\n  ${base}/set-password#${secret}\n${values['factor-lost'] ? 'Their passkeys and codes are taken away.\n' : ''}`,
    );
  } finally {
    await connection.close();
  }
}

/* So many names are listed. */
const mostNamed = 100;

/* Whose password is lost: by their name, or the only one who has any. @throws CannotStart */
async function whose(db: Handle, name: string | undefined, now: Date): Promise<Person> {
  if (name === undefined) {
    const [only, ...others] = await withPassword(db, 2);
    if (others.length === 0) return only ?? firstOwner(db, now);
  } else {
    const found = await personNamed(db, name);
    if (found) return found;
  }
  const names = (await listPeople(db, mostNamed, undefined)).map((each) => each.name);
  throw new CannotStart(
    `${name === undefined ? 'Say whose password is lost' : `Nobody is called “${name}”`}: ${calledAs('reset-password')} "NAME". There are ${names.join(', ')}.`,
  );
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof CannotStart ? error.message : String(error)}\n`);
  process.exit(1);
});
