import { existsSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { formatBytes, spoken } from '@orbis/contract';
import { calledAs } from './called-as.ts';
import { newIdentity } from './copies/age.ts';
import { CannotCopy } from './copies/cannot-copy.ts';
import { makeCopy, type MadeCopy } from './copies/make-copy.ts';
import { rowsIn } from './copies/manifest.ts';
import { recipientsIn } from './copies/plan.ts';
import { rehearse } from './copies/rehearse.ts';
import { readCopy } from './copies/unpack.ts';
import { connectDatabase } from './database/connect.ts';
import { runningDatabase } from './running-database.ts';
import { CannotStart, readSettings, type Settings } from './settings.ts';
import { inTransaction } from './database/transaction.ts';
import { actAtServer, recordAct } from './store/act.ts';
import { insertMadeCopy, lastChangeId } from './store/copies.ts';
import { version } from './version.ts';

const help = `${calledAs('backup')} --to FOLDER [--recipient age1…]… [--no-read-back] [--json]
${calledAs('backup')} --new-key FILE

Makes a safety copy of an Orbis that is running, on its own machine: one file with its register, its pictures
and its keys. It is then put into a database on the side and held against what was copied; --no-read-back only
reads it through. With --recipient it is encrypted for whoever has the private half of that age key; --new-key
makes such a key. The settings of Orbis say which one is meant (ORBIS_DATA, ORBIS_DATABASE_URL).
`;

/** Makes a safety copy, or a key for them. */
async function main(): Promise<number> {
  const { values } = parseArgs({
    options: {
      'to': { type: 'string' },
      'recipient': { type: 'string', multiple: true, default: [] },
      'no-read-back': { type: 'boolean', default: false },
      'new-key': { type: 'string' },
      'json': { type: 'boolean', default: false },
      'help': { type: 'boolean', default: false },
    },
  });
  if (values['new-key'] !== undefined) return makeKey(resolve(values['new-key']));
  const settings = readSettings(process.env, process.cwd());
  const to = values.to ?? settings.ORBIS_COPIES_TO;
  if (values.help || to === undefined) {
    process.stdout.write(help);
    return values.help ? 0 : 2;
  }
  const recipients = [...recipientsIn(settings.ORBIS_COPIES_RECIPIENTS), ...values.recipient];
  const made = await backUp(settings, { to: resolve(to), recipients, reads: !values['no-read-back'] });
  process.stdout.write(values.json ? `${JSON.stringify(inJson(made))}\n` : inWords(made));
  return 0;
}

async function backUp(
  settings: Settings,
  { to, recipients, reads }: { to: string; recipients: string[]; reads: boolean },
): Promise<MadeCopy & { isReadBack: boolean }> {
  const url = runningDatabase(settings);
  const root = settings.ORBIS_DATA;
  const connection = await connectDatabase(url, { version });
  try {
    const { db } = connection;
    const lastChange = await lastChangeId(db);
    const made = await makeCopy({ to, url, root, recipients, version, lastChange, at: new Date() });
    const { path, identities, manifest, name, bytes } = made;
    if (reads) await rehearse(path, identities, join(root, 'cache', `read-back-${process.pid}`));
    else await readCopy(path, identities);
    const values = {
      ...{ folder: to, name, bytes, encrypted: recipients.length > 0 },
      ...{ rows: rowsIn(manifest.tables), files: manifest.files.length },
      madeAt: new Date(manifest.madeAt),
      readBackAt: reads ? new Date() : null,
    };
    await inTransaction(db, async (tx) => {
      const now = new Date();
      await insertMadeCopy(tx, values, now);
      await recordAct(
        tx,
        { act: actAtServer('server.backup', path), now },
        { said: spoken.audit.copied(name) },
      );
    });
    return { ...made, isReadBack: reads };
  } finally {
    await connection.close();
  }
}

const inJson = ({ path, bytes, manifest, isReadBack }: MadeCopy & { isReadBack: boolean }) => ({
  ...{ path, bytes, madeAt: manifest.madeAt, rows: rowsIn(manifest.tables) },
  files: manifest.files.length,
  isReadBack,
});

const inWords = ({ path, bytes, manifest, isReadBack }: MadeCopy & { isReadBack: boolean }): string =>
  `${path}
${rowsIn(manifest.tables)} rows in ${Object.keys(manifest.tables).length} tables and ${manifest.files.length} files, ${formatBytes(bytes)}.
${isReadBack ? 'It was read back from a database on the side, and every row is as it was.' : 'It was read through and is whole; it was not put into a database.'}
`;

async function makeKey(path: string): Promise<number> {
  if (existsSync(path)) throw new CannotCopy(`There is a file ${path} already.`);
  const { identity, recipient } = await newIdentity();
  writeFileSync(path, `# for the copies of Orbis; its public half is ${recipient}\n${identity}\n`, {
    mode: 0o600,
    flag: 'wx',
  });
  process.stdout.write(
    `${recipient}\n\nThe private half is in ${path}. Keep it elsewhere than on this machine: without it nobody reads what is encrypted for it.\n`,
  );
  return 0;
}

main().then(
  (status) => process.exit(status),
  (error: unknown) => {
    const isKnown = error instanceof CannotStart || error instanceof CannotCopy || error instanceof TypeError;
    process.stderr.write(`${isKnown ? error.message : String((error as Error).stack ?? error)}\n`);
    process.exit(error instanceof TypeError ? 2 : 1);
  },
);
