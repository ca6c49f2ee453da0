import { and, asc, eq, gt, inArray, like, or, sql } from 'drizzle-orm';
import { fitsScheme, hostsFor, schemeHost, type ListedEndpoint } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { chunks } from './chunks.ts';
import type { Actor } from './embeds.ts';
import { newPublicId } from './ids.ts';
import { afterId } from './pages.ts';
import { oembedEndpoint, oembedHost } from './schema.ts';

export type EndpointRow = typeof oembedEndpoint.$inferSelect;

/** A page of the known endpoints, one more than asked for, in the order in which they became known. */
export async function listEndpoints(
  db: Handle,
  { limit, after, q }: { limit: number; after?: string | undefined; q?: string | undefined },
): Promise<EndpointRow[]> {
  const from = afterId(after);
  const link = q !== undefined && URL.canParse(q) ? await endpointsOf(db, q) : null;
  if (link) return link.filter(({ id }) => from === null || id > from);
  const words = q === undefined ? undefined : `%${q.toLowerCase().replaceAll(/[\\%_]/g, '\\$&')}%`;
  return db
    .select()
    .from(oembedEndpoint)
    .where(
      and(
        from === null ? undefined : gt(oembedEndpoint.id, from),
        words === undefined
          ? undefined
          : or(
              like(sql`lower(${oembedEndpoint.provider})`, words),
              like(sql`lower(${oembedEndpoint.url})`, words),
            ),
      ),
    )
    .orderBy(asc(oembedEndpoint.id))
    .limit(limit + 1);
}

/** The endpoints that answer questions about a link. */
export async function endpointsOf(db: Handle, link: string): Promise<EndpointRow[]> {
  const rows = await db
    .selectDistinct({ endpoint: oembedEndpoint })
    .from(oembedHost)
    .innerJoin(oembedEndpoint, eq(oembedEndpoint.id, oembedHost.endpointId))
    .where(inArray(oembedHost.host, hostsFor(new URL(link).hostname)))
    .orderBy(asc(oembedEndpoint.id));
  return rows
    .map(({ endpoint }) => endpoint)
    .filter(({ schemes }) => schemes.some((scheme) => fitsScheme(link, scheme)));
}

/**
 * Makes endpoints known: new ones are added, and those that have other links or formats now are changed. Call
 * it in a transaction.
 */
export async function putEndpoints(
  tx: Handle,
  listed: readonly ListedEndpoint[],
  { by, now }: Actor,
): Promise<{ added: number; changed: number; same: number }> {
  const keyOf = ({ provider, url }: Pick<ListedEndpoint, 'provider' | 'url'>): string =>
    `${provider}\n${url}`;
  const known = new Map(
    (await tx.select().from(oembedEndpoint).for('update')).map((row) => [keyOf(row), row]),
  );
  const content = ({
    site,
    schemes,
    formats,
  }: Pick<ListedEndpoint, 'site' | 'schemes' | 'formats'>): string =>
    JSON.stringify([site, schemes, formats]);
  const fresh = listed.filter((endpoint) => !known.has(keyOf(endpoint)));
  const changed = listed.filter(
    (endpoint) => known.has(keyOf(endpoint)) && content(known.get(keyOf(endpoint))!) !== content(endpoint),
  );
  const hosts: (typeof oembedHost.$inferInsert)[] = [];
  for (const part of chunks(fresh)) {
    const made = await tx
      .insert(oembedEndpoint)
      .values(
        part.map((endpoint) => ({ ...endpoint, publicId: newPublicId(), createdAt: now, createdBy: by })),
      )
      .$returningId();
    part.forEach((endpoint, i) => hosts.push(...hostsIn(made[i]!.id, endpoint)));
  }
  for (const endpoint of changed) {
    const { id } = known.get(keyOf(endpoint))!;
    await tx
      .update(oembedEndpoint)
      .set({ site: endpoint.site, schemes: endpoint.schemes, formats: endpoint.formats })
      .where(eq(oembedEndpoint.id, id));
    await tx.delete(oembedHost).where(eq(oembedHost.endpointId, id));
    hosts.push(...hostsIn(id, endpoint));
  }
  for (const part of chunks(hosts)) await tx.insert(oembedHost).values(part);
  return {
    added: fresh.length,
    changed: changed.length,
    same: listed.length - fresh.length - changed.length,
  };
}

const hostsIn = (endpointId: number, { schemes }: ListedEndpoint) =>
  [...new Set(schemes.map(schemeHost))].map((host) => ({ endpointId, host }));

/** Forgets an endpoint; false where there is none of this id. */
export async function deleteEndpoint(db: Handle, publicId: string): Promise<boolean> {
  const [result] = await db.delete(oembedEndpoint).where(eq(oembedEndpoint.publicId, publicId));
  return result.affectedRows === 1;
}
