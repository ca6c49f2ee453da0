import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import mysql, { type RowDataPacket } from 'mysql2/promise';
import { startBalancer } from './cluster/balancer.ts';
import { startCluster, type Cluster } from './cluster/galera.ts';
import { collecting, sweeping, visiting, type Acknowledged, type Load, type Swept } from './cluster/load.ts';
import { layNetwork, type Network } from './cluster/network.ts';
import { processesOn, type Processes, type Role } from './cluster/roles.ts';
import { line } from './figures.ts';
import { placedLink } from './placed-link.ts';

const nodes = [1, 2, 3];
const numbers = [1, 2];
const roles: readonly Role[] = ['console', 'jobs', 'frames'];
/* How long it is looked at what an event does, in milliseconds. */
const looked = 20_000;
/* How long it runs before, in milliseconds: nothing is warm yet. */
const warm = 15_000;

interface Stage {
  cluster: Cluster;
  network: Network;
  processes: Processes;
}

/** Something that happens, and how it is put right again. */
interface Incident {
  name: string;
  happen(): unknown;
  mend(): unknown;
}

/**
 * Three nodes of a database, two processes of each role, and a balancer: kills, stops and cuts off each kind
 * in turn while codes are collected, frames are shown and sites are swept; prints the longest pause of each,
 * and holds what is there in the end against what was acknowledged. Needs root, HAProxy, Galera and
 * mariadb-backup (Debian’s packages).
 */
export async function cluster(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-cluster-'));
  const network = layNetwork(nodes);
  const database = await startCluster(nodes, folder, network);
  const processes = processesOn(database.url, folder);
  const balancer = startBalancer(folder, numbers);
  try {
    for (const number of numbers) for (const role of roles) await processes.start(role, number);
    // The link of whoever came last takes the place of the others’.
    const secret = /set-password#(\S+)/.exec(processes.said('console', numbers.at(-1)!))![1]!;
    // Until the balancer has seen them.
    await wait(3000);
    const { link, client } = await placedLink({ url: 'http://orbis.localhost:7500', secret });
    const acknowledged: Acknowledged = new Set();
    const sweeps = await sweeping(client);
    const loads = {
      collecting: collecting(client, acknowledged),
      visiting: visiting(link),
      sweeping: sweeps,
    };
    await wait(warm);
    const table = await through(incidents({ cluster: database, network, processes }), loads);
    for (const load of Object.values(loads)) await load.end();
    return `${table}\n${await accounted(database, acknowledged, sweeps)}`;
  } finally {
    balancer.kill('SIGKILL');
    processes.end();
    database.end();
    network.remove();
    rmSync(folder, { recursive: true, force: true });
  }
}

const incidents = ({ cluster: database, network, processes }: Stage): Incident[] => [
  { name: 'nothing happens', happen: () => undefined, mend: () => undefined },
  ...roles.map((role) => ({
    name: `${role} killed with -9`,
    happen: () => processes.kill(role, 1),
    mend: () => processes.start(role, 1),
  })),
  {
    name: 'a node killed with -9, the used one',
    happen: () => database.kill(1),
    mend: () => database.start(1),
  },
  {
    name: 'a node stopped, the used one',
    happen: () => database.stop(2),
    mend: () => database.start(2),
  },
  {
    name: 'a node cut off, the used one',
    happen: () => network.cut(3),
    mend: async () => {
      network.mend(3);
      await database.ready(3, nodes.length);
    },
  },
];

/* Goes through all that happens, and tells the longest pause of each kind of work. */
async function through(
  all: readonly Incident[],
  loads: Readonly<Record<'collecting' | 'visiting' | 'sweeping', Load>>,
): Promise<string> {
  const kinds = [loads.collecting, loads.visiting, loads.sweeping];
  const rows: string[] = [];
  for (const { name, happen, mend } of all) {
    await wait(5000);
    for (const load of kinds) load.heard();
    await happen();
    await wait(looked);
    const heard = kinds.map((load) => load.heard());
    rows.push(
      line(
        name,
        ...heard.flatMap(({ good, bad, longest }) => [String(good), String(bad), longest.toFixed(0)]),
      ),
    );
    process.stdout.write(rows.at(-1)!);
    await mend();
  }
  const head = ['kept', 'not', 'pause', 'shown', 'not', 'pause', 'swept', 'not', 'pause'];
  return `In ${looked / 1000} s each: codes kept, frames shown, sites swept; how often not; the longest pause in ms\n${line('', ...head)}${rows.join('')}`;
}

/* What was said to be kept and is not there, and what was done more than once. */
async function accounted(database: Cluster, acknowledged: Acknowledged, sweeps: Swept): Promise<string> {
  const connection = await mysql.createConnection(database.urlOf(1));
  try {
    const [rows] = await connection.query<RowDataPacket[]>('SELECT `key` FROM `embed`');
    const there = new Set(rows.map((row) => String(row['key'])));
    const lost = [...acknowledged].filter((key) => !there.has(key));
    const [states] = await connection.query<RowDataPacket[]>(
      "SELECT `public_id` AS `id` FROM `job` WHERE `kind` = 'sweep' AND `state` = 'done'",
    );
    const done = new Set(states.map((row) => String(row['id'])));
    const unfinished = [...sweeps.ended].filter((id) => !done.has(id));
    return `Of ${acknowledged.size} codes that were acknowledged, ${lost.length} are lost. Of ${sweeps.ended.size} sweeps that ended, ${unfinished.length} are not done; a page was read again by its sweep ${sweeps.again()} times.\n`;
  } finally {
    await connection.end();
  }
}
