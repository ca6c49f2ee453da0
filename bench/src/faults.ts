import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { setTimeout as wait } from 'node:timers/promises';
import { ApiError, createClient, everyItem, type Client } from '@orbis/contract';
import { loopbackFetch } from '@orbis/demo';
import { randomOf } from './chance.ts';
import { line } from './figures.ts';

const [killsOfService, killsOfDatabase] = [60, 20];
/* Codes in each batch: all of them are taken in, or none. */
const together = 20;
const fetch = loopbackFetch();
const main = fileURLToPath(new URL('../../service/dist/programs/main.mjs', import.meta.url));

/** What the client was told, so that it can be held against what is there in the end. */
interface Book {
  /** Keys of embeds whose collecting was acknowledged, with the newest start that was. */
  embeds: Map<string, { text: string; start: number | null; tried: number[] }>;
  /** Batches, by their tag, and whether they were acknowledged. */
  batches: Map<string, boolean>;
  answers: Map<string, number>;
}

/**
 * Kills the service sixty times and its database twenty times at random moments, while clients collect,
 * change and take in and write down every answer; then holds what is there against what was acknowledged.
 */
export async function faults(): Promise<string> {
  const seed = Number(process.env['SEED'] ?? Math.floor(Math.random() * 2 ** 31));
  process.stdout.write(`faults, seed ${seed} (SEED=${seed} does the same again)\n`);
  const random = randomOf(seed);
  const folder = mkdtempSync(join(tmpdir(), 'orbis-faults-'));
  let orbis = await start(folder, {});
  const { url, secret } = orbis;
  const env = { ORBIS_PORT: new URL(url).port };
  const password = 'only for this measure';
  await createClient({ url, fetch }).call('password.set', { body: { secret, password } });
  const { token } = (
    await createClient({ url, fetch }).call('tokens.exchange', { body: { name: 'bench', password } })
  ).data;
  const client = createClient({ url, fetch, headers: { authorization: `Bearer ${token}` } });
  const book: Book = { embeds: new Map(), batches: new Map(), answers: new Map() };
  let running = true;
  const clients = Array.from({ length: 6 }, (_, i) => work(client, book, i, () => running));
  let [longest, back] = [0, 0];
  try {
    const kinds = shuffled(
      [
        ...Array<'service'>(killsOfService).fill('service'),
        ...Array<'database'>(killsOfDatabase).fill('database'),
      ],
      random,
    );
    for (const [i, kind] of kinds.entries()) {
      await wait(200 + random() * 1500);
      const begun = performance.now();
      if (kind === 'service') {
        orbis.child.kill('SIGKILL');
        await orbis.ended;
        // Now and then in the middle of its start as well.
        if (random() < 0.25) {
          const early = spawnOrbis(folder, env);
          await wait(random() * 1500);
          early.kill('SIGKILL');
          if (early.exitCode === null && early.signalCode === null) await once(early, 'exit');
        }
        orbis = await start(folder, env);
      } else process.kill(Number(readFileSync(join(folder, 'database/mariadb.pid'), 'utf8')), 'SIGKILL');
      await ready(url);
      back = Math.max(back, performance.now() - begun);
      longest++;
      if ((i + 1) % 10 === 0)
        process.stdout.write(
          `  ${i + 1} of ${kinds.length} kills, ${book.embeds.size} embeds acknowledged\n`,
        );
    }
    running = false;
    await Promise.all(clients);
    const faultsFound = await audit(client, book);
    const answers = [...book.answers]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([code, count]) => `${code} ${count}`);
    if (faultsFound.length > 0)
      throw new Error(`after ${longest} kills (seed ${seed}):\n${faultsFound.join('\n')}`);
    return [
      `${killsOfService} kills of the service and ${killsOfDatabase} of its database, under load (seed ${seed})\n`,
      line('embeds acknowledged', `${book.embeds.size}`),
      line(
        'changes of them acknowledged',
        `${[...book.embeds.values()].filter(({ start }) => start !== null).length}`,
      ),
      line('batches of 20 acknowledged', `${[...book.batches.values()].filter(Boolean).length}`),
      line('lost, or half done', '0'),
      line('slowest to be back', `${(back / 1000).toFixed(1)} s`),
      `Answers: ${answers.join(', ')}\n`,
    ].join('');
  } finally {
    running = false;
    orbis.child.kill('SIGTERM');
    await Promise.race([orbis.ended, wait(8000)]);
    rmSync(folder, { recursive: true, force: true });
  }
}

/* One client: collects, changes what it collected, and takes in batches, until it is told to stop. */
async function work(client: Client, book: Book, number: number, goesOn: () => boolean): Promise<void> {
  const note = (code: string): void => void book.answers.set(code, (book.answers.get(code) ?? 0) + 1);
  const own: string[] = [];
  for (let n = 0; goesOn(); n++) {
    try {
      if (n % 7 === 3) {
        const tag = `batch-${number}-${n}`;
        book.batches.set(tag, false);
        const items = Array.from({ length: together }, (_, i) => ({
          name: `${tag} ${i}`,
          text: codeOf(`${tag}-${i}`),
          tags: [tag],
          notes: '',
        }));
        await client.call('imports.create', { body: { items } });
        book.batches.set(tag, true);
      } else if (n % 3 === 1 && own.length > 0) {
        const key = own[n % own.length]!;
        const entry = book.embeds.get(key)!;
        const start = 1 + (n % 500);
        const { etag } = await client.call('embeds.read', { params: { embed: key } });
        entry.tried.push(start);
        await client.call('revisions.create', {
          params: { embed: key },
          ifMatch: etag!,
          body: { options: { start } },
        });
        entry.start = start;
        entry.tried = [];
      } else {
        const text = codeOf(`one-${number}-${n}`);
        const { data } = await client.call('embeds.create', {
          body: { name: `Client ${number} number ${n}`, text },
        });
        book.embeds.set(data.key, { text, start: null, tried: [] });
        own.push(data.key);
      }
      note('done');
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      note(error.code);
      // Whoever gets no answer does not know: only what was acknowledged counts.
      await wait(100);
    }
  }
}

const codeOf = (id: string): string =>
  `<iframe src="https://play.kinorill.localhost/film/${id}?knobs=1" title="${id}" width="640" height="360" allow="fullscreen"></iframe>`;

/* What is missing, wrong or half done. */
async function audit(client: Client, book: Book): Promise<string[]> {
  const wrong: string[] = [];
  const there = new Map<string, number>();
  for await (const { key, tags, revision } of everyItem((after) =>
    client.call('embeds.list', { query: { limit: 200, after } }).then(({ data }) => data),
  )) {
    for (const tag of tags) there.set(tag, (there.get(tag) ?? 0) + 1);
    const { data } = await client.call('revisions.list', { params: { embed: key }, query: { limit: 200 } });
    if (data.items.length !== revision)
      wrong.push(`${key} is at revision ${revision} and has ${data.items.length}`);
  }
  for (const [key, { text, start, tried }] of book.embeds) {
    const read = await client.call('embeds.read', { params: { embed: key } }).catch(() => null);
    if (read === null) wrong.push(`${key} was acknowledged and is not there`);
    else if (read.data.base !== text) wrong.push(`${key} has another code`);
    else if (
      ![start ?? undefined, ...tried].includes(read.data.current.options['start'] as number | undefined)
    )
      wrong.push(`${key} starts at ${String(read.data.current.options['start'])}, not at ${start}`);
  }
  return [...wrong, ...halfDone(book, there)];
}

function halfDone({ batches }: Book, there: ReadonlyMap<string, number>): string[] {
  const wrong: string[] = [];
  for (const [tag, acknowledged] of batches) {
    const count = there.get(tag) ?? 0;
    if (count !== together && (acknowledged || count !== 0))
      wrong.push(`${tag}: ${count} of ${together}${acknowledged ? ', acknowledged' : ''}`);
  }
  return wrong;
}

const spawnOrbis = (folder: string, env: Record<string, string>): ChildProcess =>
  spawn(process.execPath, [main], {
    stdio: ['ignore', 'ignore', 'pipe'],
    env: {
      ...process.env,
      ORBIS_DATA: folder,
      ORBIS_PORT: '0',
      ORBIS_FRAMES_PORT: '0',
      ORBIS_LOG_LEVEL: 'silent',
      ...env,
    },
  });

async function start(
  folder: string,
  env: Record<string, string>,
): Promise<{ child: ChildProcess; ended: Promise<unknown>; url: string; secret: string }> {
  const child = spawnOrbis(folder, env);
  const ended = once(child, 'exit');
  let said = '';
  child.stderr!.on('data', (chunk: Buffer) => void (said += chunk.toString()));
  while (!said.includes('Orbis is running')) {
    if (child.exitCode !== null || child.signalCode !== null)
      throw new Error(`it did not start again: ${said}`);
    await wait(20);
  }
  await wait(20);
  const [, url = '', secret = ''] = /(http:\/\/[^\s/]+)(?:\/set-password#(\S+))?/.exec(said) ?? [];
  return { child, ended, url, secret };
}

async function ready(url: string): Promise<void> {
  for (const end = Date.now() + 60_000; Date.now() < end; await wait(50)) {
    const answer = await fetch(`${url}/api/v1/health/ready`).catch(() => null);
    if (answer?.status === 200) return;
  }
  throw new Error('it is not back after a minute');
}

const shuffled = <T>(items: readonly T[], random: () => number): T[] =>
  items
    .map((item) => [random(), item] as const)
    .sort(([a], [b]) => a - b)
    .map(([, item]) => item);
