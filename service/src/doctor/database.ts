import { sql } from 'drizzle-orm';
import type { Diagnosis } from '@orbis/contract';
import type { Connection, Handle } from '../database/connect.ts';
import { momentOf } from '../moment.ts';
import { found } from './found.ts';

/* A database beside its programs answers in a few ms, and one in the same house in some more. */
const slow = 100;

type Rows = [Record<string, unknown>[], unknown];

/**
 * Whether the database answers, and how fast, the best of five times; and whether by the first of its hosts.
 */
export async function lookAtDatabase({ db, nodes }: Pick<Connection, 'db' | 'nodes'>): Promise<Diagnosis> {
  const times: number[] = [];
  let server = '';
  for (let n = 0; n < 5; n++) {
    const begun = performance.now();
    const [[row]] = (await db.execute(sql`select version() as version`)) as unknown as Rows;
    times.push(performance.now() - begun);
    server = row?.['version'] as string;
  }
  const ms = Math.max(1, Math.round(Math.min(...times)));
  const facts = { ms, server, host: nodes.hosts[nodes.current]!, hosts: nodes.count };
  if (ms > slow) return found('warning', 'database-slow', facts);
  if (nodes.current === 0) return found('well', 'database-well', facts);
  const { host: left, at } = nodes.left.last!;
  return found('warning', 'database-other-host', { ...facts, left, at: momentOf(at) });
}

/** Whether all that changes the tables was done. */
export async function lookAtTables(db: Handle, version: string): Promise<Diagnosis> {
  const [[row]] = (await db.execute(
    sql`select count(*) as n from migration where done_at is null`,
  )) as unknown as Rows;
  const statements = Number(row?.['n'] ?? 0);
  return statements > 0
    ? found('fault', 'tables-unfinished', { statements })
    : found('well', 'tables-well', { version });
}

/* So many seconds may two clocks be apart: more than any network takes. */
const apart = 2;

/** Whether this machine and that of the database have the same time. */
export async function lookAtClock(db: Handle, now: () => Date): Promise<Diagnosis> {
  const before = now().getTime();
  const [[row]] = (await db.execute(
    sql`select timestampdiff(microsecond, '1970-01-01', utc_timestamp(3)) / 1000000 as at`,
  )) as unknown as Rows;
  const middle = (before + now().getTime()) / 2;
  const seconds = Math.round(Math.abs(Number(row?.['at']) - middle / 1000));
  return seconds > apart ? found('fault', 'clock-off', { seconds }) : found('well', 'clock-well');
}
