import { isDeepStrictEqual } from 'node:util';
import { and, asc, desc, eq, gt, inArray, isNull, lt } from 'drizzle-orm';
import { formatChange } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { recordAct } from './act.ts';
import { chunks } from './chunks.ts';
import type { Actor, EmbedRow, RevisionRow } from './embeds.ts';
import { tellOfChange } from './history.ts';
import { newPublicId } from './ids.ts';
import { insertMany } from './insert-many.ts';
import { isOneOf } from './one-of.ts';
import { changeItem, changeLog, embed, revision } from './schema.ts';
import { thingsOfChange, type WhatChanges } from './things-of-change.ts';

export type ChangeRow = typeof changeLog.$inferSelect;

/** An embed that a change is about, with its revisions before and after. */
export interface ChangedEmbed {
  embedId: number;
  from: number;
  to: number;
}

/** Something that is being done. */
export interface NewChange extends WhatChanges {
  embeds?: readonly ChangedEmbed[];
}

/**
 * Writes down what is done, in the transaction that does it; nothing where it leaves all as it was.
 * @returns its id, or null.
 */
export async function recordChange(
  tx: Handle,
  { facts, effect, embeds = [] }: NewChange,
  actor: Actor,
): Promise<string | null> {
  const { by, now } = actor;
  if (effect && isDeepStrictEqual(effect.before, effect.after)) return null;
  const publicId = newPublicId();
  const [{ insertId }] = await tx
    .insert(changeLog)
    .values({ publicId, kind: facts.kind, facts, effect: effect ?? null, createdAt: now, createdBy: by });
  await insertMany(
    tx,
    changeItem,
    embeds.map((each) => ({ changeId: insertId, ...each })),
  );
  const things = await thingsOfChange(tx, { facts, effect, embeds });
  await tellOfChange(tx, { changeId: insertId, at: now }, things);
  const { before, after } = effect ?? {};
  await recordAct(tx, actor, { said: formatChange(facts), before, after, changeId: insertId });
  return publicId;
}

/** Writes down that these were put into the collection, in the transaction that does it. */
export const recordCollected = (
  tx: Handle,
  embeds: readonly Pick<EmbedRow, 'id' | 'key'>[],
  actor: Actor,
): Promise<string | null> =>
  recordChange(
    tx,
    {
      facts: {
        kind: 'collected',
        embeds: embeds.slice(0, mostNamed).map(({ key }) => key),
        count: embeds.length,
      },
      embeds: embeds.map(({ id }) => ({ embedId: id, from: 0, to: 1 })),
    },
    actor,
  );
const mostNamed = 5;

export async function findChange(
  db: Handle,
  publicId: string,
  { lock = false }: { lock?: boolean } = {},
): Promise<ChangeRow | null> {
  const query = db.select().from(changeLog).where(eq(changeLog.publicId, publicId));
  const [row] = await (lock ? query.for('update') : query);
  return row ?? null;
}

export interface ChangesAsked {
  limit: number;
  before: number | null;
  /** Whether what was taken back is left out. */
  standing: boolean;
  /** Whose changes alone are asked for. */
  by?: number | undefined;
}

/** What was done, the newest first. */
export const listChanges = (
  db: Handle,
  { limit, before, standing, by }: ChangesAsked,
): Promise<ChangeRow[]> =>
  db
    .select()
    .from(changeLog)
    .where(
      and(
        standing ? isNull(changeLog.undoneAt) : undefined,
        by === undefined ? undefined : eq(changeLog.createdBy, by),
        before === null ? undefined : lt(changeLog.id, before),
      ),
    )
    .orderBy(desc(changeLog.id))
    .limit(limit + 1);

/** An embed of a change as it is now (locked), with its revisions of now, after it and before it. */
export interface RevisedEmbed {
  embed: EmbedRow;
  now: RevisionRow;
  after: RevisionRow;
  before: RevisionRow;
}

/** What a change of revisions did, embed by embed. */
export async function revisedBy(tx: Handle, changeId: number): Promise<RevisedEmbed[]> {
  const items = await tx
    .select({ item: changeItem, embed })
    .from(changeItem)
    .innerJoin(embed, eq(embed.id, changeItem.embedId))
    .where(eq(changeItem.changeId, changeId))
    .orderBy(embed.id)
    .for('update');
  const out: RevisedEmbed[] = [];
  for (const part of chunks(items)) {
    const ids = part.map(({ item }) => item.embedId);
    const numbers = [...new Set(part.flatMap(({ item, embed }) => [item.from, item.to, embed.revision]))];
    const rows = await tx
      .select()
      .from(revision)
      .where(and(isOneOf(revision.embedId, ids), inArray(revision.number, numbers)));
    const known = new Map(rows.map((row) => [`${row.embedId}/${row.number}`, row]));
    for (const { item, embed } of part) {
      const numbered = (number: number): RevisionRow => known.get(`${embed.id}/${number}`)!;
      out.push({
        embed,
        now: numbered(embed.revision),
        after: numbered(item.to),
        before: numbered(item.from),
      });
    }
  }
  return out;
}

/** The embeds of a change, locked. */
export const embedsOfChange = async (tx: Handle, changeId: number): Promise<EmbedRow[]> =>
  (
    await tx
      .select({ embed })
      .from(changeItem)
      .innerJoin(embed, eq(embed.id, changeItem.embedId))
      .where(eq(changeItem.changeId, changeId))
      .orderBy(embed.id)
      .for('update')
  ).map((row) => row.embed);

/** Which of these embeds were changed by something later that was not taken back. */
export async function changedAfter(
  tx: Handle,
  changeId: number,
  embedIds: readonly number[],
): Promise<Set<number>> {
  const rows = await tx
    .selectDistinct({ embedId: changeItem.embedId })
    .from(changeItem)
    .innerJoin(changeLog, eq(changeLog.id, changeItem.changeId))
    .where(
      and(
        isOneOf(changeItem.embedId, embedIds),
        gt(changeItem.changeId, changeId),
        isNull(changeLog.undoneAt),
      ),
    );
  return new Set(rows.map(({ embedId }) => embedId));
}

export const markUndone = (tx: Handle, id: number, { by, now }: Actor): Promise<unknown> =>
  tx.update(changeLog).set({ undoneAt: now, undoneBy: by }).where(eq(changeLog.id, id));

/* So far back it is looked again for what was being written when later rows were there already. */
const lookedAgain = 50;

/**
 * What was done behind a row or taken back since a time, and once more a few rows before that, oldest first.
 */
export async function changesSince(
  db: Handle,
  { after, undoneSince }: { after: number; undoneSince: Date },
): Promise<ChangeRow[]> {
  const [done, undone] = await Promise.all([
    db
      .select()
      .from(changeLog)
      .where(gt(changeLog.id, after - lookedAgain))
      .orderBy(asc(changeLog.id))
      .limit(lookedAgain + mostAtOnce),
    db
      .select()
      .from(changeLog)
      .where(gt(changeLog.undoneAt, undoneSince))
      .orderBy(asc(changeLog.undoneAt))
      .limit(mostAtOnce),
  ]);
  return [...done, ...undone];
}
const mostAtOnce = 100;

/** The row of what was done last; 0 where nothing was. */
export async function lastChangeId(db: Handle): Promise<number> {
  const [row] = await db.select({ id: changeLog.id }).from(changeLog).orderBy(desc(changeLog.id)).limit(1);
  return row?.id ?? 0;
}
