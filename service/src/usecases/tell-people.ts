import { OrbisError, spoken, type Invitation, type PersonDetails } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import type { Deps } from '../deps.ts';
import { serializePerson } from '../serializers/people.ts';
import { passwordLinksOf, personOfLink } from '../store/one-time-links.ts';
import { namesOf, personName, type Person } from '../store/people.ts';
import { withFactors } from '../store/second-factors.ts';
import { rightsOf, siteRolesOf } from '../store/site-people.ts';
import { mailInvitation } from './invitation-mail.ts';
import { byKeys } from './may.ts';
import type { InvitedPerson } from './people.ts';
import { withLink, type Visitor } from './signing-in.ts';

/** People as those see them who manage Orbis. */
export async function tellPeople(db: Handle, rows: readonly Person[], now: Date): Promise<PersonDetails[]> {
  const ids = rows.map(({ id }) => id);
  const [sites, links, factors, names] = await Promise.all([
    siteRolesOf(db, ids),
    passwordLinksOf(db, ids, now),
    withFactors(db, ids),
    namesOf(
      db,
      rows.map(({ createdBy }) => createdBy),
    ),
  ]);
  return rows.map((row) =>
    serializePerson(row, {
      sites: sites.get(row.id) ?? [],
      hasFactor: factors.has(row.id),
      linkUntil: links.get(row.id) ?? null,
      invitedBy: row.createdBy === null ? null : (names.get(row.createdBy) ?? null),
    }),
  );
}

/** The link by which somebody sets a password, which goes to them by mail where it can. */
export async function handOutLink(
  { person, link: { secret, expiresAt } }: InvitedPerson,
  by: string,
  deps: Pick<Deps, 'connection' | 'origins' | 'mailer' | 'log' | 'now'>,
) {
  const { db } = deps.connection;
  // Behind the #, browsers keep it to themselves: it stands in no log and in no Referer.
  const link = `${deps.origins().console}/set-password#${secret}`;
  const grants = spoken.people.grants(await byKeys(db, await rightsOf(db, person)));
  const mail = { person, by, grants, link, expiresAt };
  const mailed = await mailInvitation(mail, { ...deps, now: deps.now() });
  return { link, expiresAt: expiresAt.toISOString(), mailed };
}

/**
 * Whom a link is for, without using it up.
 * @throws OrbisError `link-used`, `too-many-attempts`
 */
export async function readInvitation(
  db: Database,
  secret: string,
  visitor: Visitor,
  now: Date,
): Promise<Invitation> {
  const { person, expiresAt } = await withLink(db, visitor, now, async () => {
    const link = await personOfLink(db, secret, 'password', now);
    if (!link) throw new OrbisError('link-used');
    return link;
  });
  return {
    name: person.name,
    isNew: person.passwordHash === null && person.seenAt === null,
    by: await personName(db, person.createdBy),
    ...(await byKeys(db, await rightsOf(db, person))),
    expiresAt: expiresAt.toISOString(),
  };
}
