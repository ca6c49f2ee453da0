import type { PersonDetails } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { versionTag } from '../../serializers/version-tag.ts';
import { keyset } from '../../store/pages.ts';
import { listPeople, type Person } from '../../store/people.ts';
import {
  changePersonValues,
  inviteAgain,
  invitePerson,
  personByKey,
  removePerson,
  standingOfPerson,
  type InvitedPerson,
} from '../../usecases/people.ts';
import { takeFactors } from '../../usecases/security.ts';
import { handOutLink, readInvitation, tellPeople } from '../../usecases/tell-people.ts';
import type { Handlers, Named } from '../reply.ts';

/** Who works with Orbis: invited, changed, removed. */
export function peopleHandlers(deps: Deps): Handlers<Named<'people' | 'invitations'>> {
  const { db } = deps.connection;
  const { now } = deps;
  const told = (rows: readonly Person[]): Promise<PersonDetails[]> => tellPeople(db, rows, now());
  const reply = async (id: string) => {
    const row = await personByKey(db, id);
    return { data: (await told([row]))[0]!, etag: versionTag(row) };
  };
  const handedOut = (made: InvitedPerson, by: Person | null) => handOutLink(made, by!.name, deps);
  return {
    'people.list': async ({ query }) => {
      const page = keyset(await listPeople(db, query.limit, query.after), query.limit, (row) => row);
      return { data: { items: await told(page.items), next: page.next } };
    },
    'people.create': async ({ body, actor, person: by }) => {
      const made = await invitePerson(db, body, actor);
      const { data } = await reply(made.person.publicId);
      return { status: 201, data: { ...data, ...(await handedOut(made, by)) } };
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
      const made = await inviteAgain(db, params.person, body.days, actor);
      return { status: 201, data: await handedOut(made, by) };
    },
    'people.takeFactors': async ({ params, actor }) => ({
      data: await takeFactors(db, params.person, actor),
    }),
    'invitations.read': async ({ body, visitor }) => ({
      data: await readInvitation(db, body.secret, visitor, now()),
    }),
  };
}
