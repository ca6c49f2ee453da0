import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createConnection, type Connection } from 'mysql2/promise';
import type { Client } from '@orbis/contract';
import {
  analyzeStatement,
  fillStatements,
  type RegisterSize,
} from '../../service/test/support/large-register.ts';
import { line } from './figures.ts';
import { answers, type Answer } from './million-answers.ts';
import { started, timed } from './started.ts';

const size: RegisterSize = {
  sites: 50,
  pages: 100_000,
  spots: 200_000,
  embeds: 20_000,
  placements: 1_000_000,
  sweeps: 2,
  changes: 50_000,
};

/* One site has a fifth of all pages, and one embed a great many placements. */
const uneven = [
  'update page set site_id = 1 where id mod 5 = 0',
  'update placement join page on page.id = placement.page_id set placement.site_id = 1 where page.site_id = 1',
  `update ignore placement set embed_id = 1 where id <= ${size.spots} and id mod 8 = 0`,
  'update embed set placements = (select count(*) from placement where embed_id = 1) where id = 1',
  'update site set pages = (select count(*) from page where page.site_id = site.id)',
];

/**
 * The answers of the register with a million placements, through the interface with a real MariaDB, each
 * against the best hand-written SQL for the same rows on the same server; and what a change of a large site’s
 * colours costs.
 */
export async function million(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const service = await started(folder);
  try {
    const { client } = service;
    const sql = await createConnection(service.database);
    await sql.query('set session max_statement_time = 0');
    const from = performance.now();
    for (const statement of [...fillStatements(size), ...uneven, analyzeStatement])
      await sql.query(statement);
    const filled = seconds(performance.now() - from);
    const before = memoryOf(service.pid);
    const rows: string[] = [];
    for (const answer of answers) rows.push(await compared(answer, client, sql));
    const changed = await changedSite(client, sql);
    const after = memoryOf(service.pid);
    await sql.end();
    return [
      `A register of ${size.placements.toLocaleString('en')} placements (filled in ${filled}), each answer ${times} times by turns, in ms\n`,
      line('answer', 'SQL p50', 'p95', 'Orbis p50', 'p95', 'times p95'),
      ...rows,
      `\n${changed}The service’s memory before all of it ${before} MB, and behind it ${after} MB.\n`,
    ].join('');
  } finally {
    await service.end();
    rmSync(folder, { recursive: true, force: true });
  }
}

const times = 60;
const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;

/* Both ways by turns, so that both meet the same weather; the first few times count for neither. */
async function compared({ label, ask, query }: Answer, client: Client, sql: Connection): Promise<string> {
  const [bare, full]: [number[], number[]] = [[], []];
  for (let i = -5; i < times; i++) {
    const [a, b] = [await timed(() => sql.query(query)), await timed(() => ask(client))];
    if (i < 0) continue;
    bare.push(a);
    full.push(b);
  }
  const [bare50, bare95, full50, full95] = [at(bare, 0.5), at(bare, 0.95), at(full, 0.5), at(full, 0.95)];
  const ms = (value: number): string => value.toFixed(1);
  return line(label, ms(bare50), ms(bare95), ms(full50), ms(full95), (full95 / bare95).toFixed(1));
}

const at = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))]!;

/* What its frames look like is part of what is handed out, so all of its pages are to be planned again. */
async function changedSite(client: Client, sql: Connection): Promise<string> {
  const params = { site: 's1' };
  const { etag } = await client.call('sites.read', { params });
  const body = { frameStyle: 'body { color: #123456 }' };
  const took = await timed(() => client.call('sites.change', { params, ifMatch: etag!, body }));
  const first = await timed(() => client.call('placements.list', { query: { site: 's1', limit: 50 } }));
  const marked = await timed(() =>
    until(async () => (await counted(sql, 'select count(*) from site_marking')) === 0),
  );
  const waiting = await counted(sql, stalePages);
  await pause(20_000);
  const rate = (waiting - (await counted(sql, stalePages))) / 20;
  return [
    `A change of what the frames of a site with ${waiting.toLocaleString('en')} pages look like answered after ${took.toFixed(0)} ms; the first list of that site, planned on the spot, came after ${first.toFixed(0)} ms.\n`,
    `Its placements were marked after ${seconds(first + marked)}, and then ${rate.toFixed(0)} pages a second are planned in the background.\n`,
  ].join('');
}

const stalePages = "select count(distinct page_id) from placement where stale = 'yes'";

async function counted(sql: Connection, query: string): Promise<number> {
  const [rows] = (await sql.query(query)) as unknown as [Record<string, number>[]];
  return Number(Object.values(rows[0]!)[0]);
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

async function until(holds: () => Promise<boolean>): Promise<void> {
  while (!(await holds())) await pause(100);
}

/* What a process has of the memory, in MB (Linux, proc(5)). */
const memoryOf = (pid: number): number =>
  Math.round(Number(/^VmRSS:\s+(\d+) kB/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1000);
