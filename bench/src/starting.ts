import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { openDataFolder, startPrivateDatabase } from '@orbis/service';
import { line, median } from './figures.ts';
import { timed } from './started.ts';

const rounds = 9;
const at = (path: string): string => fileURLToPath(new URL(`../../service/dist/${path}`, import.meta.url));

/**
 * How long it takes until Orbis answers, and until the thread is there that reads the first code: as it is
 * built, and by the same modules in files of their own; by turns.
 */
export async function starting(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const database = await startPrivateDatabase(openDataFolder(join(folder, 'database')), { durable: false });
  const service = (path: string) => untilItRuns(at(path), folder, database.urls.setUp);
  try {
    await service('programs/main.mjs');
    const rows = [
      await byTurns('until Orbis answers', service, ['programs/main.mjs', 'main.js']),
      await byTurns('until a thread can read', threadReady, ['reading/worker.mjs', 'reading/worker.js']),
    ];
    return `In ms, median of ${rounds} by turns: as it is built, by single modules, and the ratio\n${rows.join('')}`;
  } finally {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function byTurns(
  name: string,
  start: (path: string) => Promise<unknown>,
  [built, single]: [string, string],
): Promise<string> {
  const times: [number[], number[]] = [[], []];
  for (let round = 0; round < rounds; round++) {
    times[0].push(await timed(() => start(built)));
    times[1].push(await timed(() => start(single)));
  }
  const [a, b] = times.map(median) as [number, number];
  return line(name, a.toFixed(0), b.toFixed(0), (a / b).toFixed(2));
}

/* A service on a database that runs already, until it says so; it is ended at once then. */
async function untilItRuns(program: string, folder: string, database: string): Promise<void> {
  const child = spawn(process.execPath, [program], {
    env: {
      ...process.env,
      ...{ ORBIS_DATA: join(folder, 'orbis'), ORBIS_DATABASE_URL: database, ORBIS_CHROMIUM: 'none' },
      ...{ ORBIS_PORT: '0', ORBIS_FRAMES_PORT: '0', ORBIS_LOG_LEVEL: 'warn' },
    },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => void (said += chunk.toString()));
  while (!said.includes('Orbis is running')) {
    if (child.exitCode !== null) throw new Error(`It did not start: ${said}`);
    await Promise.race([once(child.stderr, 'data'), once(child, 'exit')]);
  }
  child.kill('SIGKILL');
  await once(child, 'exit');
}

async function threadReady(path: string): Promise<void> {
  const worker = new Worker(
    `import(${JSON.stringify(`file://${at(path)}`)}).then(() => require('node:worker_threads').parentPort.postMessage(0));`,
    { eval: true },
  );
  await once(worker, 'message');
  await worker.terminate();
}
