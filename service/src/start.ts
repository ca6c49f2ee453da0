import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { pino, type Logger } from 'pino';
import type { Sheet } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { createApp } from './app.ts';
import type { Accounts } from './database/accounts.ts';
import { connectDatabase, type Connection } from './database/connect.ts';
import { openDataFolder } from './database/folder.ts';
import { lockFolder } from './database/lock.ts';
import { startPrivateDatabase } from './database/private.ts';
import { createAnswers } from './fetching/answers.ts';
import { createFetching } from './fetching/client.ts';
import { errorForLog } from './http/error-log.ts';
import { keepHeapSmall } from './memory.ts';
import { createReader } from './reading/reader.ts';
import { createFramesApp } from './frames/app.ts';
import { planJobs } from './jobs/plan.ts';
import { sweepJobs } from './jobs/sweep.ts';
import { createRunner } from './queue/runner.ts';
import { originsOf, type Origins } from './origins.ts';
import { CannotStart, type Settings } from './settings.ts';
import { createSheetRegistry } from './usecases/sheet-registry.ts';
import { makeLink, owner } from './store/people.ts';
import { planWith } from './store/planned-with.ts';
import { digest } from './digest.ts';
import { inTransaction } from './database/transaction.ts';

/** A running Orbis. */
export interface Orbis {
  origins: Origins;
  connection: Connection;
  /** The address of a page of the console with a one-time secret in its fragment, which never reaches a log. */
  link(purpose: 'password' | 'sign-in', minutes?: number): Promise<string>;
  hasPassword(): Promise<boolean>;
  /** Requests finish, a sweep stops at its page, the database goes down last. */
  stop(): Promise<void>;
}

export const version = '0.1.0';

/**
 * Starts everything: data folder, database, both servers, the queue of jobs. Where a step fails, what was started
 * before it is stopped again.
 * @throws CannotStart with one sentence.
 */
export async function startOrbis(
  settings: Settings,
  {
    log: given = pino({ level: settings.ORBIS_LOG_LEVEL }),
    durable = true,
    sheets = builtInSheets(),
  }: { log?: Logger; durable?: boolean; sheets?: readonly Sheet[] } = {},
): Promise<Orbis> {
  keepHeapSmall();
  const log = given.child({}, { serializers: { err: errorForLog } });
  const undo: (() => unknown)[] = [];
  const stop = async (): Promise<void> => {
    for (let step = undo.pop(); step; step = undo.pop()) await step();
  };
  try {
    const folder = openDataFolder(settings.ORBIS_DATA);
    undo.push(await lockFolder(folder.root));
    let urls: string | Accounts<string> | undefined = settings.ORBIS_DATABASE_URL;
    if (urls === undefined) {
      const database = await startPrivateDatabase(folder, { durable, log });
      undo.push(() => database.stop());
      ({ urls } = database);
    }
    const connection = await connectDatabase(urls);
    undo.push(() => connection.close());
    const now = (): Date => new Date();
    const reader = createReader();
    const fetching = createFetching({
      allowPrivate: settings.ORBIS_ALLOW_PRIVATE === 'yes',
      robots: reader.robots,
    });
    undo.push(() => Promise.all([fetching.close(), reader.close()]));
    const sheetRegistry = createSheetRegistry(sheets, reader);
    await sheetRegistry.refresh(connection.db);
    await inTransaction(connection.db, (tx) => planWith(tx, digest(JSON.stringify([version, sheets]))));
    const { renderContext } = sheetRegistry;
    let origins: Origins | null = null;
    const known = (): Origins => origins!;
    const sweeping = {
      db: connection.db,
      fetching,
      reader,
      renderContext,
      refresh: () => sheetRegistry.refresh(connection.db),
      placementUrl: (id: string) => known().placementUrl(id),
      now,
      log,
    };
    const renewed = () => sheetRegistry.refresh(connection.db).then(renderContext);
    const planning = { tools: { db: connection.db, renderContext: renewed, log }, now };
    const runner = createRunner([planJobs(planning), sweepJobs(sweeping)], {
      db: connection.db,
      owner: randomUUID(),
      now,
      log,
    });
    undo.push(async () => {
      // The page that is being read may come to its end; else the sweep goes on at it another time.
      await Promise.race([runner.stop(), wait(lastPage)]);
      await Promise.all([runner.stop(), fetching.close(), reader.close()]);
    });
    const app = createApp({
      connection,
      renderContext,
      sheetRegistry,
      runner,
      fetching,
      answers: createAnswers(),
      reader,
      origins: known,
      now,
      log,
      version,
      trustProxy: settings.ORBIS_TRUST_PROXY,
      securityContact: settings.ORBIS_SECURITY_CONTACT,
    });
    const frames = createFramesApp({
      connection,
      origins: known,
      now,
      log,
      trustProxy: settings.ORBIS_TRUST_PROXY,
    });
    const servers = [createServer(app), createServer(frames)] as const;
    undo.push(() => Promise.all(servers.map(closeServer)));
    const port = await listen(servers[0], settings.ORBIS_HOST, settings.ORBIS_PORT, 'ORBIS_PORT');
    const framesPort = await listen(
      servers[1],
      settings.ORBIS_HOST,
      settings.ORBIS_FRAMES_PORT,
      'ORBIS_FRAMES_PORT',
    );
    origins = originsOf({
      publicUrl: settings.ORBIS_PUBLIC_URL,
      framesUrl: settings.ORBIS_FRAMES_URL,
      port,
      framesPort,
    });
    runner.start();
    return {
      origins,
      connection,
      stop,
      hasPassword: async () => (await owner(connection.db, now())).passwordHash !== null,
      link: async (purpose, minutes = 30) => {
        const person = await owner(connection.db, now());
        const secret = await inTransaction(connection.db, (tx) =>
          makeLink(tx, person.id, purpose, minutes, now()),
        );
        return `${known().console}/${purpose === 'password' ? 'set-password' : 'sign-in'}#${secret}`;
      },
    };
  } catch (error) {
    await stop();
    throw error;
  }
}

/*
 * How long requests may take to be answered once Orbis is told to stop, and a page to be read, in milliseconds: with all
 * the rest, it stops within five seconds.
 */
const [lastWord, lastPage] = [1000, 2000];

async function listen(server: Server, host: string, port: number, setting: string): Promise<number> {
  await new Promise<void>((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const taken = error.code === 'EADDRINUSE';
      reject(
        new CannotStart(
          taken
            ? `Port ${port} on ${host} is taken by another program. Stop that one, or set ${setting} to another port.`
            : `Orbis cannot listen on ${host}:${port}: ${error.message}. See ORBIS_HOST and ${setting}.`,
        ),
      );
    });
    server.listen(port, host, resolve);
  });
  return (server.address() as AddressInfo).port;
}

const closeServer = (server: Server): Promise<void> =>
  new Promise((resolve) => {
    server.close(() => resolve());
    server.closeIdleConnections();
    // Streams of events never end by themselves, and slow callers are not waited for.
    setTimeout(() => server.closeAllConnections(), lastWord).unref();
  });
