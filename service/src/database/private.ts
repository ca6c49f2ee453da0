import type { ChildProcess } from 'node:child_process';
import { existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import type { Logger } from 'pino';
import { CannotStart } from '../settings.ts';
import { accountStatements, accountUrls, type Accounts } from './accounts.ts';
import type { DataFolder } from './folder.ts';
import { installDatabase } from './install.ts';
import { endServer, lastWords, launchServer, logOf, serverProgram, stopLeftOver } from './server.ts';
import { serverUser } from './server-user.ts';
import { clearSocketPlace, makeSocketPlace } from './socket.ts';

export interface PrivateDatabase {
  /** The addresses of its accounts, for the driver. */
  urls: Accounts<string>;
  stop(): Promise<void>;
}

export interface PrivateDatabaseOptions {
  /** Tests may trade safety for speed; nothing else does. */
  durable: boolean;
  /** The databases that the accounts may use, as a pattern of GRANT; `orbis` where nothing is said. */
  databases?: string;
  /** Where it is said that it died and is started again. */
  log?: Pick<Logger, 'warn' | 'error'>;
}

const quick = [
  '--skip-log-bin',
  '--innodb-flush-log-at-trx-commit=0',
  '--innodb-doublewrite=0',
  '--innodb-flush-method=nosync',
  '--performance-schema=OFF',
  '--innodb-buffer-pool-size=128M',
];

/* Before a database that died is started again, in milliseconds: at once, then slower and slower. */
const pauses = [100, 500, 2000, 5000, 15_000, 30_000];
/* One that ran so long has recovered. */
const recovered = 60_000;

/**
 * Starts a MariaDB of our own, reached by a socket in the data folder only; installs it the first time, and
 * starts it again whenever it dies.
 * @throws CannotStart when MariaDB is missing or does not come up, with the last words of its log.
 */
export async function startPrivateDatabase(
  folder: DataFolder,
  { durable, databases = 'orbis', log }: PrivateDatabaseOptions,
): Promise<PrivateDatabase> {
  if (!existsSync(serverProgram))
    throw new CannotStart(
      'MariaDB is missing on this machine. Install Debian’s mariadb-server, or set ORBIS_DATABASE_URL to a database elsewhere.',
    );
  await stopLeftOver(folder);
  await installDatabase(folder);
  // What earlier versions kept: the one password of the one account, which might do everything.
  for (const name of ['database', 'database.sql']) rmSync(join(folder.keys, name), { force: true });
  const user = serverUser(folder);
  const socket = makeSocketPlace(folder, user);
  const launch = (): Promise<ChildProcess> =>
    launchServer(folder, {
      socket,
      user,
      statements: accountStatements(folder, databases),
      extra: durable ? [] : quick,
    });
  const stop = supervise(await launch(), launch, { folder, log });
  return {
    urls: accountUrls(folder, socket, 'orbis'),
    stop: async () => {
      await stop();
      clearSocketPlace(folder);
    },
  };
}

/* Keeps a server running until it is told to stop. */
function supervise(
  first: ChildProcess,
  launch: () => Promise<ChildProcess>,
  { folder, log }: { folder: DataFolder; log: PrivateDatabaseOptions['log'] },
): () => Promise<void> {
  let child = first;
  const stopping = new AbortController();
  const { signal } = stopping;
  const isStopped = (): boolean => signal.aborted;
  const keep = async (): Promise<void> => {
    for (let failures = 0; ;) {
      const since = Date.now();
      await endOf(child);
      failures = Date.now() - since > recovered ? 0 : failures + 1;
      for (let up = false; !up && !isStopped();) {
        const pause = pauses[Math.min(failures, pauses.length) - 1] ?? pauses[0]!;
        log?.warn({ pause, reason: lastWords(logOf(folder)) }, 'the database died; it is started again');
        await wait(pause, undefined, { signal, ref: false }).catch(() => undefined);
        if (isStopped()) return;
        try {
          child = await launch();
          up = true;
        } catch (error) {
          failures++;
          log?.error(
            { reason: error instanceof Error ? error.message : String(error) },
            'the database does not come up',
          );
        }
      }
      if (isStopped()) return await endServer(child);
    }
  };
  const kept = keep();
  return async () => {
    stopping.abort();
    await endServer(child);
    await kept;
  };
}

const endOf = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) =>
    child.exitCode !== null || child.signalCode !== null ? resolve() : child.once('exit', () => resolve()),
  );
