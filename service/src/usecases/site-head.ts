import { OrbisError } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { digest } from '../digest.ts';
import type { HeadOfSite, HeadThing } from '../serializers/site-heads.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import {
  insertHeadDelivery,
  lastHeadDelivery,
  listHeadDeliveries,
  needsByDigest,
  needsOfSite,
  pagesRestingOn,
  type IssuedHead,
  type SiteNeed,
  type SiteNeedRow,
} from '../store/site-heads.ts';
import { lockSite, type SiteRow } from '../store/places.ts';
import type { MatchState } from './match-state.ts';
import { siteByKey } from './places.ts';
import { writeSite } from './sites.ts';

/* More than so many pages that need the same make the head of the whole site the better place. */
const few = 3;

/* So many things are told; no site that is looked after needs more. */
const most = 100;

/** What the head of a site is for, and what was handed out for it last. */
export async function headOf(db: Handle, site: SiteRow): Promise<HeadOfSite> {
  const needs = await needsOfSite(db, site.id, site.headKept, most);
  const things: HeadThing[] = [];
  for (const need of needs) things.push(await thingOf(db, site, need));
  return {
    things,
    wanted: inTheirOrder(things.filter(belongsThere)),
    last: await lastHeadDelivery(db, site.id),
  };
}

async function thingOf(db: Handle, site: SiteRow, of: SiteNeed): Promise<HeadThing> {
  const { digest: text, pages, stands } = of.need;
  const isKept = site.headKept.includes(text);
  const isThere = stands === 'yes';
  if (isWanted(site, of.need))
    return { ...of, isKept, isRecommended: false, action: isThere ? 'already-there' : 'paste', resting: 0 };
  const resting = isThere ? await pagesRestingOn(db, site.id, text) : 0;
  const action = !isThere ? 'offered' : resting > 0 ? 'wait' : 'take-out';
  return { ...of, isKept, isRecommended: !isKept && pages > few, action, resting };
}

/* Also what is not wanted any more, as long as pages rest on it. */
const belongsThere = ({ action }: HeadThing): boolean =>
  action === 'paste' || action === 'already-there' || action === 'wait';

/* What its owner wants there, and a page needs. */
const isWanted = (
  { headKept }: Pick<SiteRow, 'headKept'>,
  { digest: text, pages }: Pick<SiteNeedRow, 'digest' | 'pages'>,
): boolean => pages > 0 && headKept.includes(text);

/**
 * Chooses what stands once in the head of a site. What must stand before it comes along, and what needs it
 * leaves with it: each code finds what it needs in the order in which it works.
 * @throws OrbisError `not-found` where no page of the site needs such a text.
 */
export const changeHead = (
  db: Database,
  key: string,
  { keep, leave }: { keep: readonly string[]; leave: readonly string[] },
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const site = await siteByKey(tx, key);
    matchState(versionTag(site), 'site');
    await refuseUnknown(tx, site, [...keep, ...leave]);
    const kept = new Set(site.headKept);
    await keepWith(tx, site, kept, keep);
    await leaveWith(tx, site, kept, leave);
    const headKept = [...kept].sort();
    if (headKept.join() === [...site.headKept].sort().join()) return;
    await writeSite(tx, site, { headKept });
    const effect = { of: 'site' as const, before: { headKept: site.headKept }, after: { headKept } };
    await recordChange(tx, { facts: { kind: 'changed', what: 'site', key }, effect }, actor);
  });

async function refuseUnknown(tx: Handle, site: SiteRow, digests: readonly string[]): Promise<void> {
  const known = new Set((await needsByDigest(tx, site.id, digests)).map(({ need }) => need.digest));
  const unknown = digests.find((text) => !known.has(text));
  if (unknown === undefined) return;
  const key = `${unknown.slice(0, 12)} in the head of ${site.key}`;
  throw new OrbisError('not-found', { what: 'text', key });
}

/* These, what must stand before them, and what must stand before that. */
async function keepWith(
  tx: Handle,
  site: SiteRow,
  kept: Set<string>,
  keep: readonly string[],
): Promise<void> {
  for (let fresh = [...keep]; fresh.length > 0;) {
    for (const text of fresh) kept.add(text);
    const needs = await needsByDigest(tx, site.id, fresh);
    fresh = [...new Set(needs.flatMap(({ need }) => need.after))].filter((text) => !kept.has(text));
  }
}

/* These, what needs them, and what needs that. */
async function leaveWith(
  tx: Handle,
  site: SiteRow,
  kept: Set<string>,
  leave: readonly string[],
): Promise<void> {
  for (let gone = [...leave]; gone.length > 0;) {
    for (const text of gone) kept.delete(text);
    const left = gone;
    const needs = await needsByDigest(tx, site.id, [...kept]);
    gone = needs
      .filter(({ need }) => need.after.some((before) => left.includes(before)))
      .map(({ need }) => need.digest);
  }
}

/**
 * What to paste now into the head of a site: the last delivery where nothing differs, else the next one, kept
 * whole under its number.
 */
export const deliverHead = (
  db: Database,
  key: string,
  actor: Actor,
): Promise<{ issued: IssuedHead; isNew: boolean }> =>
  inTransaction(db, async (tx) => {
    const site = await siteByKey(tx, key);
    await lockSite(tx, site.id);
    const { wanted, last } = await headOf(tx, site);
    const whole = digest(JSON.stringify(wanted.map(({ need }) => need.digest)));
    const isNew = last?.digest !== whole;
    if (isNew)
      await insertHeadDelivery(
        tx,
        { siteId: site.id, number: (last?.number ?? 0) + 1, digest: whole },
        wanted.map(({ need }) => need),
        actor,
      );
    const [issued] = await listHeadDeliveries(tx, site.id, 1, undefined);
    return { issued: issued!, isNew };
  });

/* What must stand before another comes first; else in the order of the digests, which is always the same. */
function inTheirOrder(needs: readonly SiteNeed[]): SiteNeed[] {
  const left = [...needs].sort((a, b) => (a.need.digest < b.need.digest ? -1 : 1));
  const out: SiteNeed[] = [];
  while (left.length > 0) {
    const at = left.findIndex(
      ({ need }) => !left.some((other) => other.need !== need && need.after.includes(other.need.digest)),
    );
    out.push(...left.splice(Math.max(at, 0), 1));
  }
  return out;
}
