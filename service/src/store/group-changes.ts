import { and, eq, isNull, sql } from 'drizzle-orm';
import type { SearchTerm } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { chunks } from './chunks.ts';
import type { Actor, EmbedRow, NewRevision, RevisionRow, SourceRow } from './embeds.ts';
import { insertMany } from './insert-many.ts';
import { isOneOf } from './one-of.ts';
import { embed, revision, source } from './schema.ts';
import { conditionOf } from './search.ts';
import { markEmbeds } from './mark-stale.ts';

/** Of an embed, what a change needs to know: thousands of them are read at once. */
export interface ChangeableEmbed {
  embed: Pick<EmbedRow, 'id' | 'key' | 'name' | 'revision' | 'version'>;
  source: Pick<SourceRow, 'id' | 'base' | 'found'>;
  revision: Pick<RevisionRow, 'options' | 'sheetId'>;
}

/**
 * Every embed that a search finds, with its newest revision, in the order of collecting; locked
 * where it is to be changed.
 */
export async function embedsWhere(
  db: Handle,
  term: SearchTerm,
  { lock = false }: { lock?: boolean } = {},
): Promise<ChangeableEmbed[]> {
  const query = db
    .select({
      embed: {
        id: embed.id,
        key: embed.key,
        name: embed.name,
        revision: embed.revision,
        version: embed.version,
      },
      source: { id: source.id, base: source.base, found: source.found },
      revision: { options: revision.options, sheetId: revision.sheetId },
    })
    .from(embed)
    .innerJoin(revision, and(eq(revision.embedId, embed.id), eq(revision.number, embed.revision)))
    .innerJoin(source, eq(source.id, revision.sourceId))
    // Of what was purged there is no code that could be changed.
    .where(and(conditionOf(term), isNull(embed.purgedAt)))
    .orderBy(embed.id);
  return lock ? query.for('update') : query;
}

/** One embed of many, with the revision that it gets. */
export interface NextRevision {
  embed: Pick<EmbedRow, 'id' | 'revision'>;
  sourceId: number;
  values: NewRevision;
}

/** Adds the next revision to each of these embeds, which are locked. Call it in a transaction. */
export async function addRevisions(
  tx: Handle,
  changes: readonly NextRevision[],
  { by, now }: Actor,
): Promise<void> {
  for (const part of chunks(changes)) {
    await tx
      .update(embed)
      .set({ revision: sql`${embed.revision} + 1`, version: sql`${embed.version} + 1`, changedAt: now })
      .where(
        isOneOf(
          embed.id,
          part.map((change) => change.embed.id),
        ),
      );
  }
  await insertMany(
    tx,
    revision,
    changes.map(({ embed: { id, revision: last }, sourceId, values }) => ({
      embedId: id,
      number: last + 1,
      sourceId,
      leftOut: [],
      ...values,
      createdAt: now,
      createdBy: by,
    })),
  );
  await markEmbeds(
    tx,
    changes.map((change) => change.embed.id),
  );
}
