import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Pool } from 'undici';
import { openDataFolder, startPrivateDatabase } from '@orbis/service';
import { alone, told } from './alone.ts';
import { line, median } from './figures.ts';
import { asBrowsersAsk, placedLink } from './placed-link.ts';

const [rounds, seconds, visitors] = [5, 2, 40];

/**
 * How many documents of one placement the second origin gives out in a second, and how many short answers to
 * visitors who have it, beside a bare server that sends the same bytes: by turns, with as many visitors.
 */
export async function serving(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const database = await startPrivateDatabase(openDataFolder(join(folder, 'database')), { durable: false });
  const service = alone('service-alone.mjs', {
    ORBIS_DATA: join(folder, 'orbis'),
    ORBIS_DATABASE_URL: database.urls.setUp,
    ORBIS_PORT: '0',
    ORBIS_FRAMES_PORT: '0',
  });
  const bare = alone('bare-alone.mjs', {});
  try {
    const { link } = await placedLink(await told<{ url: string; secret: string }>(service));
    const { port } = new URL(link);
    const asked = asBrowsersAsk(link);
    const full = pool(Number(port));
    const first = await full.request({ path: '/', method: 'GET', headers: asked });
    const body = Buffer.from(await first.body.arrayBuffer());
    const tag = String(first.headers['etag']);
    bare.send({ headers: copied(first.headers), body: body.toString('base64') });
    const plain = pool((await told<{ port: number }>(bare)).port);
    const rows: string[] = [];
    for (const [label, headers] of [
      ['documents', asked],
      ['304 to who has it', { ...asked, 'if-none-match': tag }],
    ] as const) {
      const [ours, theirs]: [number[], number[]] = [[], []];
      for (let i = 0; i < rounds; i++) {
        ours.push(await answered(full, headers));
        theirs.push(await answered(plain, headers));
      }
      const ratio = median(ours.map((each, i) => each / theirs[i]!));
      rows.push(line(label, median(ours).toFixed(0), median(theirs).toFixed(0), ratio.toFixed(2)));
    }
    await Promise.all([full.close(), plain.close()]);
    return `Answers in a second (medians of ${rounds} times ${seconds} s, ${visitors} visitors, ${body.length} bytes)\n${line('', 'Orbis', 'bare', 'ratio')}${rows.join('')}`;
  } finally {
    service.kill();
    bare.kill();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

const pool = (port: number): Pool => new Pool(`http://127.0.0.1:${port}`, { connections: visitors });

/* All that is said, but for what the server itself adds. */
const copied = (headers: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(headers).filter(
      ([name]) => !/^(?:date|connection|keep-alive|content-length|transfer-encoding|ratelimit)/.test(name),
    ),
  );

async function answered(at: Pool, headers: Record<string, string>): Promise<number> {
  let count = 0;
  const end = performance.now() + seconds * 1000;
  const visitor = async (): Promise<void> => {
    while (performance.now() < end) {
      const { statusCode, body } = await at.request({ path: '/', method: 'GET', headers });
      await body.dump();
      if (statusCode !== 200 && statusCode !== 304) throw new Error(`it answered ${statusCode}`);
      count++;
    }
  };
  await Promise.all(Array.from({ length: visitors }, visitor));
  return count / seconds;
}
