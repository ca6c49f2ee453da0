import { Gauge, type Registry } from 'prom-client';
import { mostToDo, wantingStates } from '@orbis/contract';
import type { Connection } from '../database/connect.ts';
import { openByRule } from '../store/finding-counts.ts';
import { newestCopy } from '../store/copies.ts';
import { countMessages } from '../store/messages.ts';
import { countStale } from '../store/stale.ts';
import { countInState, lastSwept } from '../store/today.ts';

/* So far messages are counted. */
const mostMessages = 1000;

/**
 * What is the same whichever process is asked: read from the database each time. Where that does not answer,
 * `orbis_database_up` is 0 and the others say nothing. Which host of it is used is of each process.
 */
export function addGauges(
  registry: Registry,
  { db, nodes }: Pick<Connection, 'db' | 'nodes'>,
): () => Promise<void> {
  const gauge = <L extends string>(name: string, help: string, labelNames: readonly L[] = []): Gauge<L> =>
    new Gauge({ name: `orbis_${name}`, help, labelNames, registers: [registry] });
  const up = gauge('database_up', 'Whether the database answers');
  const host = gauge('database_host', 'Which host of ORBIS_DATABASE_URL this process uses, from 1');
  const left = gauge(
    'database_hosts_left',
    'How often this process has left one of these hosts for the next',
  );
  const findings = gauge('findings_open', 'Findings that want attention, by what was found', ['rule']);
  const placements = gauge(
    'placements_wanting',
    `Placements that are not as they should be, by state; ${mostToDo} stands for that many or more`,
    ['state'],
  );
  const stale = gauge(
    'placements_to_plan',
    'Placements of which it is being worked out whether they changed',
  );
  const messages = gauge(
    'messages',
    `Messages with news that wait or were given up; ${mostMessages} stands for that many or more`,
    ['state'],
  );
  const swept = gauge('last_sweep_timestamp_seconds', 'When a sweep last came to its end, in Unix time');
  const copied = gauge(
    'last_copy_timestamp_seconds',
    'Of when the last safety copy is that was read back, in Unix time',
  );
  return async () => {
    host.set(nodes.current + 1);
    left.set(nodes.left.times);
    for (const each of [findings, placements, stale, messages, swept, copied]) each.reset();
    try {
      for (const { rule, count } of await openByRule(db)) findings.set({ rule }, count);
      for (const state of wantingStates) placements.set({ state }, await countInState(db, state, mostToDo));
      for (const state of ['waiting', 'dead'] as const)
        messages.set({ state }, await countMessages(db, { state }, mostMessages));
      stale.set(await countStale(db));
      const at = await lastSwept(db);
      if (at) swept.set(at.getTime() / 1000);
      const copy = await newestCopy(db, ['good']);
      if (copy?.madeAt) copied.set(copy.madeAt.getTime() / 1000);
      up.set(1);
    } catch {
      up.set(0);
    }
  };
}
