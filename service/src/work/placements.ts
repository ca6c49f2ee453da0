import { defaultsFor, type Kind, type LevelledComposition, type LevelledOptions } from '@orbis/core';
import { OrbisError, tellFinding, writePlace, type Placement, type PlacementFinding } from '@orbis/contract';
import type { RenderContext } from './making.ts';
import type { Handle } from '../database/connect.ts';
import { deliveriesOf, findPlacement, type DeliveryWithRevision, type StoredPlacement } from '../store/placements.ts';
import type { StoredFinding } from '../store/schema.ts';
import { groupBy } from '../store/group.ts';
import { compositionOf } from './codes.ts';

/** What is asked of an embed at a place: by the placement itself, by the embed, and by its site for such embeds. */
export const askedAt = ({ placement, revision, site, embed }: AskedRow): LevelledOptions => ({
  placement: placement.options,
  embed: revision.options,
  site: defaultsFor(site.defaults, embed.kind as Kind),
});

/** The rows in which that is written down. */
export interface AskedRow {
  placement: Pick<StoredPlacement['placement'], 'options'>;
  revision: Pick<StoredPlacement['revision'], 'options'>;
  site: Pick<StoredPlacement['site'], 'defaults'>;
  embed: Pick<StoredPlacement['embed'], 'kind'>;
}

/** @throws OrbisError `not-found` */
export async function placementById(db: Handle, id: string): Promise<StoredPlacement> {
  const row = await findPlacement(db, id);
  if (!row) throw new OrbisError('not-found', { what: 'placement', key: id, remedy: '“orbis list placements” shows them.' });
  return row;
}

/** What would be issued for a placement today under this number. */
export async function codeToday(row: StoredPlacement, making: RenderContext, delivery: number): Promise<LevelledComposition> {
  return (await compositionOf({ base: row.source.base, found: row.source.found, asked: askedAt(row) }, making, { placement: row.placement.publicId, delivery })).composition;
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
    options: placement.options,
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
