import { OrbisError, serializeFinding, type Placement, type PlacementFinding } from '@orbis/contract';
import type { RenderContext } from './render-context.ts';
import type { Handle } from '../database/connect.ts';
import { deliveriesOf, findPlacement, type DeliveryWithRevision, type StoredPlacement } from '../store/placements.ts';
import type { StoredFinding } from '../store/schema.ts';
import { groupBy } from '../store/group.ts';
import { neighboursIn, outputToday, placeOf, type Neighbours } from './page-plan.ts';

/** @throws OrbisError `not-found` */
export async function placementById(db: Handle, id: string): Promise<StoredPlacement> {
  const row = await findPlacement(db, id);
  if (!row) throw new OrbisError('not-found', { what: 'placement', key: id, remedy: '“orbis list placements” shows them.' });
  return row;
}

/** Whether what a delivery carries differs from what would be issued today, for whatever reason. */
export const isOutOfDate = async (db: Handle, row: StoredPlacement, issued: DeliveryWithRevision, renderContext: RenderContext, neighbours = neighboursIn(db)): Promise<boolean> =>
  (await outputToday(row, renderContext, issued.delivery.number, neighbours)).text !== issued.delivery.text;

/** The address of a page: the site's address with the page's path. */
export const pageUrl = (site: { address: string }, page: { path: string }): string => site.address.replace(/\/$/, '') + '/' + page.path;

export const serializeFindings = (findings: readonly StoredFinding[]): PlacementFinding[] =>
  findings.map((finding) => serializeFinding({ ...finding, facts: { ...finding.facts } }));

/** The finding of a placement whose page carries an earlier form. */
export const outOfDateFinding = (row: StoredPlacement, carried: DeliveryWithRevision): StoredFinding => ({
  rule: 'out-of-date',
  level: 'warning',
  facts: { delivery: carried.delivery.number, carries: carried.revision, revision: row.revision.number },
});

/** Placements as the register shows them, with their states worked out as of now. */
export async function serializePlacements(db: Handle, rows: readonly StoredPlacement[], renderContext: RenderContext): Promise<Placement[]> {
  const issued = groupBy(
    await deliveriesOf(
      db,
      rows.map((row) => row.placement.id),
    ),
    (d) => d.delivery.placementId,
  );
  const neighbours = neighboursIn(db);
  return Promise.all(rows.map((row) => serializePlacement(row, issued.get(row.placement.id) ?? [], { db, renderContext, neighbours })));
}

async function serializePlacement(
  row: StoredPlacement,
  issued: readonly DeliveryWithRevision[],
  { db, renderContext, neighbours }: { db: Handle; renderContext: RenderContext; neighbours: Neighbours },
): Promise<Placement> {
  const { placement, embed, site, page, spot } = row;
  const carried = issued.find((d) => d.delivery.number === placement.seenDelivery) ?? null;
  const last = issued.at(-1) ?? null;
  const old = placement.seen === 'live' && carried !== null && (await isOutOfDate(db, row, carried, renderContext, neighbours));
  const findings = old ? [...placement.findings, outOfDateFinding(row, carried)] : placement.findings;
  return {
    id: placement.publicId,
    options: placement.options,
    served: placement.seen === 'live' && placement.seenDelivery === null,
    embed: embed.key,
    embedName: embed.name,
    place: placeOf(row),
    site: site.key,
    page: `${site.key}/${page.path}`,
    spot: spot.name,
    url: pageUrl(site, page),
    state: old ? 'out-of-date' : placement.seen,
    revision: row.revision.number,
    carries: placement.seenDelivery === null ? null : { delivery: placement.seenDelivery, revision: carried?.revision ?? null },
    issued: last && { delivery: last.delivery.number, revision: last.revision, at: last.delivery.createdAt.toISOString() },
    lastSeenAt: placement.lastSeenAt?.toISOString() ?? null,
    checkedAt: placement.checkedAt?.toISOString() ?? null,
    findings: serializeFindings(findings),
    createdAt: placement.createdAt.toISOString(),
  };
}
