import { setTimeout as wait } from 'node:timers/promises';
import type { ChangeEvent } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { changesSince, lastChangeId, type ChangeRow } from '../store/change-log.ts';
import { keysOfThings, thingsOf } from '../store/sites-of-things.ts';
import type { Narrowed } from './may.ts';
import { tellChange } from './tell-changes.ts';

/** Who follows what is done. */
export interface Follower {
  personId: number;
  /** What is told is narrowed to this; null for everything. */
  narrowed: Narrowed | null;
  now: () => Date;
  signal: AbortSignal;
}

/* How often it is looked whether something was done, in ms, so that it is heard of within a second; how far
   back what was taken back is looked for, as clocks differ; and how many things of a change are named. */
const [lookEvery, backwards, mostThings] = [800, 10_000, 20];

/** What is done from now on, as it is done, until nobody listens any more. */
export async function* followChanges(
  db: Handle,
  { personId, narrowed, now, signal }: Follower,
): AsyncGenerator<ChangeEvent> {
  const told = new Map<string, number>();
  let after = await lastChangeId(db);
  const begun = now();
  for (let isFirst = true; !signal.aborted; isFirst = false) {
    const undoneSince = new Date(Math.max(begun.getTime(), now().getTime() - backwards));
    const rows = await changesSince(db, { after, undoneSince });
    for (const row of rows) {
      const key = `${row.id} ${row.undoneAt === null ? 'done' : 'undone'}`;
      if (told.has(key)) continue;
      told.set(key, row.id);
      // What stood there before anybody listened is no news.
      if (!isFirst && isTheirs(row, narrowed, await thingsOf(db, row.id)))
        yield await eventOf(db, row, personId);
    }
    after = Math.max(after, ...rows.map(({ id }) => id));
    forget(told);
    await wait(lookEvery, undefined, { signal }).catch(() => undefined);
  }
}

/* Whoever has to do with single sites hears of what they did themselves, and of what is about those alone. */
const isTheirs = (
  { createdBy }: ChangeRow,
  narrowed: Narrowed | null,
  { sites }: { sites: readonly number[] },
): boolean =>
  narrowed === null ||
  createdBy === narrowed.personId ||
  (sites.length > 0 && sites.every((site) => narrowed.sites.includes(site)));

async function eventOf(db: Handle, row: ChangeRow, personId: number): Promise<ChangeEvent> {
  const things = await keysOfThings(db, row.id, mostThings);
  const mine = (row.undoneAt === null ? row.createdBy : row.undoneBy) === personId;
  return { ...(await tellChange(db, row)), mine, things };
}

/* More than are looked at again is not remembered. */
function forget(told: Map<string, number>): void {
  for (const key of [...told.keys()].slice(0, Math.max(0, told.size - 1000))) told.delete(key);
}
