import type { DataFolder } from './folder.ts';
import { keptSecret } from './folder.ts';

/**
 * The accounts of the private database: each may do what its part of Orbis needs and nothing else, and each
 * has a random password of its own. No other account is left, whoever made it.
 */
export interface Accounts<T> {
  /** Makes and changes tables, and says what the others may do. */
  setUp: T;
  /** Reads and writes rows. */
  service: T;
  /** Reads what frames are made of, and writes down what they were kept from. */
  frames: T;
}

const names: Accounts<string> = { setUp: 'orbis_setup', service: 'orbis', frames: 'orbis_frames' };
const host = 'localhost';

/* The account that owns MariaDB's own views: it is locked, and nobody signs in with it. */
const ofMariaDb = 'mariadb.sys';

/** What the second origin reads: previews, what was issued for its documents, and whose they are. */
export const tablesOfFrames = ['preview', 'served', 'placement', 'embed', 'spot', 'site'] as const;

/** What it writes: what its documents were kept from contacting, and where they were shown. */
export const tablesThatFramesWrite = ['blocked_contact', 'embed_views', 'hit', 'provider_views'] as const;

/** Each account's address on the socket, for the driver. */
export function accountUrls(folder: DataFolder, socket: string, database: string): Accounts<string> {
  const at = (name: keyof Accounts<string>): string =>
    `mysql://${names[name]}:${encodeURIComponent(secretOf(folder, name))}@${host}/${database}?socketPath=${encodeURIComponent(socket)}`;
  return { setUp: at('setUp'), service: at('service'), frames: at('frames') };
}

/**
 * What the server runs before it lets anybody in, one statement a line (MariaDB, `init_file`): our accounts
 * anew, and every other one away, also in folders of earlier versions.
 * @param databases a pattern of GRANT: `orbis`, or those of a test run.
 */
export function accountStatements(folder: DataFolder, databases: string): string[] {
  const account = (name: keyof Accounts<string>): string => `'${names[name]}'@'${host}'`;
  const made = (name: keyof Accounts<string>): string =>
    `CREATE OR REPLACE USER ${account(name)} IDENTIFIED BY '${secretOf(folder, name)}';`;
  const kept = [names.setUp, names.service, names.frames, ofMariaDb].map((name) => `'${name}'`).join(', ');
  const privileges: readonly string[] = [
    'global_priv',
    'db',
    'tables_priv',
    'columns_priv',
    'procs_priv',
    'proxies_priv',
  ];
  return [
    'CREATE DATABASE IF NOT EXISTS `orbis` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;',
    made('setUp'),
    `GRANT ALL ON \`${databases}\`.* TO ${account('setUp')} WITH GRANT OPTION;`,
    made('service'),
    `GRANT SELECT, INSERT, UPDATE, DELETE ON \`${databases}\`.* TO ${account('service')};`,
    made('frames'),
    ...privileges.map(
      (table) => `DELETE FROM mysql.${table} WHERE NOT (Host = '${host}' AND User IN (${kept}));`,
    ),
    'FLUSH PRIVILEGES;',
  ];
}

/** What gives the frames' account its rights; the set-up account runs it once the tables are there. */
export const grantsOfFrames = (database: string): string[] => [
  ...tablesOfFrames.map((table) => grant('SELECT', database, table)),
  ...tablesThatFramesWrite.map((table) => grant('SELECT, INSERT, UPDATE', database, table)),
];

const grant = (rights: string, database: string, table: string): string =>
  `GRANT ${rights} ON \`${database}\`.\`${table}\` TO '${names.frames}'@'${host}'`;

const secretOf = (folder: DataFolder, name: keyof Accounts<string>): string =>
  keptSecret(
    folder,
    `database-${name.toLowerCase()}`,
    'Take the file away while Orbis is stopped: the account gets a new password at the next start.',
  );
