import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { Pool } from 'undici';
import type { Client } from '@orbis/contract';
import { openDataFolder, startPrivateDatabase } from '@orbis/service';
import { alone, told } from './alone.ts';
import { line, median } from './figures.ts';
import { asBrowsersAsk, placedLink } from './placed-link.ts';

const visitors = 40;
const [requests, parts] = [1_000_000, 10];
const publishing = 20;
const saves = 15;

/**
 * What the second origin does in the long run: its memory over a million documents, how long visitors wait
 * while a revision is published every second, and how soon the first of them gets what was saved.
 */
export async function enduring(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const database = await startPrivateDatabase(openDataFolder(join(folder, 'database')), { durable: false });
  const service = alone('service-alone.mjs', {
    ORBIS_DATA: join(folder, 'orbis'),
    ORBIS_DATABASE_URL: database.urls.setUp,
    ORBIS_PORT: '0',
    ORBIS_FRAMES_PORT: '0',
  });
  try {
    const { link, client } = await placedLink(await told<{ url: string; secret: string }>(service));
    const pool = new Pool(`http://127.0.0.1:${new URL(link).port}`, { connections: visitors });
    const visit = visiting(pool, asBrowsersAsk(link));
    const memory: number[] = [];
    for (let i = 0; i < parts; i++) {
      await inTurns(visit, (count) => count < requests / parts / visitors);
      memory.push(megabytes(service.pid!));
    }
    const calm = await waits(visit, () => Promise.resolve());
    let width = 400;
    const busy = await waits(visit, () => save(client, width++));
    const soon: number[] = [];
    for (let i = 0; i < saves; i++) soon.push(await untilSeen(client, visit, width++));
    await pool.close();
    return `In the long run (${visitors} visitors, one document)\n${[
      line('memory after each 100,000, in MB', memory.join(' ')),
      line('wait, 99 of 100 below, in ms', calm.toFixed(1)),
      line('the same, a revision each second', busy.toFixed(1)),
      line(
        'from a save to a visitor, in ms',
        `${median(soon).toFixed(0)} (at most ${Math.max(...soon).toFixed(0)})`,
      ),
    ].join('')}`;
  } finally {
    service.kill();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/* The resident memory of a process. */
const megabytes = (pid: number): number =>
  Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024);

type Visit = (isRead?: boolean) => Promise<string>;

const visiting =
  (pool: Pool, headers: Record<string, string>): Visit =>
  async (isRead = false) => {
    const asked = isRead ? { ...headers, 'accept-encoding': 'identity' } : headers;
    const { statusCode, body } = await pool.request({ path: '/', method: 'GET', headers: asked });
    if (statusCode !== 200) throw new Error(`it answered ${statusCode}`);
    if (isRead) return body.text();
    await body.dump();
    return '';
  };

/* All visitors, one request after the other, as long as it holds for how many each has made. */
const inTurns = async (visit: Visit, holds: (count: number) => boolean): Promise<void> => {
  const visitor = async (): Promise<void> => {
    for (let count = 0; holds(count); count++) await visit();
  };
  await Promise.all(Array.from({ length: visitors }, visitor));
};

/* How long visitors wait at most, but for one in a hundred, while something is done every second. */
async function waits(visit: Visit, each: () => Promise<unknown>): Promise<number> {
  const times: number[] = [];
  const end = performance.now() + publishing * 1000;
  const timed: Visit = async () => {
    const began = performance.now();
    await visit();
    times.push(performance.now() - began);
    return '';
  };
  const doing = (async () => {
    while (performance.now() < end) await Promise.all([each(), wait(1000)]);
  })();
  await inTurns(timed, () => performance.now() < end);
  await doing;
  times.sort((a, b) => a - b);
  return times[Math.floor(times.length * 0.99)]!;
}

async function save(client: Client, width: number): Promise<void> {
  const params = { embed: 'talk' };
  const { etag } = await client.call('embeds.read', { params });
  await client.call('revisions.create', { params, ifMatch: etag!, body: { options: { width } } });
}

async function untilSeen(client: Client, visit: Visit, width: number): Promise<number> {
  await save(client, width);
  const saved = performance.now();
  while (!(await visit(true)).includes(`width="${width}"`)) await wait(5);
  return performance.now() - saved;
}
