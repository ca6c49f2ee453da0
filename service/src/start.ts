import { createServer, type RequestListener, type Server } from 'node:http';
import { join } from 'node:path';
import { pino, type Logger } from 'pino';
import { neutralMark, type Sheet } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { createApp } from './app.ts';
import { createBrowser } from './browser/browser.ts';
import { findChromium } from './browser/find.ts';
import type { Deps } from './deps.ts';
import type { Accounts } from './database/accounts.ts';
import { connectDatabase, type Connection } from './database/connect.ts';
import { tellLeftIn } from './database/tell-left.ts';
import { openDataFolder } from './database/folder.ts';
import { lockFolder } from './database/lock.ts';
import { startPrivateDatabase } from './database/private.ts';
import { createAnswers } from './fetching/answers.ts';
import { createFetching, type Fetching } from './fetching/client.ts';
import { errorForLog } from './http/error-log.ts';
import { keepHeapSmall } from './memory.ts';
import { createReader } from './reading/reader.ts';
import { createFramesApp } from './frames/app.ts';
import { createMailer, type Mailer } from './news/mailer.ts';
import { metricsAnswer, metricsReader } from './metrics/answer.ts';
import { createMetrics } from './metrics/metrics.ts';
import { originsOf, type Origins } from './origins.ts';
import { lookFiles } from './pictures/look-files.ts';
import { closeServer, listen } from './listen.ts';
import { roles, type Role } from './roles.ts';
import { runJobs, type JobTools } from './start-jobs.ts';
import type { Settings } from './settings.ts';
import { framesOptions, sharedDatabase } from './start-frames.ts';
import { createSheetRegistry, type SheetRegistry } from './usecases/sheet-registry.ts';
import { makeLink } from './store/one-time-links.ts';
import { firstOwner, withPassword } from './store/people.ts';
import { planWith } from './store/planned-with.ts';
import { digest } from './digest.ts';
import { inTransaction } from './database/transaction.ts';
import { copyBeforeUpgrade } from './copies/before-upgrade.ts';
import { copyPlan } from './copies/plan.ts';
import { version } from './version.ts';

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
  /** Told what takes long before anybody is answered, a sentence at a time. */
  tell?: (sentence: string) => void;
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
    const { connection, url } = await openDatabase(settings, { durable, log, ...waits }, undo);
    const now = (): Date => new Date();
    const { reader, fetching, browser } = openReaders(settings, waits, undo);
    let origins: Origins | null = null;
    const known = (): Origins => origins!;
    const sheetRegistry = await openSheets(settings, sheets, { connection, reader, origins: known });
    const metrics = createMetrics();
    const tools = { connection, fetching, reader, sheetRegistry, origins: known, now, log, metrics, version };
    const readMetrics = metricsReader(metrics, connection);
    const does = (role: Role): boolean => only.includes(role);
    const mailer = openMailer(settings, known, undo);
    const looks = openLooks(settings);
    const copying = copyingWith(settings, url);
    const runner = runJobs(
      { ...tools, ...looks, ...oftenIn(settings), browser, readsTicked, mailer, copying },
      undo,
    );
    const app = createApp({
      ...tools,
      renderContext: sheetRegistry.renderContext,
      // Others look for work by themselves.
      runner: does('jobs') ? runner : { nudge: () => undefined },
      browser,
      ...looks,
      answers: createAnswers(),
      mailer,
      copyPlan: copying?.plan ?? null,
      readMetrics,
      ...{ settings, trustProxy: settings.ORBIS_TRUST_PROXY },
      securityContact: settings.ORBIS_SECURITY_CONTACT,
    });
    const frames = createFramesApp({ ...tools, ...framesOptions(settings, log) });
    undo.push(() => frames.stop());
    await openMetrics(settings, createServer(metricsAnswer(readMetrics)), undo);
    origins = await openServers({ console: app, frames: frames.answer }, { settings, does }, undo);
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

/* How long news is gathered, how often what embeds load is asked for, and how long the log is kept. */
const oftenIn = (settings: Settings) => ({
  gathers: settings.ORBIS_MAIL_GATHERS,
  asksEvery: settings.ORBIS_ASK_EVERY,
  auditDays: settings.ORBIS_AUDIT_DAYS,
});

/* Where the pictures of looks are, and how many looks are kept. */
const openLooks = (settings: Settings): Pick<Deps, 'lookFiles' | 'looksKept'> => ({
  lookFiles: lookFiles(join(settings.ORBIS_DATA, 'looks')),
  looksKept: settings.ORBIS_LOOKS_KEPT,
});

/* The servers of the roles that this process has. */
async function openServers(
  answers: Readonly<Record<'console' | 'frames', RequestListener>>,
  { settings, does }: { settings: Settings; does: (role: Role) => boolean },
  undo: Undo,
): Promise<Origins> {
  const servers = {
    ...(does('console') && { console: createServer(answers.console) }),
    ...(does('frames') && { frames: createServer(answers.frames) }),
  };
  undo.push(() => Promise.all(Object.values(servers).map(closeServer)));
  return listenOn(servers, settings);
}

/* How safety copies are made, and of what; null where nobody has said where to. */
function copyingWith(settings: Settings, url: string): JobTools['copying'] {
  const plan = copyPlan(settings);
  return plan && { plan, url, root: settings.ORBIS_DATA };
}

/* Metrics at a port of their own, where the settings name one. */
async function openMetrics(settings: Settings, server: Server, undo: Undo): Promise<void> {
  const { ORBIS_HOST: host, ORBIS_METRICS_PORT: port } = settings;
  if (port === undefined) return;
  await listen(server, host, port, 'ORBIS_METRICS_PORT');
  undo.push(() => closeServer(server));
}

/* By which mail goes out; null where no mail server is set up. */
function openMailer(settings: Settings, origins: () => Origins, undo: Undo): Mailer | null {
  const { ORBIS_SMTP_URL: url, ORBIS_MAIL_FROM: from } = settings;
  if (url === undefined) return null;
  const mailer = createMailer(url, () => from ?? `Orbis <orbis@${new URL(origins().console).hostname}>`);
  undo.push(() => mailer.close());
  return mailer;
}

const browserOptions = (settings: Settings): Parameters<typeof createBrowser>[0] => ({
  chromium: findChromium(settings.ORBIS_CHROMIUM),
  seconds: settings.ORBIS_CHROMIUM_SECONDS,
  allowPrivate: settings.ORBIS_ALLOW_PRIVATE === 'yes',
});

/* The sheets as they are now; where they are others than before, everything is planned anew. */
async function openSheets(
  settings: Settings,
  sheets: readonly Sheet[],
  { connection: { db }, reader, origins }: Pick<Deps, 'connection' | 'reader' | 'origins'>,
): Promise<SheetRegistry> {
  const registry = createSheetRegistry(sheets, {
    ...reader,
    servedAt: () => origins().placementUrl(neutralMark.placement),
    sharesHost: () => !origins().ownHosts,
  });
  await registry.refresh(db);
  await inTransaction(db, (tx) => planWith(tx, plannedWith(settings, sheets)));
  return registry;
}

/* What is pasted depends on these, and on where frames are served. */
const plannedWith = (settings: Settings, sheets: readonly Sheet[]): string =>
  digest(JSON.stringify([version, sheets, settings.ORBIS_FRAMES_URL ?? settings.ORBIS_FRAMES_PORT]));

/* What is taken back when Orbis stops, the last first. */
type Undo = (() => unknown)[];

/* The data folder, locked, and the database in it, or the one elsewhere that the settings name. */
async function openDatabase(
  settings: Settings,
  {
    durable,
    log,
    patience,
    tell = (sentence) => log.info(sentence),
  }: { durable: boolean; log: Logger } & Pick<StartOptions, 'patience' | 'tell'>,
  undo: Undo,
): Promise<{ connection: Connection; url: string }> {
  const folder = openDataFolder(settings.ORBIS_DATA);
  undo.push(await lockFolder(folder.root));
  let urls: string | Accounts<string> | undefined = settings.ORBIS_DATABASE_URL;
  if (urls === undefined) {
    const database = await startPrivateDatabase(folder, { durable, log });
    undo.push(() => database.stop());
    urls = database.urls;
  }
  const url = typeof urls === 'string' ? urls : urls.setUp;
  const connection = await connectDatabase(urls, {
    ...{ patience, version, tellLeft: tellLeftIn(log) },
    beforeChange: ({ lastChange }) => copyBeforeUpgrade(settings, { url, lastChange }, tell),
    progress: tellProgress(tell),
  });
  undo.push(() => connection.close());
  return { connection, url };
}

/* How far the tables are, every so often. */
function tellProgress(tell: (sentence: string) => void): (done: number, all: number) => void {
  let next = 0;
  return (done, all) => {
    if (done < all && performance.now() < next) return;
    next = performance.now() + 2000;
    tell(`The register is brought to its new form: ${done} of ${all} steps.`);
  };
}

const signingIn = (
  { db }: Connection,
  origins: () => Origins,
  now: () => Date,
): Pick<Orbis, 'hasPassword' | 'link'> => ({
  hasPassword: async () => (await withPassword(db, 1)).length > 0,
  link: async (purpose, minutes = 30) => {
    const person = await firstOwner(db, now());
    const { secret } = await inTransaction(db, (tx) =>
      makeLink(tx, person.id, purpose, { minutes, now: now() }),
    );
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
