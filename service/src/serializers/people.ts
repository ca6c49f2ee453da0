import type { PersonDetails, Rights } from '@orbis/contract';
import type { Person } from '../store/people.ts';

/** What is known of somebody beside their row. */
export interface AroundPerson {
  sites: Rights<string>['sites'];
  /** Until when they have a link by which they can set a password; null for none. */
  linkUntil: Date | null;
  invitedBy: string | null;
  /** Whether they have a second factor. */
  hasFactor: boolean;
}

/** Somebody, as those see them who manage Orbis. */
export const serializePerson = (
  person: Person,
  { sites, linkUntil, invitedBy, hasFactor }: AroundPerson,
): PersonDetails => ({
  id: person.publicId,
  name: person.name,
  email: person.email,
  role: person.role,
  sites: [...sites],
  state: stateOf(person),
  invitedUntil: linkUntil?.toISOString() ?? null,
  invitedBy,
  seenAt: person.seenAt?.toISOString() ?? null,
  secondFactor: hasFactor,
  createdAt: person.createdAt.toISOString(),
  removedAt: person.removedAt?.toISOString() ?? null,
});

function stateOf({ removedAt, passwordHash }: Person): PersonDetails['state'] {
  if (removedAt !== null) return 'removed';
  return passwordHash === null ? 'invited' : 'active';
}
