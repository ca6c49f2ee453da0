import { rolesWith, type Session } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import type { Act } from '../store/act.ts';
import { peopleWith, withPassword, type Person } from '../store/people.ts';
import { anybodyHasPasskey, readDemand, withFactors } from '../store/second-factors.ts';
import { rightsOf, type RightsById } from '../store/site-people.ts';
import { byKeys, mostToAsk } from './may.ts';
import { letIn, type Proven, type Visitor } from './signing-in.ts';

/** Who asks, and what they may do. */
export interface WhoAsks {
  person: Person | null;
  rights: RightsById;
  readOnly: boolean;
  mustSetUp: boolean;
}

/** Nobody who is known. */
export const stranger: WhoAsks = {
  person: null,
  rights: { role: null, sites: [] },
  readOnly: false,
  mustSetUp: false,
};

/** Who is signed in, what they may do, and whom to ask for the rest. */
export async function tellSession(
  { person, rights, readOnly, mustSetUp }: WhoAsks,
  { connection: { db }, origins }: Pick<Deps, 'connection' | 'origins'>,
): Promise<Session> {
  const [known, passkeys, owners] = await Promise.all([
    withPassword(db, 2),
    anybodyHasPasskey(db),
    person === null ? [] : peopleWith(db, rolesWith('manage'), mostToAsk),
  ]);
  return {
    signedIn: person !== null,
    setUp: known.length > 0,
    needsName: known.length > 1,
    passkeys,
    person: person && { name: person.name, ...(await byKeys(db, rights)), readOnly, mustSetUp },
    owners: owners.map(({ name }) => name),
    frames: origins().ownHosts ? 'own-hosts' : 'shared-host',
  };
}

/** Says of an act that this person does it, with a browser. */
export const actsWithBrowser = (act: Act, { id, name }: Person): unknown =>
  Object.assign(act, { personId: id, who: name, means: 'browser', thing: null });

/** Lets somebody in who gave what it takes, and tells them who they are. */
export async function signIn(
  proven: Proven,
  visitor: Visitor,
  act: Act,
  deps: Pick<Deps, 'connection' | 'origins' | 'now'>,
) {
  const { person, withFactor } = proven;
  const { db } = deps.connection;
  actsWithBrowser(act, person);
  const entry = await letIn(db, proven, visitor, deps.now());
  const rights = await rightsOf(db, person);
  const mustSetUp = !withFactor && (await lacksDemanded(db, person.id));
  return { data: await tellSession({ person, rights, readOnly: false, mustSetUp }, deps), ...entry };
}

/* Whether a second factor is demanded of somebody, and they have none. */
const lacksDemanded = async (db: Deps['connection']['db'], personId: number): Promise<boolean> =>
  (await readDemand(db)) === 'all' && !(await withFactors(db, [personId])).has(personId);
