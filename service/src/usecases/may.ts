import {
  mayAnywhere,
  mayEverywhere,
  OrbisError,
  parsePage,
  rolesWith,
  parsePlace,
  parseSharedSpot,
  rights,
  sitesWith,
  spoken,
  type At,
  type Operation,
  type Right,
  type Rights,
} from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { findChange } from '../store/change-log.ts';
import { peopleWith, type Person } from '../store/people.ts';
import { keysOfSites, type RightsById } from '../store/site-people.ts';
import {
  embedOnSites,
  siteIdOf,
  siteOfFinding,
  siteOfInspection,
  siteOfLook,
  siteOfPlacement,
  siteOfSweep,
  thingsOf,
  type SiteOf,
} from '../store/sites-of-things.ts';

/** Somebody who asks, with what they may do. */
export interface Asker {
  person: Pick<Person, 'id' | 'name'>;
  rights: RightsById;
}

/** What was sent along with a call, already parsed. */
export interface Sent {
  params: unknown;
  query: unknown;
  body: unknown;
}

/** So many people are named whom one can ask. */
export const mostToAsk = 3;

/**
 * Refuses what somebody may do nowhere, whatever they would name: before anything that they sent is read.
 * @throws OrbisError `not-allowed`
 */
export async function refuseOutright(
  db: Handle,
  asker: Asker,
  { needs, at }: Pick<Operation, 'needs' | 'at'>,
): Promise<void> {
  if (!isRight(needs) || mayEverywhere(asker.rights, needs)) return;
  if (at === undefined || !mayAnywhere(asker.rights, needs)) throw await notAllowed(db, asker, needs);
}

const isRight = (needs: Operation['needs']): needs is Right => (rights as readonly string[]).includes(needs);

/**
 * Refuses what somebody may not do. Whoever has to do with single sites is refused what is about everything,
 * or about another site; of things that they may not even see they are told that there are none.
 *
 * @returns the site that is meant, where a list has to be narrowed to one, none was named, and there is but
 * one; else null.
 * @throws OrbisError `not-allowed`, `not-found`, `site-needed`
 */
export async function refuseUnlessAllowed(
  db: Handle,
  asker: Asker,
  { needs, at }: Pick<Operation, 'needs' | 'at'>,
  sent: Sent,
): Promise<string | null> {
  await refuseOutright(db, asker, { needs, at });
  if (!isRight(needs) || mayEverywhere(asker.rights, needs) || typeof at !== 'object') return null;
  const named = namedIn(at, sent);
  for (const { thing, key } of named)
    if (!(await mayWith(db, asker, needs, thing, key))) throw await refusalOf(db, asker, needs, thing, key);
  if (named.length > 0 || at.otherwise !== undefined) return null;
  if (at.site === undefined || !at.site.startsWith('query.')) throw await notAllowed(db, asker, needs);
  return onlySite(db, asker.rights, needs);
}

type Thing = Exclude<keyof Extract<At, object>, 'otherwise'>;

/* What is named in a call; of a thing that is left out nothing. */
function namedIn(
  { otherwise: _, ...named }: Extract<At, object>,
  sent: Sent,
): { thing: Thing; key: string }[] {
  return (Object.entries(named) as [Thing, string][]).flatMap(([thing, where]) =>
    [where.split('.').reduce<unknown>((within, step) => memberOf(within, step), sent)]
      .flat()
      .filter((key) => typeof key === 'string')
      .map((key) => ({ thing, key })),
  );
}

const memberOf = (within: unknown, name: string): unknown =>
  typeof within === 'object' && within !== null ? (within as Record<string, unknown>)[name] : undefined;

/** Whether somebody who has to do with single sites has a right on that of a thing. */
async function mayWith(db: Handle, asker: Asker, right: Right, thing: Thing, key: string): Promise<boolean> {
  if (thing === 'embed') return mayWithEmbed(db, asker, right, { key });
  if (thing === 'change') return mayWithChange(db, asker, right, key);
  const site = await siteOf[thing](db, key);
  return typeof site === 'number' && sitesWith(asker.rights, right).includes(site);
}

const siteOf: Record<Exclude<Thing, 'embed' | 'change'>, (db: Handle, key: string) => Promise<SiteOf>> = {
  site: siteIdOf,
  page: (db, key) => siteIdOf(db, parsePage(key).site),
  spot: (db, key) => siteIdOf(db, parsePlace(key).site),
  sharedSpot: (db, key) => siteIdOf(db, parseSharedSpot(key).site),
  placement: siteOfPlacement,
  sweep: siteOfSweep,
  look: siteOfLook,
  inspection: siteOfInspection,
  finding: siteOfFinding,
};

/*
 * An embed is of no site. It is seen by whoever sees a site on which it is placed, or collected it; and it is
 * changed only by those who may do so wherever it is placed.
 */
async function mayWithEmbed(
  db: Handle,
  { person, rights: has }: Asker,
  right: Right,
  of: { key: string } | { id: number },
): Promise<boolean> {
  // To place an embed changes nothing of it: whoever sees it may.
  const isOnlySeen = right === 'see' || right === 'place';
  if (isOnlySeen && mayEverywhere(has, 'see')) return true;
  const stands = await embedOnSites(db, of, sitesWith(has, isOnlySeen ? 'see' : right));
  if (!stands) return false;
  const isTheirs = stands.isThere || stands.createdBy === person.id;
  return isTheirs && (isOnlySeen || !stands.isElsewhere);
}

/* Of changes they see their own, and take those back whose things they may still change. */
async function mayWithChange(db: Handle, asker: Asker, right: Right, id: string): Promise<boolean> {
  const row = await findChange(db, id);
  if (!row || row.createdBy !== asker.person.id) return false;
  if (right === 'see') return true;
  const { sites, embeds } = await thingsOf(db, row.id);
  const theirs = sitesWith(asker.rights, right);
  if (sites.length + embeds.length === 0 || !sites.every((site) => theirs.includes(site))) return false;
  for (const id of embeds) if (!(await mayWithEmbed(db, asker, right, { id }))) return false;
  return true;
}

/* What they may not even see is not there for them. */
async function refusalOf(
  db: Handle,
  asker: Asker,
  right: Right,
  thing: Thing,
  key: string,
): Promise<OrbisError> {
  const sees =
    right !== 'see' && (mayEverywhere(asker.rights, 'see') || (await mayWith(db, asker, 'see', thing, key)));
  return sees ? notAllowed(db, asker, right) : new OrbisError('not-found', { what: called[thing], key });
}

/* As the things are called where there is none of them. */
const called: Record<Thing, string> = {
  site: 'site',
  page: 'page',
  spot: 'spot',
  sharedSpot: 'shared spot',
  placement: 'placement',
  embed: 'embed',
  sweep: 'sweep',
  look: 'look',
  inspection: 'inspection',
  finding: 'finding',
  change: 'change',
};

async function onlySite(db: Handle, rights: RightsById, right: Right): Promise<string> {
  const keys = [...(await keysOfSites(db, sitesWith(rights, right))).values()];
  const [only, ...others] = keys;
  if (only === undefined || others.length > 0)
    throw new OrbisError('site-needed', { sites: spoken.people.listed(keys) });
  return only;
}

/** The error with which somebody is refused: what it takes, what they are, and whom they can ask. */
async function notAllowed(db: Handle, { rights }: Asker, right: Right): Promise<OrbisError> {
  const who = await peopleWith(db, rolesWith(right), mostToAsk);
  return new OrbisError('not-allowed', {
    right,
    you: spoken.people.grants(await byKeys(db, rights)) || null,
    everything: mayAnywhere(rights, right),
    who: who.length === 0 ? null : spoken.people.either(who.map(({ name }) => name)),
  });
}

/** What somebody may do, with sites by their keys. */
export async function byKeys(db: Handle, { role, sites }: RightsById): Promise<Rights<string>> {
  const keys = await keysOfSites(
    db,
    sites.map(({ site }) => site),
  );
  return { role, sites: sites.flatMap((each) => toKey(each, keys)) };
}

const toKey = (
  { site, role }: RightsById['sites'][number],
  keys: ReadonlyMap<number, string>,
): Rights<string>['sites'][number][] => {
  const key = keys.get(site);
  return key === undefined ? [] : [{ site: key, role }];
};

/**
 * Refuses what takes a right for everything, whatever somebody is on single sites.
 * @throws OrbisError `not-allowed`
 */
export async function refuseUnlessEverywhere(db: Handle, asker: Asker, right: Right): Promise<void> {
  if (!mayEverywhere(asker.rights, right)) throw await notAllowed(db, asker, right);
}

/** What lists are narrowed to for somebody: what is theirs. */
export interface Narrowed {
  personId: number;
  /** The sites that they see, by the ids of their rows. */
  sites: readonly number[];
}

/** What lists are narrowed to for somebody; null where they see everything. */
export const narrowedTo = ({ person, rights }: Asker): Narrowed | null =>
  mayEverywhere(rights, 'see') ? null : { personId: person.id, sites: sitesWith(rights, 'see') };
