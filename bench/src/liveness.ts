import { createServer } from 'node:http';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { createClient } from '@orbis/contract';
import { loopbackFetch } from '@orbis/demo';
import { openDataFolder, startPrivateDatabase } from '@orbis/service';
import { alone, told } from './alone.ts';
import { line } from './figures.ts';

const fetch = loopbackFetch();

/**
 * How long the liveness route takes while a hostile megabyte is read, ten thousand codes are taken in and
 * foreign media are looked at; and with nothing going on.
 */
export async function liveness(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const database = await startPrivateDatabase(openDataFolder(join(folder, 'database')), { durable: false });
  const service = alone('service-alone.mjs', {
    ORBIS_DATA: join(folder, 'orbis'),
    ORBIS_DATABASE_URL: database.urls.setUp,
    ORBIS_PORT: '0',
    ORBIS_FRAMES_PORT: '0',
    ORBIS_ALLOW_PRIVATE: 'yes',
  });
  // A film whose beginning is all that comes, and which says nothing of itself.
  const media = createServer((_request, response) => {
    response.writeHead(200, { 'content-type': 'video/mp4', 'content-length': 50_000_000 });
    response.write(
      Buffer.concat([Buffer.from('000000206674797069736f6d', 'hex'), Buffer.alloc(600_000, 0x6d)]),
    );
  });
  await new Promise<void>((resolve) => media.listen(0, '127.0.0.1', resolve));
  try {
    const { url, secret } = await told<{ url: string; secret: string }>(service);
    const password = 'only for this measure';
    await createClient({ url, fetch }).call('password.set', { body: { secret, password, name: 'Bench' } });
    const { token } = (
      await createClient({ url, fetch }).call('tokens.exchange', { body: { password, name: 'bench' } })
    ).data;
    const client = createClient({ url, fetch, headers: { authorization: `Bearer ${token}` } });
    const { port } = media.address() as AddressInfo;
    const items = Array.from({ length: 10_000 }, (_, i) => ({
      name: `Talk ${i}`,
      text: `<iframe src="https://play.kinorill.localhost/film/r${i}?knobs=1" title="Talk ${i}" width="640" height="360"></iframe>`,
      tags: [],
      notes: '',
    }));
    const hostile = '<p<p '.repeat(209_000);
    let working = true;
    const again = async (work: () => Promise<unknown>): Promise<void> => {
      while (working) await work().catch(() => undefined);
    };
    const idle = await answersOf(url, () => wait(8000));
    const loads = [
      again(() => client.call('readings.create', { body: { text: hostile } })),
      again(() =>
        client.call('links.find', { body: { link: `http://media.localhost:${port}/film.mp4`, ask: true } }),
      ),
    ];
    const busy = await answersOf(url, async () => {
      await client.call('imports.create', { body: { items } });
      await wait(3000);
    });
    working = false;
    await Promise.all(loads);
    const row = (label: string, times: readonly number[]): string =>
      line(label, `${times.length}`, `${at(times, 0.5)} ms`, `${at(times, 0.99)} ms`, `${at(times, 1)} ms`);
    return [
      'The liveness route, asked every 20 ms\n',
      line('while', 'asked', 'median', '99 %', 'slowest'),
      row('nothing goes on', idle),
      row('hostile text, 10,000 codes and media', busy),
    ].join('');
  } finally {
    service.kill();
    media.closeAllConnections();
    media.close();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/* How long each question took, in milliseconds, in their order of size. */
async function answersOf(url: string, during: () => Promise<unknown>): Promise<number[]> {
  const times: number[] = [];
  let over = false;
  const done = during().finally(() => (over = true));
  while (!over) {
    const begun = performance.now();
    const { status } = await fetch(`${url}/api/v1/health/live`);
    if (status !== 200) throw new Error(`it answered ${status}`);
    times.push(performance.now() - begun);
    await wait(20);
  }
  await done;
  return times.sort((a, b) => a - b);
}

const at = (times: readonly number[], share: number): string =>
  (times[Math.min(times.length - 1, Math.floor(times.length * share))] ?? 0).toFixed(1);
