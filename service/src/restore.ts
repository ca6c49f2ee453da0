import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { calledAs, isInstalled } from './called-as.ts';
import { CannotCopy } from './copies/cannot-copy.ts';
import { identitiesIn } from './copies/identities-in.ts';
import { rowsIn, type Manifest } from './copies/manifest.ts';
import { newerThan, type Newer } from './copies/newer.ts';
import { putBack } from './copies/put-back.ts';
import { readCopy } from './copies/unpack.ts';
import { momentOf } from './moment.ts';
import { runningDatabase } from './running-database.ts';
import { CannotStart, readSettings, type Settings } from './settings.ts';

const help = `${calledAs('restore')} COPY --into FOLDER [--identity FILE] [--database URL | --database-from FILE]
${calledAs('restore')} COPY --check [--identity FILE]

Puts a safety copy back, into an empty data folder with a database of its own, or into an empty database
elsewhere (--database mysql://…, or --database-from a file that holds that address: then its password stands in
no list of processes). An Orbis that is running is not touched; what it has that came after the copy is said.
--check only reads the copy from end to end. An encrypted one takes the file with its age key.
`;

/** Puts a safety copy back, or says what is in one. */
async function main(): Promise<number> {
  const { values, positionals } = parseArgs({
    options: {
      'into': { type: 'string' },
      'identity': { type: 'string' },
      'database': { type: 'string' },
      'database-from': { type: 'string' },
      'check': { type: 'boolean', default: false },
      'help': { type: 'boolean', default: false },
    },
    allowPositionals: true,
  });
  const [copy] = positionals;
  if (values.help || copy === undefined || (!values.check && values.into === undefined)) {
    process.stdout.write(help);
    return values.help ? 0 : 2;
  }
  const url = databaseIn(values);
  const path = resolve(copy);
  const identities = values.identity === undefined ? [] : identitiesIn(resolve(values.identity));
  const settings = readSettings(process.env, process.cwd());
  const manifest = await readCopy(path, identities);
  process.stdout.write(`The copy is whole: ${inWords(manifest)}\n${await newerInWords(settings, manifest)}`);
  if (values.check) return 0;
  const into = resolve(values.into!);
  await putBack({ path, identities, into, url });
  process.stdout.write(
    `It is put back, and every row is as it was copied. Start it with:\n${startedWith(into, settings, url)}\n`,
  );
  return 0;
}

/* The address of the database elsewhere. @throws CannotCopy */
function databaseIn(values: { 'database'?: string; 'database-from'?: string }): string | undefined {
  const file = values['database-from'];
  if (file !== undefined && values.database !== undefined)
    throw new CannotCopy('Say --database or --database-from, and not both: a copy goes into one database.');
  const address = file === undefined ? values.database : textOf(file).trim();
  if (address === undefined || /^(?:mysql|mariadb):\/\/\S+$/.test(address)) return address;
  throw new CannotCopy(
    `${file === undefined ? '--database takes' : `${file} does not hold`} an address such as mysql://orbis:…@db.example/orbis.`,
  );
}

function textOf(file: string): string {
  try {
    return readFileSync(resolve(file), 'utf8');
  } catch (error) {
    throw new CannotCopy(`${file} cannot be read (${String((error as NodeJS.ErrnoException).code)}).`);
  }
}

/* What starts Orbis with what was put back. */
function startedWith(into: string, { ORBIS_DATA: data }: Settings, database: string | undefined): string {
  if (isInstalled && database === undefined)
    return `  systemctl stop orbis\n  mv ${data} ${data}.before\n  mv ${into} ${data}\n  systemctl start orbis`;
  const elsewhere = database === undefined ? '' : ' ORBIS_DATABASE_URL=…';
  return isInstalled
    ? `  ORBIS_DATA=${into}${elsewhere} in /etc/orbis/orbis.env, and: systemctl restart orbis`
    : `  ORBIS_DATA=${into}${elsewhere} npm start`;
}

const inWords = ({ madeAt, version, tables, files }: Manifest): string =>
  `of ${momentOf(new Date(madeAt))}, by Orbis ${version}, ${rowsIn(tables)} rows in ${Object.keys(tables).length} tables and ${files.length} files.`;

/* What an Orbis that runs with these settings has that the copy does not; nothing where none runs. */
async function newerInWords(settings: Settings, { lastChange }: Manifest): Promise<string> {
  let url: string;
  try {
    url = runningDatabase(settings);
  } catch (error) {
    if (error instanceof CannotStart) return '';
    throw error;
  }
  try {
    return newerIn(await newerThan(url, lastChange));
  } catch (error) {
    return `What the Orbis that is running has that came after it could not be seen: ${(error as Error).message}\n`;
  }
}

function newerIn({ changes, newest }: Newer): string {
  if (changes === 0) return 'The Orbis that is running has no change that is not in it.\n';
  const lines = newest.map(
    ({ at, by, said }) =>
      `  ${momentOf(at)}  ${[said ?? 'something that this version has no words for', by].filter(Boolean).join(', by ')}`,
  );
  const left = changes - newest.length;
  if (left > 0) lines.push(`  and ${left} before ${newest.length === 1 ? 'it' : 'them'}`);
  const count = changes === 1 ? 'one change that is' : `${changes} changes that are`;
  return `The Orbis that is running has ${count} not in it:\n${lines.join('\n')}\n`;
}

main().then(
  (status) => process.exit(status),
  (error: unknown) => {
    const isKnown = error instanceof CannotStart || error instanceof CannotCopy || error instanceof TypeError;
    process.stderr.write(`${isKnown ? error.message : String((error as Error).stack ?? error)}\n`);
    process.exit(error instanceof TypeError ? 2 : 1);
  },
);
