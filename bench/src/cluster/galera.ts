import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, openSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import mysql, { type RowDataPacket } from 'mysql2/promise';
import { addressOf, type Network } from './network.ts';

const password = 'only-for-this-measure';

/** Three MariaDB servers that keep the same, by Galera from Debian’s packages. */
export interface Cluster {
  /** As Orbis is told: all of them. */
  url: string;
  /** One of them, to look into. */
  urlOf(node: number): string;
  start(node: number): Promise<void>;
  kill(node: number): void;
  stop(node: number): Promise<void>;
  /** Waits until as many as this one sees are together, and it takes part. */
  ready(node: number, together: number): Promise<void>;
  end(): void;
}

/** Starts the nodes one after the other, with an empty database for Orbis. */
export async function startCluster(
  nodes: readonly number[],
  folder: string,
  network: Network,
): Promise<Cluster> {
  const running = new Map<number, ChildProcess>();
  const urlOf = (node: number): string => `mysql://orbis:${password}@${addressOf(node)}:3306/orbis`;
  const launch = (node: number, peers: readonly number[]): void => {
    const [program = '', ...args] = [...network.on(node), ...commandOf(node, folder, peers)];
    const log = openSync(join(folder, `${node}.log`), 'a');
    running.set(node, spawn(program, args, { stdio: ['ignore', log, log] }));
  };
  const ready: Cluster['ready'] = async (node, together) => {
    for (const end = Date.now() + 120_000; Date.now() < end; await wait(200))
      if ((await sizeSeenBy(urlOf(node))) === together) return;
    throw new Error(
      `Node ${node} did not become ready: ${readFileSync(join(folder, `${node}.log`), 'utf8').slice(-2000)}`,
    );
  };
  const [first = 1, ...others] = nodes;
  installNode(first, folder);
  launch(first, []);
  await makeAccount(join(folder, `${first}`, 'socket'));
  await ready(first, 1);
  for (const [i, node] of others.entries()) {
    // The others take everything over from one that is there.
    launch(node, nodes);
    await ready(node, i + 2);
  }
  return {
    url: urlOf(first).replace(
      `${addressOf(first)}:3306`,
      nodes.map((node) => `${addressOf(node)}:3306`).join(','),
    ),
    urlOf,
    start: async (node) => {
      launch(node, nodes);
      await ready(node, nodes.length);
    },
    kill: (node) => void running.get(node)!.kill('SIGKILL'),
    stop: async (node) => {
      const child = running.get(node)!;
      const gone = once(child, 'exit');
      child.kill('SIGTERM');
      await gone;
    },
    ready,
    end: () => running.forEach((child) => child.kill('SIGKILL')),
  };
}

function commandOf(node: number, folder: string, peers: readonly number[]): string[] {
  const at = addressOf(node);
  const inside = (name: string): string => join(folder, String(node), name);
  for (const name of ['data', 'tmp']) mkdirSync(inside(name), { recursive: true });
  const options = [
    ...['base_port=4567', `gmcast.listen_addr=tcp://${at}:4567`, `ist.recv_addr=${at}:4568`],
    'gcache.size=32M',
  ];
  return [
    ...['/usr/sbin/mariadbd', '--no-defaults', '--user=root', `--datadir=${inside('data')}`],
    ...[`--socket=${inside('socket')}`, `--tmpdir=${inside('tmp')}`, `--pid-file=${inside('pid')}`],
    ...[`--bind-address=${at}`, '--port=3306', '--skip-name-resolve', '--default-time-zone=+00:00'],
    ...['--character-set-server=utf8mb4', '--collation-server=utf8mb4_unicode_ci'],
    '--max-allowed-packet=64M',
    ...['--sql-mode=STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION'],
    ...['--wsrep-on=ON', '--wsrep-provider=/usr/lib/galera/libgalera_smm.so', '--binlog-format=ROW'],
    ...['--innodb-autoinc-lock-mode=2', '--wsrep-cluster-name=orbis', `--wsrep-node-address=${at}`],
    ...['--wsrep-sst-method=mariabackup', '--wsrep-sst-auth=root:', `--wsrep-sst-receive-address=${at}:4444`],
    `--wsrep-provider-options=${options.join(';')}`,
    `--wsrep-cluster-address=gcomm://${peers.map(addressOf).join(',')}`,
    ...(peers.length === 0 ? ['--wsrep-new-cluster'] : []),
  ];
}

function installNode(node: number, folder: string): void {
  mkdirSync(join(folder, String(node)), { recursive: true });
  execFileSync(
    'mariadb-install-db',
    [
      ...['--no-defaults', `--datadir=${join(folder, String(node), 'data')}`, '--user=root'],
      ...['--auth-root-authentication-method=normal', '--skip-test-db'],
    ],
    { stdio: 'ignore' },
  );
}

async function makeAccount(socketPath: string): Promise<void> {
  for (let attempt = 0; ; attempt++) {
    try {
      const connection = await mysql.createConnection({ socketPath, user: 'root' });
      await connection.query('CREATE DATABASE orbis CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
      await connection.query(`CREATE USER orbis IDENTIFIED BY '${password}'`);
      await connection.query('GRANT ALL ON orbis.* TO orbis');
      return await connection.end();
    } catch (error) {
      if (attempt > 100) throw error;
      await wait(200);
    }
  }
}

/* How many are together, as a node sees it; 0 where it does not take part. */
async function sizeSeenBy(uri: string): Promise<number> {
  try {
    const connection = await mysql.createConnection({ uri, connectTimeout: 1000 });
    try {
      const [rows] = await connection.query<RowDataPacket[]>(
        "SHOW STATUS WHERE Variable_name IN ('wsrep_ready', 'wsrep_cluster_size', 'wsrep_local_state_comment')",
      );
      const said = new Map(rows.map((row) => [String(row['Variable_name']), String(row['Value'])]));
      const takesPart =
        said.get('wsrep_ready') === 'ON' && said.get('wsrep_local_state_comment') === 'Synced';
      return takesPart ? Number(said.get('wsrep_cluster_size')) : 0;
    } finally {
      connection.destroy();
    }
  } catch {
    return 0;
  }
}
