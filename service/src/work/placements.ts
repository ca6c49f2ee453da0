import type { Composition } from '@orbis/core';
import { tellFinding, writePlace, type Placement, type PlacementFinding } from '@orbis/contract';
import type { RenderContext } from './making.ts';
import type { Handle } from '../database/connect.ts';
import { deliveriesOf, type DeliveryWithRevision, type StoredPlacement } from '../store/placements.ts';
import type { StoredFinding } from '../store/schema.ts';
import { groupBy } from '../store/group.ts';
import { compositionOf } from './codes.ts';

/** What would be issued for a placement today under this number. */
export async function codeToday(row: StoredPlacement, making: RenderContext, delivery: number): Promise<Composition> {
  return (await compositionOf({ base: row.source.base, found: row.source.found, options: row.revision.options }, making, { placement: row.placement.publicId, delivery }))
    .composition;
}

/** Whether what a delivery carries differs from what would be issued today, for whatever reason. */
export const isOutOfDate = async (row: StoredPlacement, issued: DeliveryWithRevision, making: RenderContext): Promise<boolean> =>
  (await codeToday(row, making, issued.delivery.number)).text !== issued.delivery.text;

/** The address of a page: the site's address with the page's path. */
export const pageUrl = (site: { address: string }, page: { path: string }): string => site.address.replace(/\/$/, '') + '/' + page.path;

export const tellFindings = (findings: readonly StoredFinding[]): PlacementFinding[] => findings.map((finding) => tellFinding({ ...finding, facts: { ...finding.facts } }));

/** The finding of a placement whose page carries an earlier form. */
export const outOfDateFinding = (row: StoredPlacement, carried: DeliveryWithRevision): StoredFinding => ({
  rule: 'out-of-date',
  level: 'warning',
  facts: { delivery: carried.delivery.number, carries: carried.revision, revision: row.revision.number },
});

/** Placements as the register shows them, with their states worked out as of now. */
export async function tellPlacements(db: Handle, rows: readonly StoredPlacement[], making: RenderContext): Promise<Placement[]> {
  const issued = groupBy(
    await deliveriesOf(
      db,
      rows.map((row) => row.placement.id),
    ),
    (d) => d.delivery.placementId,
  );
  return Promise.all(rows.map((row) => tellPlacement(row, issued.get(row.placement.id) ?? [], making)));
}

async function tellPlacement(row: StoredPlacement, issued: readonly DeliveryWithRevision[], making: RenderContext): Promise<Placement> {
  const { placement, embed, site, page, spot } = row;
  const carried = issued.find((d) => d.delivery.number === placement.seenDelivery) ?? null;
  const last = issued.at(-1) ?? null;
  const old = placement.seen === 'live' && carried !== null && (await isOutOfDate(row, carried, making));
  const findings = old ? [...placement.findings, outOfDateFinding(row, carried)] : placement.findings;
  return {
    id: placement.publicId,
    served: placement.seen === 'live' && placement.seenDelivery === null,
    embed: embed.key,
    embedName: embed.name,
    place: writePlace({ site: site.key, path: page.path, spot: spot.name }),
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
    findings: tellFindings(findings),
    createdAt: placement.createdAt.toISOString(),
  };
}
