import { and, asc, eq, gt, inArray, isNotNull, isNull, lt, notExists, sql } from 'drizzle-orm';
import type { Clip, Resource } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { letFindingsAtGo } from './findings.ts';
import { newPublicId } from './ids.ts';
import { isOneOf } from './one-of.ts';
import {
  askedHost,
  databaseNow,
  embed,
  embedResource,
  findingAt,
  resource,
  revision,
  source,
  sweptHost,
} from './schema.ts';
import { hostNamed } from './swept-hosts.ts';

export type ResourceRow = typeof resource.$inferSelect;

/** What is found at a resource has this scope. */
export const scopeOf = ({ id }: Pick<ResourceRow, 'id'>): string => `resource:${id}`;

/** The resources among scopes. */
export const resourcesAmong = (scopes: readonly string[]): number[] =>
  scopes.flatMap((scope) => (scope.startsWith('resource:') ? [Number(scope.slice('resource:'.length))] : []));

/**
 * Embeds of which it is to be worked out what they load: those that are placed and have changed, those of
 * which it was last done before a time, and those that are placed nowhere any more.
 */
export async function embedsToWorkOut(db: Handle, before: Date, limit: number) {
  const found: { id: number }[] = [];
  for (const where of [
    and(isNull(embed.resourcesAt), gt(embed.placements, 0)),
    lt(embed.resourcesAt, before),
    and(eq(embed.placements, 0), isNotNull(embed.resourcesAt)),
  ])
    found.push(
      ...(await db.select({ id: embed.id }).from(embed).where(where).orderBy(asc(embed.id)).limit(limit)),
    );
  if (found.length === 0) return [];
  return db
    .select({ embed, source, revision })
    .from(embed)
    .innerJoin(revision, and(eq(revision.embedId, embed.id), eq(revision.number, embed.revision)))
    .innerJoin(source, eq(source.id, revision.sourceId))
    .where(
      isOneOf(
        embed.id,
        found.map(({ id }) => id),
      ),
    )
    .orderBy(asc(embed.id));
}

/**
 * Writes down what an embed loads; what nothing loads any more is forgotten, with what was found there. Call
 * it in a transaction.
 * @param version of the embed that it was worked out of: where it has changed since, nothing is written.
 */
export async function setResources(
  tx: Handle,
  { id: embedId, version, provider }: Pick<typeof embed.$inferSelect, 'id' | 'version' | 'provider'>,
  resources: readonly Resource[],
  now: Date,
): Promise<void> {
  const [row] = await tx
    .select({ version: embed.version, placements: embed.placements })
    .from(embed)
    .where(eq(embed.id, embedId))
    .for('update');
  if (row?.version !== version) return;
  const wanted = row.placements > 0 ? together(resources) : new Map<string, Together>();
  const links = await tx.select().from(embedResource).where(eq(embedResource.embedId, embedId));
  const kept = new Set<number>();
  for (const [same, each] of [...wanted].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const id = await resourceNamed(tx, same, each, provider);
    kept.add(id);
    const { clips } = each;
    await tx
      .insert(embedResource)
      .values({ embedId, resourceId: id, clips })
      .onDuplicateKeyUpdate({ set: { clips } });
  }
  const gone = links.map(({ resourceId }) => resourceId).filter((id) => !kept.has(id));
  await unlink(tx, embedId, gone);
  await tx
    .update(embed)
    .set({ resourcesAt: row.placements > 0 ? now : null })
    .where(eq(embed.id, embedId));
}

/** Leaves it for a day what an embed loads. */
export const leaveResources = async (db: Handle, embedId: number, now: Date): Promise<void> =>
  void (await db.update(embed).set({ resourcesAt: now }).where(eq(embed.id, embedId)));

/** Embeds that go load nothing any more. Call it in a transaction, while they are there. */
export async function forgetResources(tx: Handle, embedIds: readonly number[]): Promise<void> {
  if (embedIds.length === 0) return;
  const links = await tx.select().from(embedResource).where(isOneOf(embedResource.embedId, embedIds));
  for (const { embedId, resourceId } of links) await unlink(tx, embedId, [resourceId]);
}

type Together = Omit<Resource, 'clip'> & { clips: Clip[] };

/* As many parts of one film as are looked at. */
const mostClips = 50;

/* Several parts of one film are one thing to ask for. */
function together(resources: readonly Resource[]): Map<string, Together> {
  const found = new Map<string, Together>();
  for (const { use, address, clip } of resources) {
    const same = digest(`${use} ${address}`);
    const each = found.get(same) ?? { use, address, clips: [] };
    if (clip && each.clips.length < mostClips) each.clips.push(clip);
    found.set(same, each);
  }
  return found;
}

/* Mostly it is known, and whoever asks for it is not held up. */
async function resourceNamed(
  tx: Handle,
  same: string,
  { use, address }: Together,
  provider: string | null,
): Promise<number> {
  const where = eq(resource.same, same);
  const [known] = await tx.select({ id: resource.id }).from(resource).where(where);
  if (known) return known.id;
  const hostId = await hostNamed(tx, new URL(address).host);
  await tx.insert(askedHost).ignore().values({ hostId, provider });
  const [made] = await tx
    .insert(resource)
    .ignore()
    .values({ publicId: newPublicId(), same, use, address, hostId, nextAt: databaseNow });
  if (made.affectedRows === 1)
    await tx
      .update(askedHost)
      .set({
        resources: sql`${askedHost.resources} + 1`,
        dueAt: databaseNow,
        ...(provider !== null && { provider: sql`coalesce(${askedHost.provider}, ${provider})` }),
      })
      .where(eq(askedHost.hostId, hostId));
  // Whoever was faster is seen only by a reading that locks.
  const [row] = await tx.select({ id: resource.id }).from(resource).where(where).for('update');
  return row!.id;
}

async function unlink(tx: Handle, embedId: number, ids: readonly number[]): Promise<void> {
  if (ids.length === 0) return;
  await tx
    .delete(embedResource)
    .where(and(eq(embedResource.embedId, embedId), isOneOf(embedResource.resourceId, ids)));
  const unused = await tx
    .select()
    .from(resource)
    .where(
      and(
        isOneOf(resource.id, ids),
        notExists(
          tx
            .select({ one: sql`1` })
            .from(embedResource)
            .where(eq(embedResource.resourceId, resource.id)),
        ),
      ),
    )
    .for('update');
  for (const row of unused) await drop(tx, row);
}

async function drop(tx: Handle, row: ResourceRow): Promise<void> {
  const { id, hostId, state } = row;
  await tx.delete(resource).where(eq(resource.id, id));
  await tx
    .update(askedHost)
    .set({
      resources: sql`${askedHost.resources} - 1`,
      ...(state === 'faulty' && { faulty: sql`${askedHost.faulty} - 1` }),
    })
    .where(eq(askedHost.hostId, hostId));
  await tx.delete(askedHost).where(and(eq(askedHost.hostId, hostId), eq(askedHost.resources, 0)));
  await letFindingsAtGo(tx, eq(findingAt.scope, scopeOf(row)));
}

/** Which resources are meant. */
export interface WhichResources {
  hostId?: number | undefined;
  embedId?: number | undefined;
  ids?: readonly number[] | undefined;
}

/* So many are asked for at once by hand. */
const mostByHand = 500;

/**
 * Somebody wants to know now how these are answered, the first of them.
 * @returns how many that are.
 */
export async function askNow(tx: Handle, { hostId, embedId, ids }: WhichResources): Promise<number> {
  const ofEmbed =
    embedId === undefined
      ? undefined
      : inArray(
          resource.id,
          tx
            .select({ id: embedResource.resourceId })
            .from(embedResource)
            .where(eq(embedResource.embedId, embedId)),
        );
  const found = await tx
    .select({ id: resource.id, hostId: resource.hostId })
    .from(resource)
    .where(
      and(
        hostId === undefined ? undefined : eq(resource.hostId, hostId),
        ids === undefined ? undefined : isOneOf(resource.id, ids),
        ofEmbed,
      ),
    )
    .orderBy(asc(resource.id))
    .limit(mostByHand);
  if (found.length === 0) return 0;
  await tx
    .update(resource)
    .set({ nextAt: databaseNow, byHand: 1 })
    .where(
      isOneOf(
        resource.id,
        found.map(({ id }) => id),
      ),
    );
  const hosts = [...new Set(found.map((row) => row.hostId))];
  await tx.update(askedHost).set({ dueAt: databaseNow }).where(isOneOf(askedHost.hostId, hosts));
  // Who wants to know now does not wait for a host that was to be left alone.
  await tx.update(sweptHost).set({ pausedUntil: null }).where(isOneOf(sweptHost.id, hosts));
  return found.length;
}

/** How many of those that somebody wants to know about have not been asked for. */
export async function leftToAsk(db: Handle, { hostId, embedId }: WhichResources): Promise<number> {
  const query = db
    .select({ count: sql<number>`count(*)`.mapWith(Number) })
    .from(resource)
    .$dynamic();
  const where = and(
    eq(resource.byHand, 1),
    hostId === undefined ? undefined : eq(resource.hostId, hostId),
    embedId === undefined ? undefined : eq(embedResource.embedId, embedId),
  );
  if (embedId !== undefined) query.innerJoin(embedResource, eq(embedResource.resourceId, resource.id));
  const [row] = await query.where(where);
  return row!.count;
}
