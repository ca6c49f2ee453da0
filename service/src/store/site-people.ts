import { eq, inArray, sql } from 'drizzle-orm';
import type { Rights, SiteRole } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { prepared } from '../database/prepared.ts';
import { groupBy } from './group.ts';
import { insertMany } from './insert-many.ts';
import type { Person } from './people.ts';
import { site, sitePerson } from './schema.ts';

/** What somebody may do, with sites by the ids of their rows. */
export type RightsById = Rights<number>;

const sitesOfPerson = prepared((db) =>
  db
    .select({ site: sitePerson.siteId, role: sitePerson.role })
    .from(sitePerson)
    .where(eq(sitePerson.personId, sql.placeholder('person')))
    .prepare(),
);

/** What somebody may do. An owner may do everything, so nothing is asked for. */
export const rightsOf = async (
  db: Handle,
  { id, role }: Pick<Person, 'id' | 'role'>,
): Promise<RightsById> => ({
  role,
  sites: role === 'owner' ? [] : await sitesOfPerson(db).execute({ person: id }),
});

/** What these people are on single sites, by their ids; sites by their keys, in their order. */
export async function siteRolesOf(
  db: Handle,
  ids: readonly number[],
): Promise<Map<number, { site: string; role: SiteRole }[]>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ personId: sitePerson.personId, site: site.key, role: sitePerson.role })
    .from(sitePerson)
    .innerJoin(site, eq(site.id, sitePerson.siteId))
    .where(inArray(sitePerson.personId, [...ids]))
    .orderBy(site.key);
  const by = groupBy(rows, ({ personId }) => personId);
  return new Map(
    [...by].map(([id, grants]) => [id, grants.map(({ site: key, role }) => ({ site: key, role }))]),
  );
}

/** Says anew what somebody is on single sites. Call it in a transaction. */
export async function setSiteRoles(
  tx: Handle,
  personId: number,
  sites: readonly { siteId: number; role: SiteRole }[],
): Promise<void> {
  await tx.delete(sitePerson).where(eq(sitePerson.personId, personId));
  await insertMany(
    tx,
    sitePerson,
    sites.map((each) => ({ personId, ...each })),
  );
}

/** The keys of sites, by the ids of their rows. */
export async function keysOfSites(db: Handle, ids: readonly number[]): Promise<Map<number, string>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ id: site.id, key: site.key })
    .from(site)
    .where(inArray(site.id, [...ids]))
    .orderBy(site.key);
  return new Map(rows.map(({ id, key }) => [id, key]));
}
