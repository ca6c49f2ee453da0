import { listQuery, publicId } from '../common.ts';
import {
  changedPerson,
  invited,
  invitedAgain,
  invitation,
  newLink,
  newPerson,
  people,
  personDetails,
  personStanding,
} from '../people.ts';
import { z } from '../zod.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'People';
const params = z.object({ person: publicId });
const grantErrors = ['name-taken', 'nothing-granted', 'not-found'] as const;

/** Who works with Orbis, and what each of them may do. */
export const peopleRoutes = {
  'people.list': route({
    ...paths['people.list'],
    summary: 'Everybody who works with Orbis or did, the newest first',
    tag,
    query: listQuery,
    answer: people,
    statuses: [200],
    errors: [],
  }),
  'people.create': route({
    ...paths['people.create'],
    summary: 'Invite somebody: they get a link by which they set a password, once',
    tag,
    body: newPerson,
    answer: invited,
    statuses: [201],
    location: ({ id }) => pathOf('people.read', { person: id }),
    errors: grantErrors,
  }),
  'people.read': route({
    ...paths['people.read'],
    summary: 'Somebody, with what they may do',
    tag,
    params,
    answer: personDetails,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'people.change': route({
    ...paths['people.change'],
    summary: 'Change what somebody is called, or what they may do; that holds at once',
    tag,
    params,
    body: changedPerson,
    answer: personDetails,
    statuses: [200],
    ifMatch: true,
    etag: true,
    errors: [...grantErrors, 'last-owner'],
  }),
  'people.standing': route({
    ...paths['people.standing'],
    summary: 'What somebody has made, and what ends when they are removed',
    tag,
    params,
    answer: personStanding,
    statuses: [200],
    errors: ['not-found'],
  }),
  'people.remove': route({
    ...paths['people.remove'],
    summary:
      'Remove somebody: they are signed out everywhere, and their tokens and shared links end. What they made stays, and keeps their name',
    tag,
    params,
    statuses: [204],
    ifMatch: true,
    errors: ['not-found', 'last-owner'],
  }),
  'people.invite': route({
    ...paths['people.invite'],
    summary:
      'A new link by which somebody sets a password: the first was lost, they forgot theirs, or they were removed and come back',
    tag,
    params,
    body: newLink,
    answer: invitedAgain,
    statuses: [201],
    location: () => pathOf('people.list'),
    errors: ['not-found'],
  }),
  'invitations.read': route({
    ...paths['invitations.read'],
    summary: 'Whom a link is for by which a password is set, without using it up',
    tag,
    readOnly: true,
    body: z.strictObject({ secret: z.string().min(1).max(200) }),
    answer: invitation,
    statuses: [200],
    errors: ['link-used', 'too-many-attempts'],
  }),
};
