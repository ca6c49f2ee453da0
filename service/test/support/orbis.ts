import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino, type Logger } from 'pino';
import { ApiError, createClient, type Client } from '@orbis/contract';
import { startDemoServer, type DemoServer } from '@orbis/demo';
import { readSettings, startOrbis, type Orbis } from '@orbis/service';
import { dropDatabase, migratedDatabase } from './database.ts';

export const password = 'seven owls over the fell';

/* A busy machine is no fault of what is tested. */
const patient = { ORBIS_CHROMIUM_SECONDS: '180' };
const waits = { patience: 60_000, readingSeconds: 120 };

/** A service on loopback with a database of its own, an owner, and the demo's world beside it. */
export interface TestOrbis {
  orbis: Orbis;
  url: string;
  /** Signed in with a token. */
  client: Client;
  token: string;
  world: DemoServer;
  /** The address of its database. */
  database: string;
  /** Everything that was logged, as lines. */
  log: string[];
  /** Another process on the same database, with a folder of its own. */
  another(): Promise<{ client: Client; stop(): Promise<void> }>;
  /** Stops the service and starts it again on the same data. */
  restart(): Promise<void>;
  stop(): Promise<void>;
}

export async function startTestOrbis({
  env = {},
  worldTime,
  readsTicked = false,
}: {
  env?: Record<string, string>;
  /** What time it is in the demo’s world, where some editors are live only after a while. */
  worldTime?: () => number;
  /** Whether pages are read by themselves once something on them was ticked. */
  readsTicked?: boolean;
} = {}): Promise<TestOrbis> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-test-'));
  const database = await migratedDatabase();
  const log: string[] = [];
  const logger: Logger = pino({ level: 'info' }, { write: (line: string) => void log.push(line) });
  const settings = readSettings(
    {
      ORBIS_DATA: folder,
      ORBIS_DATABASE_URL: database,
      ORBIS_PORT: '0',
      ORBIS_FRAMES_PORT: '0',
      ORBIS_MAIL_GATHERS: '0',
      ORBIS_ASK_EVERY: '0',
      ...patient,
      ...env,
    },
    folder,
  );
  const world = await startDemoServer({ port: 0, folder, ...(worldTime && { now: worldTime }) });
  const start = (): Promise<Orbis> => startOrbis(settings, { log: logger, readsTicked, ...waits });
  const orbis = await start();
  const secret = new URL(await orbis.link('password')).hash.slice(1);
  const url = orbis.origins.console;
  await createClient({ url }).call('password.set', { body: { secret, password, name: 'Tester' } });
  const { data } = await createClient({ url }).call('tokens.exchange', { body: { password, name: 'tests' } });
  const test: TestOrbis = {
    orbis,
    url,
    world,
    database,
    log,
    token: data.token,
    client: createClient({ url, headers: { authorization: `Bearer ${data.token}` } }),
    another: async () => {
      const other = mkdtempSync(join(tmpdir(), 'orbis-test-'));
      const second = await startOrbis(
        { ...settings, ORBIS_DATA: other },
        { log: logger, readsTicked, ...waits },
      );
      return {
        client: createClient({
          url: second.origins.console,
          headers: { authorization: `Bearer ${data.token}` },
        }),
        stop: async () => {
          await second.stop();
          rmSync(other, { recursive: true, force: true });
        },
      };
    },
    restart: async () => {
      await test.orbis.stop();
      test.orbis = await start();
      test.url = test.orbis.origins.console;
      test.client = createClient({ url: test.url, headers: { authorization: `Bearer ${data.token}` } });
    },
    stop: async () => {
      await world.stop();
      await test.orbis.stop();
      rmSync(folder, { recursive: true, force: true });
      await dropDatabase(database);
    },
  };
  return test;
}

/** The code that the stand-in video provider hands out. */
export const talkCode = (port: number, id = 'nB4moorNight'): string =>
  `<iframe width="560" height="315" src="http://play.kinorill.localhost:${port}/film/${id}?knobs=1" title="Opening talk" allow="fullscreen" allowfullscreen></iframe>`;

/** Declares the demo site with its talks page and a spot on it. */
export async function declareSite(
  { client, world }: Pick<TestOrbis, 'client' | 'world'>,
  spots: readonly string[] = ['opening'],
): Promise<void> {
  await client.call('sites.create', {
    body: { key: 'hollinfell', name: 'Hollin Fell', address: `http://hollinfell.localhost:${world.port}` },
  });
  await client.call('pages.create', { body: { key: 'hollinfell/talks', title: 'Talks' } });
  for (const spot of spots) await client.call('spots.create', { body: { key: `hollinfell/talks#${spot}` } });
}

/** The error with which something was refused; fails where it was not. */
export async function refusal(work: Promise<unknown>): Promise<ApiError> {
  const error = await work.then(
    () => null,
    (reason: unknown) => reason,
  );
  if (!(error instanceof ApiError)) throw new Error(`it should have been refused, but: ${String(error)}`);
  return error;
}
