import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Agent, buildConnector, fetch as fetchBy, request } from 'undici';
import { ApiError, createClient, eventsOf, type Client } from '@orbis/contract';
import { openDataFolder, startPrivateDatabase } from '@orbis/service';
import { ports, processesOn } from './cluster/roles.ts';
import { line, median } from './figures.ts';
import { placedLink } from './placed-link.ts';

const rounds = 20;
/* In milliseconds. */
const patience = 20_000;
const [url, password] = [`http://orbis.localhost:${ports.console}`, 'only for this measure'];

/** What is done by one process, until another one goes by it; in milliseconds. */
type Measure = (round: number) => Promise<number>;

/**
 * How soon a process goes by what was done by another one on the same database: from the answer of the one
 * until the other, asked without a pause, shows it.
 */
export async function agreeing(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const database = await startPrivateDatabase(openDataFolder(join(folder, 'database')), { durable: false });
  const running = processesOn(database.urls.setUp, folder);
  try {
    for (const number of [1, 2]) await running.start('console', number);
    for (const role of ['jobs', 'frames'] as const) await running.start(role, 1);
    const secret = /set-password#(\S+)/.exec(running.said('console', 2))![1]!;
    const { link, client } = await placedLink({ url, secret, fetch: fetchAt(1) });
    const rows: string[] = [];
    for (const [name, measure] of Object.entries(await measures(client, link))) {
      const times: number[] = [];
      for (let round = 0; round < rounds; round++) times.push(await measure(round));
      rows.push(line(name, ...[median(times), Math.max(...times)].map((ms) => ms.toFixed(0))));
    }
    return `Until another process goes by it, in ms: median of ${rounds}, and most\n${rows.join('')}`;
  } finally {
    running.end();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function measures(one: Client, link: string): Promise<Record<string, Measure>> {
  const token = await newToken();
  const two = clientAt(2, { authorization: `Bearer ${token}` });
  return {
    'a token that was taken away': takenToken,
    'too many wrong passwords': wrongPasswords,
    'a provider’s sheet': (round) => changedSheet(one, two, round),
    'what was done, as an event': (round) => heardEvent(one, two, round),
    'what a frame shows': (round) => shownInFrame(one, link, round),
  };
}

/* Asks one process by itself, where there is a balancer otherwise. */
function fetchAt(number: number): typeof globalThis.fetch {
  const connect = buildConnector({});
  const dispatcher = new Agent({
    connect: (options, done) =>
      connect({ ...options, hostname: '127.0.0.1', port: String(ports.of('console', number)) }, done),
  });
  return ((input: string, init?: object) =>
    fetchBy(input, { ...init, dispatcher })) as unknown as typeof globalThis.fetch;
}

const clientAt = (number: number, headers: Record<string, string> = {}): Client =>
  createClient({ url, fetch: fetchAt(number), headers });

async function until(shows: () => Promise<boolean>): Promise<number> {
  const from = performance.now();
  while (!(await shows())) if (performance.now() - from > patience) throw new Error('It never shows.');
  return performance.now() - from;
}

const codeOf = (work: Promise<unknown>): Promise<string | null> =>
  work.then(
    () => null,
    (error: unknown) => (error instanceof ApiError ? error.code : String(error)),
  );

async function newToken(): Promise<string> {
  const { data } = await clientAt(1).call('tokens.exchange', { body: { password, name: 'another' } });
  return data.token;
}

async function takenToken(): Promise<number> {
  const headers = { authorization: `Bearer ${await newToken()}` };
  const [here, there] = [clientAt(1, headers), clientAt(2, headers)];
  await there.call('tokens.list');
  const { data } = await here.call('tokens.list');
  const [own] = data.items.sort((a, b) => b.createdAt.localeCompare(a.createdAt));
  await here.call('tokens.delete', { params: { token: own!.id } });
  return until(async () => (await codeOf(there.call('tokens.list'))) === 'token-unknown');
}

/* Each round from another part of the network. */
async function wrongPasswords(round: number): Promise<number> {
  const headers = { 'x-forwarded-for': `198.51.${round}.7` };
  const ask = (number: number): Promise<string | null> =>
    codeOf(clientAt(number, headers).call('session.create', { body: { password: 'not it' } }));
  while ((await ask(1)) !== 'too-many-attempts');
  return until(async () => (await ask(2)) === 'too-many-attempts');
}

async function changedSheet(one: Client, two: Client, round: number): Promise<number> {
  const name = `Moorreel ${round}`;
  const params = { provider: 'moorreel' };
  const text = sheetCalled(name);
  const condition = round === 0 ? { ifNoneMatch: '*' as const } : { ifMatch: '*' };
  await one.call('providers.save', { params, body: { text, accept: true }, ...condition });
  const code = '<iframe src="https://moorreel.localhost/show/7" title="t"></iframe>';
  return until(async () => {
    const { data } = await two.call('readings.create', { body: { text: code } });
    return data.items[0]!.provider?.name === name;
  });
}

const sheetCalled = (name: string): string => `id: moorreel
name: ${name}
version: 1
kind: video
hosts: [moorreel.localhost]
links:
  - { hostname: moorreel.localhost, pathname: '/watch/:id' }
frames:
  - { hostname: moorreel.localhost, pathname: '/show/:id' }
code: { address: '{scheme}://moorreel.localhost{+port}/show/{id}', width: 640, height: 360, title: Moorreel, allow: [] }
settings:
  start: { in: query, name: go, format: seconds }
needs: {}
`;

async function heardEvent(one: Client, two: Client, round: number): Promise<number> {
  const stop = new AbortController();
  const stream = await two.open('changes.follow', { signal: stop.signal });
  const events = eventsOf<{ said: string }>(stream);
  const next = events.next();
  // The first look is at what stands there already.
  await new Promise((resolve) => setTimeout(resolve, 1000 + round * 37));
  await one.call('embeds.change', {
    params: { embed: 'talk' },
    ifMatch: '*',
    body: { name: `Talk ${round}` },
  });
  const from = performance.now();
  await next;
  stop.abort();
  return performance.now() - from;
}

async function shownInFrame(one: Client, link: string, round: number): Promise<number> {
  const [params, width] = [{ embed: 'talk' }, 400 + round];
  const visit = async (): Promise<string> => {
    const { body } = await request(`http://127.0.0.1:${ports.of('frames', 1)}/`, {
      headers: { 'host': new URL(link).host, 'sec-fetch-dest': 'iframe', 'accept-encoding': 'identity' },
    });
    return body.text();
  };
  await visit();
  await one.call('revisions.create', { params, ifMatch: '*', body: { options: { width } } });
  return until(async () => (await visit()).includes(`width="${width}"`));
}
