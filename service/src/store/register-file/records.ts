import { and, asc, eq, gt } from 'drizzle-orm';
import { registerFormat, type RecordOf, type RegisterRecord } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { tagsOf } from '../embeds.ts';
import { snippetsOf } from '../issued.ts';
import { isOneOf } from '../one-of.ts';
import { readRules } from '../rules.ts';
import {
  delivery,
  embed,
  oembedEndpoint,
  page,
  placement,
  preset,
  providerSheet,
  revision,
  savedSearch,
  sharedSpot,
  site,
  source,
  spot,
} from '../schema.ts';
import { changeListRecords } from './change-list-records.ts';
import { headRecords } from './head-records.ts';
import { termsRecords } from './terms-records.ts';
import { embedKeys, numbersOf, pageKeys, placementIds, spotKeys } from './keys-of-rows.ts';

/* So many rows are read at once: however large the register is, no more of it is in memory. */
const together = 500;

/**
 * The whole register, record by record: what a record names comes before it. `tx` sees one state of the
 * database to the end.
 */
export async function* recordsOf(
  tx: Handle,
  { orbis, now }: { orbis: string; now: Date },
): AsyncGenerator<RegisterRecord> {
  let lines = 0;
  for await (const record of allOf(tx, { orbis, now })) {
    lines++;
    yield record;
  }
  yield { type: 'end', lines };
}

async function* allOf(
  tx: Handle,
  { orbis, now }: { orbis: string; now: Date },
): AsyncGenerator<RegisterRecord> {
  yield { type: 'register', format: registerFormat, orbis, at: now.toISOString() };
  yield { type: 'rules', rules: (await readRules(tx)).rules };
  yield* ofProviders(tx);
  yield* ofPlaces(tx);
  yield* ofCollection(tx);
  yield* termsRecords(tx);
  yield* ofPlacements(tx);
  yield* headRecords(tx);
  yield* changeListRecords(tx);
}

async function* ofProviders(tx: Handle): AsyncGenerator<RegisterRecord> {
  for (const { sheetId, text, createdAt } of await tx.select().from(providerSheet).orderBy(providerSheet.id))
    yield { type: 'sheet', id: sheetId, text, at: createdAt.toISOString() };
  for await (const row of inOrder((after) =>
    tx
      .select()
      .from(oembedEndpoint)
      .where(gt(oembedEndpoint.id, after))
      .orderBy(asc(oembedEndpoint.id))
      .limit(together),
  )) {
    const { provider, site: home, url, schemes, formats, createdAt } = row;
    yield { type: 'endpoint', provider, site: home, url, schemes, formats, at: createdAt.toISOString() };
  }
  for (const { key, meaning, options, createdAt } of await tx.select().from(preset).orderBy(preset.id))
    yield { type: 'preset', key, meaning, options, at: createdAt.toISOString() };
  for (const { name, where, createdAt } of await tx.select().from(savedSearch).orderBy(savedSearch.id))
    yield { type: 'search', name, where, at: createdAt.toISOString() };
}

async function* ofPlaces(tx: Handle): AsyncGenerator<RegisterRecord> {
  for await (const row of inOrder((after) =>
    tx.select().from(site).where(gt(site.id, after)).orderBy(asc(site.id)).limit(together),
  ))
    yield siteRecord(row);
  yield* sharedSpotRecords(tx);
  for await (const rows of inBatches((after) =>
    tx.select().from(page).where(gt(page.id, after)).orderBy(asc(page.id)).limit(together),
  )) {
    const keys = await pageKeys(
      tx,
      rows.map(({ id }) => id),
    );
    for (const { id, title, under, stands, checkedAt, goneAt, createdAt } of rows)
      yield {
        type: 'page',
        key: keys.get(id)!,
        title,
        block: stands === null ? null : { under, stands },
        checkedAt: iso(checkedAt),
        goneAt: iso(goneAt),
        at: createdAt.toISOString(),
      };
  }
  for await (const rows of inBatches((after) =>
    tx.select().from(spot).where(gt(spot.id, after)).orderBy(asc(spot.id)).limit(together),
  )) {
    const keys = await pageKeys(
      tx,
      rows.map(({ pageId }) => pageId),
    );
    for (const { pageId, name, phone, tablet, desktop, heights, selector, shared, ...times } of rows) {
      const key = `${keys.get(pageId)!}#${name}`;
      yield {
        type: 'spot',
        ...{ key, widths: { phone, tablet, desktop }, heights, selector, shared },
        ...{ goneAt: iso(times.goneAt), at: times.createdAt.toISOString() },
      };
    }
  }
}

async function* sharedSpotRecords(tx: Handle): AsyncGenerator<RegisterRecord> {
  for await (const { site: of, row } of inOrder((after) =>
    tx
      .select({ id: sharedSpot.id, site: site.key, row: sharedSpot })
      .from(sharedSpot)
      .innerJoin(site, eq(site.id, sharedSpot.siteId))
      .where(gt(sharedSpot.id, after))
      .orderBy(asc(sharedSpot.id))
      .limit(together),
  )) {
    const { name, under, phone, tablet, desktop, heights, selector, createdAt } = row;
    yield {
      type: 'sharedSpot',
      ...{ key: `${of}#${name}`, under, widths: { phone, tablet, desktop }, heights, selector },
      at: createdAt.toISOString(),
    };
  }
}

function siteRecord(row: typeof site.$inferSelect): RecordOf<'site'> {
  const { key, name, address, furtherAddresses, defaults, head, headKept } = row;
  const { language, colours, frameStyle, editor, schedule, rendered, goneAt, createdAt } = row;
  return {
    type: 'site',
    ...{ key, name, address, furtherAddresses, defaults, head, headKept },
    ...{
      language,
      colours,
      frameStyle,
      editor,
      schedule,
      rendered,
      goneAt: iso(goneAt),
      at: createdAt.toISOString(),
    },
  };
}

async function* ofCollection(tx: Handle): AsyncGenerator<RegisterRecord> {
  for await (const rows of inBatches((after) =>
    tx.select().from(embed).where(gt(embed.id, after)).orderBy(asc(embed.id)).limit(together),
  )) {
    const ids = rows.map(({ id }) => id);
    const keys = new Map(rows.map(({ id, key }) => [id, key]));
    const tags = await tagsOf(tx, ids);
    for (const { id, key, name, notes, retiredAt, purgedAt, purgeReason, changedAt, createdAt } of rows)
      yield {
        type: 'embed',
        ...{ key, name, notes, tags: tags.get(id) ?? [] },
        purged: purgedAt && { at: purgedAt.toISOString(), reason: purgeReason ?? '' },
        ...{ retiredAt: iso(retiredAt), changedAt: changedAt.toISOString(), at: createdAt.toISOString() },
      };
    yield* ofEmbeds(tx, keys);
  }
}

/* The codes and revisions of these embeds, each by its key. */
async function* ofEmbeds(tx: Handle, keys: ReadonlyMap<number, string>): AsyncGenerator<RegisterRecord> {
  const ids = [...keys.keys()];
  for await (const row of inOrder((after) =>
    tx
      .select()
      .from(source)
      .where(and(isOneOf(source.embedId, ids), gt(source.id, after)))
      .orderBy(asc(source.id))
      .limit(together),
  )) {
    const { embedId, number, pasted, base, found, createdAt } = row;
    const at = createdAt.toISOString();
    yield { type: 'source', embed: keys.get(embedId)!, number, pasted, base, found, at };
  }
  for await (const rows of inBatches((after) =>
    tx
      .select()
      .from(revision)
      .where(and(isOneOf(revision.embedId, ids), gt(revision.id, after)))
      .orderBy(asc(revision.id))
      .limit(together),
  )) {
    const sources = await numbersOf(
      tx,
      source,
      rows.map(({ sourceId }) => sourceId),
    );
    for (const row of rows) yield revisionRecord(row, keys.get(row.embedId)!, sources.get(row.sourceId)!);
  }
}

function revisionRecord(
  { number, leftOut, options, sheetId, sheetDigest, reason, createdAt }: typeof revision.$inferSelect,
  key: string,
  of: number,
): RecordOf<'revision'> {
  const sheet = sheetId === null ? null : { id: sheetId, digest: sheetDigest };
  const at = createdAt.toISOString();
  return { type: 'revision', embed: key, number, source: of, leftOut, options, sheet, reason, at };
}

async function* ofPlacements(tx: Handle): AsyncGenerator<RegisterRecord> {
  for await (const rows of inBatches((after) =>
    tx.select().from(placement).where(gt(placement.id, after)).orderBy(asc(placement.id)).limit(together),
  )) {
    const embeds = await embedKeys(
      tx,
      rows.map(({ embedId }) => embedId),
    );
    const spots = await spotKeys(
      tx,
      rows.map(({ spotId }) => spotId),
    );
    for (const row of rows) yield placementRecord(row, embeds.get(row.embedId)!, spots.get(row.spotId)!);
  }
  yield* ofDeliveries(tx);
}

function placementRecord(
  {
    publicId,
    options,
    note,
    seen,
    state,
    seenDelivery,
    carried,
    findings,
    ...times
  }: typeof placement.$inferSelect,
  of: string,
  place: string,
): RecordOf<'placement'> {
  return {
    type: 'placement',
    ...{
      id: publicId,
      embed: of,
      place,
      options,
      note,
      pausedAt: iso(times.pausedAt),
      seen,
      state,
      seenDelivery,
      carried,
      findings,
    },
    stateSince: iso(times.stateSince),
    ...{ lastSeenAt: iso(times.lastSeenAt), checkedAt: iso(times.checkedAt) },
    ...{ linkedAt: iso(times.linkedAt), endedAt: iso(times.endedAt), at: times.createdAt.toISOString() },
  };
}

async function* ofDeliveries(tx: Handle): AsyncGenerator<RegisterRecord> {
  for await (const rows of inBatches((after) =>
    tx.select().from(delivery).where(gt(delivery.id, after)).orderBy(asc(delivery.id)).limit(together),
  )) {
    const placements = await placementIds(
      tx,
      rows.map(({ placementId }) => placementId),
    );
    const revisions = await numbersOf(
      tx,
      revision,
      rows.map(({ revisionId }) => revisionId),
    );
    const snippets = await snippetsOf(
      tx,
      rows.map(({ id }) => id),
    );
    for (const { id, placementId, revisionId, number, options, asFound, createdAt } of rows)
      yield {
        type: 'delivery',
        ...{ placement: placements.get(placementId)!, number, revision: revisions.get(revisionId)!, options },
        ...{ snippets: snippets.get(id) ?? [], asFound: asFound === 1, at: createdAt.toISOString() },
      };
  }
}

/* A time as it stands in a record. */
const iso = (time: Date | null): string | null => time?.toISOString() ?? null;

async function* inBatches<Row extends { id: number }>(
  read: (after: number) => Promise<Row[]>,
): AsyncGenerator<Row[]> {
  for (let after = 0; ;) {
    const rows = await read(after);
    if (rows.length > 0) yield rows;
    if (rows.length < together) return;
    after = rows.at(-1)!.id;
  }
}

async function* inOrder<Row extends { id: number }>(
  read: (after: number) => Promise<Row[]>,
): AsyncGenerator<Row> {
  for await (const rows of inBatches(read)) yield* rows;
}
