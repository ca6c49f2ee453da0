import { OrbisError, spoken, type PersonDetails } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { serializePerson } from '../../serializers/people.ts';
import { versionTag } from '../../serializers/version-tag.ts';
import { passwordLinksOf, personOfLink } from '../../store/one-time-links.ts';
import { keyset } from '../../store/pages.ts';
import { listPeople, namesOf, personName, type Person } from '../../store/people.ts';
import { rightsOf, siteRolesOf } from '../../store/site-people.ts';
import { mailInvitation } from '../../usecases/invitation-mail.ts';
import { byKeys } from '../../usecases/may.ts';
import {
  changePersonValues,
  inviteAgain,
  invitePerson,
  personByKey,
  removePerson,
  standingOfPerson,
  type PasswordLink,
} from '../../usecases/people.ts';
import { withLink } from '../../usecases/signing-in.ts';
import type { Handlers, Named } from '../reply.ts';

/** Who works with Orbis: invited, changed, removed. */
export function peopleHandlers(deps: Deps): Handlers<Named<'people' | 'invitations'>> {
  const { db } = deps.connection;
  const { now } = deps;
  const told = async (rows: readonly Person[]): Promise<PersonDetails[]> => {
    const ids = rows.map(({ id }) => id);
    const [sites, links, names] = await Promise.all([
      siteRolesOf(db, ids),
      passwordLinksOf(db, ids, now()),
      namesOf(
        db,
        rows.map(({ createdBy }) => createdBy),
      ),
    ]);
    return rows.map((row) =>
      serializePerson(row, {
        sites: sites.get(row.id) ?? [],
        linkUntil: links.get(row.id) ?? null,
        invitedBy: row.createdBy === null ? null : (names.get(row.createdBy) ?? null),
      }),
    );
  };
  const reply = async (id: string) => {
    const row = await personByKey(db, id);
    return { data: (await told([row]))[0]!, etag: versionTag(row) };
  };
  const handedOut = async (person: Person, { secret, expiresAt }: PasswordLink, by: string) => {
    const link = `${deps.origins().console}/set-password#${secret}`;
    const grants = spoken.people.grants(await byKeys(db, await rightsOf(db, person)));
    const mail = { person, by, grants, link, expiresAt };
    const mailed = await mailInvitation(mail, { ...deps, now: now() });
    return { link, expiresAt: expiresAt.toISOString(), mailed };
  };
  return {
    'people.list': async ({ query }) => {
      const page = keyset(await listPeople(db, query.limit, query.after), query.limit, (row) => row);
      return { data: { items: await told(page.items), next: page.next } };
    },
    'people.create': async ({ body, actor, person: by }) => {
      const { person, link } = await invitePerson(db, body, actor);
      const { data } = await reply(person.publicId);
      return { status: 201, data: { ...data, ...(await handedOut(person, link, by!.name)) } };
    },
    'people.read': ({ params }) => reply(params.person),
    'people.change': async ({ params, body, matchState, actor }) => {
      await changePersonValues(db, params.person, body, matchState, actor);
      return reply(params.person);
    },
    'people.standing': async ({ params }) => ({ data: await standingOfPerson(db, params.person, now()) }),
    'people.remove': async ({ params, matchState, actor }) => {
      await removePerson(db, params.person, matchState, actor);
      return { data: undefined, status: 204 };
    },
    'people.invite': async ({ params, body, actor, person: by }) => {
      const { person, link } = await inviteAgain(db, params.person, body.days, actor);
      return { status: 201, data: await handedOut(person, link, by!.name) };
    },
    'invitations.read': async ({ body, visitor }) => {
      const found = await withLink(db, visitor, now(), async () => {
        const link = await personOfLink(db, body.secret, 'password', now());
        if (!link) throw new OrbisError('link-used');
        return link;
      });
      const { person, expiresAt } = found;
      return {
        data: {
          name: person.name,
          isNew: person.passwordHash === null && person.seenAt === null,
          by: await personName(db, person.createdBy),
          ...(await byKeys(db, await rightsOf(db, person))),
          expiresAt: expiresAt.toISOString(),
        },
      };
    },
  };
}
