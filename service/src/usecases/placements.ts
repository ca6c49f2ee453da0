import { OrbisError, type Placement } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { blockedAt } from '../store/blocked-contacts.ts';
import {
  findPlacement,
  shownPlacements,
  type ShownPlacement,
  type StoredPlacement,
} from '../store/placements.ts';
import type { StoredFinding } from '../store/schema.ts';
import { serializeFindings } from '../serializers/findings.ts';
import { pageKeyOf, pageUrl } from '../serializers/places.ts';
import { placeOf } from './page-plan.ts';
import { planPage, type PlanTools } from './planning.ts';

/** @throws OrbisError `not-found` */
export async function placementById(db: Handle, id: string): Promise<StoredPlacement> {
  const row = await findPlacement(db, id);
  if (!row)
    throw new OrbisError('not-found', {
      what: 'placement',
      key: id,
    });
  return row;
}

/** @throws OrbisError `embed-retired`, `placement-paused` where nothing is to stand there */
export function refuseUnwanted({ placement, embed }: Pick<StoredPlacement, 'placement' | 'embed'>): void {
  if (embed.retiredAt) throw new OrbisError('embed-retired', { embed: embed.key });
  if (placement.pausedAt) throw new OrbisError('placement-paused', { embed: embed.key });
}

/** The finding of a placement whose page carries an earlier form, as of these revisions. */
export const outOfDateFinding = (
  carries: { delivery: number; revision: number | null },
  revision: number,
): StoredFinding => ({
  rule: 'out-of-date',
  level: 'warning',
  facts: { delivery: carries.delivery, carries: carries.revision, revision },
});

/* What its frame was kept from contacting. */
const blockedFinding = (hosts: readonly string[]): StoredFinding => ({
  rule: 'contact-blocked',
  level: 'warning',
  facts: { hosts: hosts.join(', '), count: hosts.length },
});

/* What stands on a page though it is paused there. */
export const pausedFinding: StoredFinding = { rule: 'paused-stands', level: 'warning', facts: {} };

/* What stands on a page though its embed is retired. */
export const retiredFinding: StoredFinding = { rule: 'retired', level: 'warning', facts: {} };

/**
 * Placements as the register shows them, the newest first. Those of pages that wait to be planned are planned
 * now, so that their states are true.
 */
export async function showPlacements(ids: readonly number[], tools: PlanTools): Promise<Placement[]> {
  const { db } = tools;
  const [rows, blocked] = await Promise.all([plannedPlacements(ids, tools), blockedAt(db, ids)]);
  return rows.map((row) => serializePlacement(row, blocked.get(row.id) ?? []));
}

/* A page may be marked while it is planned: then its plan is not written down, and it is
   planned once more. */
async function plannedPlacements(ids: readonly number[], tools: PlanTools): Promise<ShownPlacement[]> {
  let rows = await shownPlacements(tools.db, ids);
  let waiting = rows.filter(({ isStale }) => isStale);
  for (let tries = 3; waiting.length > 0 && tries > 0; tries--) {
    for (const page of new Set(waiting.map(({ placement }) => placement.pageId))) await planPage(page, tools);
    rows = await shownPlacements(tools.db, ids);
    waiting = rows.filter(({ placement }) => placement.stale === 'yes');
  }
  return rows;
}

function serializePlacement(
  { placement, embed, site, page, spot, carried, issued, revision }: ShownPlacement,
  blocked: readonly string[],
): Placement {
  const carries =
    placement.seenDelivery === null ? null : { delivery: placement.seenDelivery, revision: carried };
  return {
    id: placement.publicId,
    options: placement.options,
    note: placement.note,
    pausedAt: placement.pausedAt?.toISOString() ?? null,
    served: placement.seen === 'live' && placement.seenDelivery === null,
    embed: embed.key,
    embedName: embed.name,
    place: placeOf({ site, page, spot }),
    site: site.key,
    page: pageKeyOf({ site, page }),
    spot: spot.name,
    url: pageUrl(site, page),
    state: placement.state,
    stateSince: placement.stateSince?.toISOString() ?? null,
    revision: embed.revision,
    carries,
    issued:
      issued !== null && revision !== null
        ? { delivery: issued.number, revision, at: issued.createdAt.toISOString() }
        : null,
    lastSeenAt: placement.lastSeenAt?.toISOString() ?? null,
    checkedAt: placement.checkedAt?.toISOString() ?? null,
    findings: serializeFindings(findingsOf({ placement, embed }, carries, blocked)),
    createdAt: placement.createdAt.toISOString(),
  };
}

/* What was found on its page, and what follows from how it is meant to be. */
function findingsOf(
  { placement, embed }: Pick<ShownPlacement, 'placement' | 'embed'>,
  carries: Placement['carries'],
  blocked: readonly string[],
): StoredFinding[] {
  const isPaused = placement.pausedAt !== null;
  const isOld = placement.state === 'out-of-date' && carries !== null && !isPaused;
  const stands = ['live', 'altered'].includes(placement.seen);
  return [
    ...placement.findings,
    ...(isOld ? [outOfDateFinding(carries, embed.revision)] : []),
    ...(isPaused && stands ? [pausedFinding] : []),
    ...(embed.retiredAt !== null && stands ? [retiredFinding] : []),
    ...(blocked.length > 0 ? [blockedFinding(blocked)] : []),
  ];
}
