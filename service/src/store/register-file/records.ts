import { and, asc, eq, gt, inArray } from 'drizzle-orm';
import { registerFormat, type RecordOf, type RegisterRecord } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { tagsOf } from '../embeds.ts';
import { snippetsOf } from '../issued.ts';
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
  site,
  source,
  spot,
} from '../schema.ts';
import { headRecords } from './head-records.ts';

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
  yield* ofPlacements(tx);
  yield* headRecords(tx);
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
}

async function* ofPlaces(tx: Handle): AsyncGenerator<RegisterRecord> {
  for await (const row of inOrder((after) =>
    tx.select().from(site).where(gt(site.id, after)).orderBy(asc(site.id)).limit(together),
  ))
    yield siteRecord(row);
  for await (const { page: row, site: of } of inOrder((after) =>
    tx
      .select({ id: page.id, page, site: site.key })
      .from(page)
      .innerJoin(site, eq(site.id, page.siteId))
      .where(gt(page.id, after))
      .orderBy(asc(page.id))
      .limit(together),
  )) {
    const { path, title, checkedAt, createdAt } = row;
    const times = { checkedAt: iso(checkedAt), at: createdAt.toISOString() };
    yield { type: 'page', key: `${of}/${path}`, title, ...times };
  }
  for await (const { spot: row, site: of, path } of inOrder((after) =>
    tx
      .select({ id: spot.id, spot, site: site.key, path: page.path })
      .from(spot)
      .innerJoin(page, eq(page.id, spot.pageId))
      .innerJoin(site, eq(site.id, page.siteId))
      .where(gt(spot.id, after))
      .orderBy(asc(spot.id))
      .limit(together),
  )) {
    const { name, phone, tablet, desktop, createdAt } = row;
    const key = `${of}/${path}#${name}`;
    yield { type: 'spot', key, widths: { phone, tablet, desktop }, at: createdAt.toISOString() };
  }
}

function siteRecord(row: typeof site.$inferSelect): RecordOf<'site'> {
  const { key, name, address, furtherAddresses, defaults, head, headKept } = row;
  const { language, colours, frameStyle, editor, createdAt } = row;
  return {
    type: 'site',
    ...{ key, name, address, furtherAddresses, defaults, head, headKept },
    ...{ language, colours, frameStyle, editor, at: createdAt.toISOString() },
  };
}

async function* ofCollection(tx: Handle): AsyncGenerator<RegisterRecord> {
  for await (const rows of inBatches((after) =>
    tx.select().from(embed).where(gt(embed.id, after)).orderBy(asc(embed.id)).limit(together),
  )) {
    const ids = rows.map(({ id }) => id);
    const keys = new Map(rows.map(({ id, key }) => [id, key]));
    const tags = await tagsOf(tx, ids);
    for (const { id, key, name, notes, retiredAt, changedAt, createdAt } of rows)
      yield {
        type: 'embed',
        ...{ key, name, notes, tags: tags.get(id) ?? [] },
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
      .where(and(inArray(source.embedId, ids), gt(source.id, after)))
      .orderBy(asc(source.id))
      .limit(together),
  )) {
    const { embedId, number, pasted, base, found, createdAt } = row;
    const at = createdAt.toISOString();
    yield { type: 'source', embed: keys.get(embedId)!, number, pasted, base, found, at };
  }
  for await (const { revision: row, source: of } of inOrder((after) =>
    tx
      .select({ id: revision.id, revision, source: source.number })
      .from(revision)
      .innerJoin(source, eq(source.id, revision.sourceId))
      .where(and(inArray(revision.embedId, ids), gt(revision.id, after)))
      .orderBy(asc(revision.id))
      .limit(together),
  )) {
    const { embedId, number, leftOut, options, sheetId, sheetDigest, reason, createdAt } = row;
    const sheet = sheetId === null ? null : { id: sheetId, digest: sheetDigest };
    yield {
      type: 'revision',
      ...{ embed: keys.get(embedId)!, number, source: of, leftOut, options, sheet, reason },
      at: createdAt.toISOString(),
    };
  }
}

async function* ofPlacements(tx: Handle): AsyncGenerator<RegisterRecord> {
  for await (const row of inOrder((after) =>
    tx
      .select({
        id: placement.id,
        placement,
        embed: embed.key,
        site: site.key,
        path: page.path,
        spot: spot.name,
      })
      .from(placement)
      .innerJoin(embed, eq(embed.id, placement.embedId))
      .innerJoin(spot, eq(spot.id, placement.spotId))
      .innerJoin(page, eq(page.id, placement.pageId))
      .innerJoin(site, eq(site.id, placement.siteId))
      .where(gt(placement.id, after))
      .orderBy(asc(placement.id))
      .limit(together),
  )) {
    const { publicId, options, seen, seenDelivery, carried, findings, ...times } = row.placement;
    yield {
      type: 'placement',
      ...{ id: publicId, embed: row.embed, place: `${row.site}/${row.path}#${row.spot}`, options },
      ...{ seen, seenDelivery, carried, findings },
      ...{ lastSeenAt: iso(times.lastSeenAt), checkedAt: iso(times.checkedAt) },
      ...{ linkedAt: iso(times.linkedAt), endedAt: iso(times.endedAt), at: times.createdAt.toISOString() },
    };
  }
  yield* ofDeliveries(tx);
}

async function* ofDeliveries(tx: Handle): AsyncGenerator<RegisterRecord> {
  for await (const rows of inBatches((after) =>
    tx
      .select({ id: delivery.id, delivery, placement: placement.publicId, revision: revision.number })
      .from(delivery)
      .innerJoin(placement, eq(placement.id, delivery.placementId))
      .innerJoin(revision, eq(revision.id, delivery.revisionId))
      .where(gt(delivery.id, after))
      .orderBy(asc(delivery.id))
      .limit(together),
  )) {
    const snippets = await snippetsOf(
      tx,
      rows.map(({ id }) => id),
    );
    for (const { id, delivery: row, placement: of, revision: made } of rows)
      yield {
        type: 'delivery',
        ...{ placement: of, number: row.number, revision: made, options: row.options },
        ...{ snippets: snippets.get(id) ?? [], at: row.createdAt.toISOString() },
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
