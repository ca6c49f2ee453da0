import { and, asc, desc, eq, gt, gte, inArray, lt, or, sql, type SQL } from 'drizzle-orm';
import type { ResourceState } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { groupBy } from './group.ts';
import { isOneOf } from './one-of.ts';
import { afterId } from './pages.ts';
import type { ResourceRow } from './resources.ts';
import { askedHost, embed, embedResource, hostDay, resource, sweptHost } from './schema.ts';

/** A host with how it answered, day by day. */
export interface ShownHost {
  name: string;
  host: typeof askedHost.$inferSelect;
  days: (typeof hostDay.$inferSelect)[];
}

/* Digits that say where a page of the list ends: how much is wrong, and then the id. */
const places = 10;
const most = 99_999;
const cursorOf = ({ faulty, hostId }: Pick<typeof askedHost.$inferSelect, 'faulty' | 'hostId'>): string =>
  `${Math.min(faulty, most)}${String(hostId).padStart(places, '0')}`;

/**
 * A page of the hosts, those with most that is wrong first.
 * @param options.since from which day on it is told how they answered (`2026-11-30`).
 */
export async function listHosts(
  db: Handle,
  {
    limit,
    after,
    since,
    host,
  }: { limit: number; after?: string | undefined; since: string; host?: string | undefined },
): Promise<{ items: ShownHost[]; next: string | null }> {
  const rows = await db
    .select({ host: askedHost, name: sweptHost.name })
    .from(askedHost)
    .innerJoin(sweptHost, eq(sweptHost.id, askedHost.hostId))
    .where(and(behind(after), host === undefined ? undefined : eq(sweptHost.name, host)))
    .orderBy(desc(askedHost.faulty), desc(askedHost.hostId))
    .limit(limit + 1);
  const kept = rows.slice(0, limit);
  const ids = kept.map(({ host }) => host.hostId);
  const days = groupBy(
    ids.length === 0
      ? []
      : await db
          .select()
          .from(hostDay)
          .where(and(isOneOf(hostDay.hostId, ids), gte(hostDay.day, since)))
          .orderBy(asc(hostDay.hostId), asc(hostDay.day)),
    ({ hostId }) => hostId,
  );
  return {
    items: kept.map((row) => ({ ...row, days: days.get(row.host.hostId) ?? [] })),
    next: rows.length > limit ? cursorOf(kept.at(-1)!.host) : null,
  };
}

function behind(after: string | undefined): SQL | undefined {
  if (after === undefined || after.length <= places) return undefined;
  const [faulty, id] = [Number(after.slice(0, -places)), Number(after.slice(-places))];
  return or(lt(askedHost.faulty, faulty), and(eq(askedHost.faulty, faulty), lt(askedHost.hostId, id)));
}

/** A resource with its host, and the embeds that load it. */
export interface ShownResource {
  resource: ResourceRow;
  host: string;
  embeds: { key: string; name: string }[];
  embedCount: number;
}

/** Which resources are listed. */
export interface ResourceFilter {
  hostId?: number | undefined;
  embedId?: number | undefined;
  state?: ResourceState | undefined;
}

/* So many embeds are named, and so many counted. */
const [mostNamed, mostEmbeds] = [3, 200];

/** A page of a list of resources, the oldest first; it comes from one index. */
export async function listResources(
  db: Handle,
  { hostId, embedId, state }: ResourceFilter,
  { limit, after }: { limit: number; after?: string | undefined },
): Promise<{ items: ShownResource[]; next: string | null }> {
  const from = afterId(after);
  const query = db.select({ id: resource.id }).from(resource).$dynamic();
  if (embedId !== undefined) query.innerJoin(embedResource, eq(embedResource.resourceId, resource.id));
  const rows = await query
    .where(
      and(
        hostId === undefined ? undefined : eq(resource.hostId, hostId),
        embedId === undefined ? undefined : eq(embedResource.embedId, embedId),
        state === undefined ? undefined : eq(resource.state, state),
        from === null ? undefined : gt(resource.id, from),
      ),
    )
    .orderBy(asc(resource.id))
    .limit(limit + 1);
  const kept = rows.slice(0, limit).map(({ id }) => id);
  return {
    items: await shownResources(db, kept),
    next: rows.length > limit ? String(kept.at(-1)!) : null,
  };
}

async function shownResources(db: Handle, ids: readonly number[]): Promise<ShownResource[]> {
  if (ids.length === 0) return [];
  const rows = await db
    .select({ resource, host: sweptHost.name })
    .from(resource)
    .innerJoin(sweptHost, eq(sweptHost.id, resource.hostId))
    .where(isOneOf(resource.id, ids))
    .orderBy(asc(resource.id));
  return Promise.all(
    rows.map(async (row) => {
      const uses = await db
        .select({ id: embedResource.embedId })
        .from(embedResource)
        .where(eq(embedResource.resourceId, row.resource.id))
        .orderBy(asc(embedResource.embedId))
        .limit(mostEmbeds);
      const named = uses.slice(0, mostNamed).map(({ id }) => id);
      const embeds = await db
        .select({ key: embed.key, name: embed.name })
        .from(embed)
        .where(inArray(embed.id, named))
        .orderBy(asc(embed.id));
      return { ...row, embeds, embedCount: uses.length };
    }),
  );
}

/** Of how many of these something is wrong. */
export async function countFaulty(db: Handle, { hostId, embedId }: ResourceFilter): Promise<number> {
  const query = db
    .select({ count: sql<number>`count(*)`.mapWith(Number) })
    .from(resource)
    .$dynamic();
  if (embedId !== undefined) query.innerJoin(embedResource, eq(embedResource.resourceId, resource.id));
  const [row] = await query.where(
    and(
      eq(resource.state, 'faulty'),
      hostId === undefined ? undefined : eq(resource.hostId, hostId),
      embedId === undefined ? undefined : eq(embedResource.embedId, embedId),
    ),
  );
  return row!.count;
}
