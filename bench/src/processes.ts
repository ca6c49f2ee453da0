import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { openDataFolder, startPrivateDatabase } from '@orbis/service';
import { startBalancer } from './cluster/balancer.ts';
import { collecting, sweeping, visiting } from './cluster/load.ts';
import { processesOn, type Role } from './cluster/roles.ts';
import { line } from './figures.ts';
import { placedLink } from './placed-link.ts';

const roles: readonly Role[] = ['console', 'jobs', 'frames'];
/* In seconds, once all of it is warm. */
const [warm, seconds] = [10, 20];

/**
 * The same load on one, two and three processes of each role behind a balancer, on one database: how much is
 * done in a second, and how much processor time each piece takes in the processes of its role. Needs HAProxy.
 */
export async function processes(): Promise<string> {
  const rows: string[] = [];
  for (const count of [1, 2, 3]) rows.push(await withProcesses(count));
  return `By how many processes of each role: codes kept, frames shown and sites swept in a second; processor time of each in ms\n${line('', 'kept', 'ms', 'shown', 'ms', 'swept', 'ms')}${rows.join('')}`;
}

async function withProcesses(count: number): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const database = await startPrivateDatabase(openDataFolder(join(folder, 'database')), { durable: false });
  const numbers = Array.from({ length: count }, (_, i) => i + 1);
  const running = processesOn(database.urls.setUp, folder);
  const balancer = startBalancer(folder, numbers);
  try {
    for (const number of numbers) for (const role of roles) await running.start(role, number);
    const secret = /set-password#(\S+)/.exec(running.said('console', count))![1]!;
    // Until the balancer has seen them.
    await wait(3000);
    const { link, client } = await placedLink({ url: 'http://orbis.localhost:7500', secret });
    const loads = [collecting(client, new Set()), visiting(link), await sweeping(client)];
    await wait(warm * 1000);
    for (const load of loads) load.heard();
    const before = [running.cpu('console'), running.cpu('frames'), running.cpu('jobs')];
    await wait(seconds * 1000);
    const heard = loads.map((load) => load.heard());
    const after = [running.cpu('console'), running.cpu('frames'), running.cpu('jobs')];
    for (const load of loads) await load.end();
    const cells = heard.flatMap(({ good, bad }, i) => {
      if (bad > 0) throw new Error(`${bad} answers were not as they should be.`);
      return [(good / seconds).toFixed(1), ((after[i]! - before[i]!) / good).toFixed(1)];
    });
    return line(`${count}`, ...cells);
  } finally {
    balancer.kill('SIGKILL');
    running.end();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
