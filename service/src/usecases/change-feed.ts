import { atomFeed, type FeedEntry } from '@orbis/core';
import { apiBase, formatChange, pathOf, spoken } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { listChanges, type ChangeRow } from '../store/change-log.ts';
import { afterId, keyset } from '../store/pages.ts';
import { namesOf } from '../store/people.ts';

export interface FeedTools {
  db: Handle;
  /** Where the console answers. */
  origin: string;
  version: string;
  now: Date;
}

/** A part of what was done, the newest first, as Atom. */
export async function changeFeed(
  { limit, after }: { limit: number; after?: string | undefined },
  { db, origin, version, now }: FeedTools,
): Promise<string> {
  const rows = await listChanges(db, { limit, before: afterId(after), standing: false });
  const people = await namesOf(
    db,
    rows.map(({ createdBy }) => createdBy),
  );
  const { items, next } = keyset(rows, limit, (row) => entryOf(row, people, origin));
  const address = origin + apiBase + pathOf('changes.feed');
  return atomFeed({
    ...{ address, title: spoken.feed.title, page: `${origin}/done`, entries: items, now: now.toISOString() },
    generator: { name: 'Orbis', version },
    next: next === null ? null : `${address}?limit=${limit}&after=${next}`,
  });
}

/* What is taken back is told of once more, as an entry that was changed. */
function entryOf(row: ChangeRow, people: ReadonlyMap<number, string>, origin: string): FeedEntry {
  const said = formatChange(row.facts);
  return {
    id: `${origin}${apiBase}${pathOf('changes.read', { change: row.publicId })}`,
    title: row.undoneAt === null ? said : spoken.feed.undone(said),
    published: row.createdAt.toISOString(),
    updated: (row.undoneAt ?? row.createdAt).toISOString(),
    author: (row.createdBy === null ? undefined : people.get(row.createdBy)) ?? 'Orbis',
    category: row.kind,
  };
}
