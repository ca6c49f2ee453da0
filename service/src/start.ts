import { createServer, type Server } from 'node:http';
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { pino, type Logger } from 'pino';
import { neutralMark, type Sheet } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { createApp } from './app.ts';
import { createBrowser } from './browser/browser.ts';
import { findChromium } from './browser/find.ts';
import type { Deps } from './deps.ts';
import type { Accounts } from './database/accounts.ts';
import { connectDatabase, type Connection } from './database/connect.ts';
import { openDataFolder } from './database/folder.ts';
import { lockFolder } from './database/lock.ts';
import { startPrivateDatabase } from './database/private.ts';
import { createAnswers } from './fetching/answers.ts';
import { createFetching, type Fetching } from './fetching/client.ts';
import { errorForLog } from './http/error-log.ts';
import { keepHeapSmall } from './memory.ts';
import { createReader } from './reading/reader.ts';
import { createFramesApp } from './frames/app.ts';
import { planJobs } from './jobs/plan.ts';
import { createRunner, together, type Runner } from './queue/runner.ts';
import { hostReader } from './sweeping/read-host.ts';
import { beginDueChecks } from './store/page-checks.ts';
import { beginDueSweeps } from './store/due-sweeps.ts';
import { wakeFindings } from './store/findings.ts';
import { keepSiteFindings } from './store/site-findings.ts';
import { createSweeper } from './sweeping/sweeper.ts';
import { originsOf, type Origins } from './origins.ts';
import { closeServer, listen } from './listen.ts';
import { roles, type Role } from './roles.ts';
import type { Settings } from './settings.ts';
import { framesOptions, sharedDatabase } from './start-frames.ts';
import { createSheetRegistry } from './usecases/sheet-registry.ts';
import { makeLink, owner } from './store/people.ts';
import { planWith } from './store/planned-with.ts';
import { digest } from './digest.ts';
import { inTransaction } from './database/transaction.ts';

/** A running Orbis. */
export interface Orbis {
  origins: Origins;
  connection: Connection;
  /**
   * The address of a page of the console with a one-time secret in its fragment, which never reaches a log.
   */
  link(purpose: 'password' | 'sign-in', minutes?: number): Promise<string>;
  hasPassword(): Promise<boolean>;
  /** Requests finish, a sweep stops at its page, the database goes down last. */
  stop(): Promise<void>;
}

export const version = '0.1.0';

export interface StartOptions {
  log?: Logger;
  /** Whether the private database writes to disk before it answers; tests do without. */
  durable?: boolean;
  sheets?: readonly Sheet[];
  /** What this process is for; everything where nothing is said. */
  only?: readonly Role[];
  /** How long the database may take to say that it is there, in milliseconds; under a second as usual. */
  patience?: number;
  /** How long reading one text may take, in seconds; see `createReader`. */
  readingSeconds?: number;
  /** Whether a page is read by itself once something on it was ticked; tests of other things do without. */
  readsTicked?: boolean;
}

/**
 * Starts everything: data folder, database, both servers, the queue of jobs; or those of it that this process
 * is for. Where a step fails, what was started before it is stopped again.
 * @throws CannotStart with one sentence.
 */
export async function startOrbis(
  settings: Settings,
  {
    log: given = pino({ level: settings.ORBIS_LOG_LEVEL }),
    durable = true,
    readsTicked = true,
    sheets = builtInSheets(),
    only = roles,
    ...waits
  }: StartOptions = {},
): Promise<Orbis> {
  if (only.length < roles.length) sharedDatabase(settings);
  keepHeapSmall();
  const log = given.child({}, { serializers: { err: errorForLog } });
  const undo: Undo = [];
  const stop = async (): Promise<void> => {
    for (let step = undo.pop(); step; step = undo.pop()) await step();
  };
  try {
    const connection = await openDatabase(settings, { durable, log, ...waits }, undo);
    const now = (): Date => new Date();
    const { reader, fetching, browser } = openReaders(settings, waits, undo);
    let origins: Origins | null = null;
    const known = (): Origins => origins!;
    const sheetRegistry = createSheetRegistry(sheets, {
      ...reader,
      servedAt: () => known().placementUrl(neutralMark.placement),
      sharesHost: () => !known().ownHosts,
    });
    await sheetRegistry.refresh(connection.db);
    await inTransaction(connection.db, (tx) => planWith(tx, plannedWith(settings, sheets)));
    const tools = { connection, fetching, reader, sheetRegistry, origins: known, now, log };
    const does = (role: Role): boolean => only.includes(role);
    const runner = runJobs({ ...tools, browser, readsTicked }, undo);
    const { ORBIS_TRUST_PROXY: trustProxy, ORBIS_SECURITY_CONTACT: securityContact } = settings;
    const app = createApp({
      ...tools,
      renderContext: sheetRegistry.renderContext,
      // Others look for work by themselves.
      runner: does('jobs') ? runner : { nudge: () => undefined },
      browser,
      answers: createAnswers(),
      version,
      trustProxy,
      securityContact,
    });
    const frames = createFramesApp({ ...tools, ...framesOptions(settings, log) });
    undo.push(() => frames.stop());
    const servers = {
      ...(does('console') && { console: createServer(app) }),
      ...(does('frames') && { frames: createServer(frames.answer) }),
    };
    undo.push(() => Promise.all(Object.values(servers).map(closeServer)));
    origins = await listenOn(servers, settings);
    if (does('jobs')) runner.start();
    return { origins, connection, stop, ...signingIn(connection, known, now) };
  } catch (error) {
    await stop();
    throw error;
  }
}

/* What reads foreign codes and pages, fetches them, and looks at them. */
function openReaders(
  settings: Settings,
  { readingSeconds }: Pick<StartOptions, 'readingSeconds'>,
  undo: Undo,
): Pick<Deps, 'reader' | 'browser'> & { fetching: Fetching } {
  const reader = createReader({ seconds: readingSeconds });
  const fetching = createFetching({
    allowPrivate: settings.ORBIS_ALLOW_PRIVATE === 'yes',
    robots: reader.robots,
  });
  undo.push(() => Promise.all([fetching.close(), reader.close()]));
  const browser = createBrowser(browserOptions(settings));
  undo.push(() => browser.close());
  return { reader, fetching, browser };
}

const browserOptions = (settings: Settings): Parameters<typeof createBrowser>[0] => ({
  chromium: findChromium(settings.ORBIS_CHROMIUM),
  seconds: settings.ORBIS_CHROMIUM_SECONDS,
  allowPrivate: settings.ORBIS_ALLOW_PRIVATE === 'yes',
});

/* What is pasted depends on these, and on where frames are served. */
const plannedWith = (settings: Settings, sheets: readonly Sheet[]): string =>
  digest(JSON.stringify([version, sheets, settings.ORBIS_FRAMES_URL ?? settings.ORBIS_FRAMES_PORT]));

/* What is taken back when Orbis stops, the last first. */
type Undo = (() => unknown)[];

/* The data folder, locked, and the database in it, or the one elsewhere that the settings name. */
async function openDatabase(
  settings: Settings,
  { durable, log, patience }: { durable: boolean; log: Logger } & Pick<StartOptions, 'patience'>,
  undo: Undo,
): Promise<Connection> {
  const folder = openDataFolder(settings.ORBIS_DATA);
  undo.push(await lockFolder(folder.root));
  let urls: string | Accounts<string> | undefined = settings.ORBIS_DATABASE_URL;
  if (urls === undefined) {
    const database = await startPrivateDatabase(folder, { durable, log });
    undo.push(() => database.stop());
    urls = database.urls;
  }
  const connection = await connectDatabase(urls, { patience });
  undo.push(() => connection.close());
  return connection;
}

type JobTools = Pick<
  Deps,
  'connection' | 'reader' | 'browser' | 'sheetRegistry' | 'origins' | 'now' | 'log'
> & {
  fetching: Fetching;
  readsTicked: boolean;
};

function runJobs(
  { connection: { db }, fetching, reader, browser, sheetRegistry, origins, now, log, readsTicked }: JobTools,
  undo: Undo,
): Runner {
  const { renderContext } = sheetRegistry;
  const refresh = (): Promise<void> => sheetRegistry.refresh(db);
  const planning = { tools: { db, renderContext: () => refresh().then(renderContext), log, now }, now };
  const sweeping = {
    db,
    fetching,
    reader,
    browser,
    renderContext,
    refresh,
    placementUrl: (id: string) => origins().placementUrl(id),
    now,
    log,
    version,
  };
  const owner = randomUUID();
  const everySoOften = atMostEvery(lookEvery);
  const runner = together([
    createRunner([planJobs(planning)], { db, owner, now, log }),
    createSweeper(hostReader(sweeping, owner), {
      ...{ db, owner, log },
      prepare: async () => {
        await beginDueSweeps(db, now());
        if (readsTicked) await beginDueChecks(db, now());
        await everySoOften(() => lookAround(db, now()));
      },
    }),
  ]);
  undo.push(async () => {
    // The page that is being read may come to its end; else the sweep goes on at it another time.
    await Promise.race([runner.stop(), wait(lastPage)]);
    await Promise.all([runner.stop(), fetching.close(), reader.close()]);
  });
  return runner;
}

/* What follows from what was planned and seen is looked up so often, in ms. */
const lookEvery = 10_000;

/* Findings that have waited long enough, and what holds of whole sites. */
async function lookAround(db: Connection['db'], now: Date): Promise<void> {
  await inTransaction(db, (tx) => wakeFindings(tx, now));
  await keepSiteFindings(db, now);
}

/* Does something at once, and then not again before so many ms have gone by. */
function atMostEvery(milliseconds: number): (work: () => Promise<void>) => Promise<void> {
  let next = 0;
  return async (work) => {
    if (performance.now() < next) return;
    next = performance.now() + milliseconds;
    await work();
  };
}

const signingIn = (
  { db }: Connection,
  origins: () => Origins,
  now: () => Date,
): Pick<Orbis, 'hasPassword' | 'link'> => ({
  hasPassword: async () => (await owner(db, now())).passwordHash !== null,
  link: async (purpose, minutes = 30) => {
    const person = await owner(db, now());
    const secret = await inTransaction(db, (tx) => makeLink(tx, person.id, purpose, minutes, now()));
    return `${origins().console}/${purpose === 'password' ? 'set-password' : 'sign-in'}#${secret}`;
  },
});

/* Listens as far as its roles need it, and says where the console and the frames are reached. */
async function listenOn(
  servers: Readonly<Partial<Record<Role, Server>>>,
  settings: Settings,
): Promise<Origins> {
  const { ORBIS_HOST: host, ORBIS_PORT: port, ORBIS_FRAMES_PORT: framesPort } = settings;
  const { console, frames } = servers;
  return originsOf({
    publicUrl: settings.ORBIS_PUBLIC_URL,
    framesUrl: settings.ORBIS_FRAMES_URL,
    port: console ? await listen(console, host, port, 'ORBIS_PORT') : port,
    framesPort: frames ? await listen(frames, host, framesPort, 'ORBIS_FRAMES_PORT') : framesPort,
  });
}

/* How long a page may take to be read once Orbis is told to stop, in milliseconds: with all the rest, it
   stops within five seconds. */
const lastPage = 2000;
