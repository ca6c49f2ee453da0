import { readMark, type Kind, type PageHarvest } from '@orbis/core';
import {
  OrbisError,
  serializeFinding,
  type Harvest,
  type HarvestItem,
  type HarvestSummary,
} from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import type { Handle } from '../../database/connect.ts';
import { FetchFailure } from '../../fetching/failure.ts';
import { findEmbed, insertEmbed } from '../../store/embeds.ts';
import { groupBy } from '../../store/group.ts';
import {
  findHarvest,
  insertHarvest,
  itemsOf,
  listHarvests,
  markTaken,
  type HarvestRow,
  type NewItem,
  type StoredItem,
} from '../../store/harvests.ts';
import { digest } from '../../digest.ts';
import { keyset } from '../../store/pages.ts';
import { declaredAddresses } from '../../store/places.ts';
import { embedIdOfMark } from '../../store/placements.ts';
import { newRevision } from '../../usecases/codes.ts';
import { sourceOfCode, ingest, worstLevel } from '../../usecases/collect.ts';
import { serializeSummaries } from '../../usecases/embeds.ts';
import type { Handlers, Named } from '../reply.ts';
import { inTransaction } from '../../database/transaction.ts';

/** Whole pages read for their embeds, and which of these were taken. */
export function harvestHandlers(deps: Deps): Handlers<Named<'harvests'>> {
  const { renderContext, fetching, reader } = deps;
  const { db } = deps.connection;
  const byId = async (handle: Handle, id: string): Promise<HarvestRow> => {
    const row = await findHarvest(handle, id);
    if (!row)
      throw new OrbisError('not-found', {
        what: 'harvest',
        key: id,
        remedy: '“orbis list harvests” shows them.',
      });
    return row;
  };
  const tell = async (row: HarvestRow): Promise<Harvest> => {
    const items = (await itemsOf(db, [row.id])).map(serializeItem);
    return {
      ...serializeSummary(row, items),
      items,
      findings: row.findings.map((finding) => serializeFinding({ ...finding, facts: { ...finding.facts } })),
    };
  };
  const readPage = async (address: string) => {
    try {
      return await fetching.readPage(address, await declaredAddresses(db));
    } catch (error) {
      if (error instanceof FetchFailure)
        throw new OrbisError('page-unreadable', { why: error.message, remedy: error.remedy });
      throw error;
    }
  };
  return {
    'harvests.create': async ({ body, actor }) => {
      const page = 'address' in body ? await readPage(body.address) : { url: null, text: body.text };
      const found = await reader.harvestPage(page.text, {
        sheets: renderContext().sheets,
        address: page.url,
      });
      refuseExcess(found);
      const items = await Promise.all(found.embeds.map((embed, i) => newItem(db, embed, i + 1)));
      const findings = found.findings.map(({ rule, level, line, column, facts }) => ({
        rule,
        level,
        line,
        column,
        facts,
      }));
      const values = {
        address: 'address' in body ? body.address : (body.name ?? null),
        title: found.title,
        findings,
      };
      const id = await inTransaction(db, (tx) => insertHarvest(tx, values, items, actor));
      return { status: 201, data: await tell(await byId(db, id)) };
    },
    'harvests.list': async ({ query }) => {
      const page = keyset(await listHarvests(db, query.limit, query.after), query.limit, (row) => row);
      const ids = page.items.map((row) => row.id);
      const items = groupBy(await itemsOf(db, ids), ({ item }) => item.harvestId);
      return {
        data: {
          items: page.items.map((row) => serializeSummary(row, (items.get(row.id) ?? []).map(serializeItem))),
          next: page.next,
        },
      };
    },
    'harvests.read': async ({ params }) => ({ data: await tell(await byId(db, params.harvest)) }),
    'harvests.take': async ({ params, body, actor }) => {
      const keys = await inTransaction(
        db,
        async (tx) => {
          const row = await byId(tx, params.harvest);
          const known = new Map((await itemsOf(tx, [row.id])).map((stored) => [stored.item.number, stored]));
          const made: string[] = [];
          for (const { number, name } of body.items) {
            const stored = known.get(number);
            if (!stored)
              throw new OrbisError('not-found', {
                what: 'number',
                key: `${number}`,
                remedy: `This page has ${known.size}.`,
              });
            if (stored.taken !== null) throw new OrbisError('already-taken', { number, embed: stored.taken });
            made.push(await take(tx, stored, name ?? stored.item.name, body.tags, row, deps, actor));
          }
          return made;
        },
        { duplicates: true },
      );
      const rows = await Promise.all(keys.map(async (key) => (await findEmbed(db, key))!.embed));
      return { status: 201, data: { items: await serializeSummaries(db, rows) } };
    },
  };
}

/* @throws OrbisError `text-too-much` */
function refuseExcess({ findings }: PageHarvest): void {
  const excess = findings.find(({ rule }) => rule === 'too-much');
  if (!excess) return;
  const { message } = serializeFinding({ rule: excess.rule, facts: excess.facts });
  throw new OrbisError('text-too-much', { problem: message });
}

async function newItem(
  db: Handle,
  { name, text, reading, heading, line, column, mark }: PageHarvest['embeds'][number],
  number: number,
): Promise<NewItem> {
  const placement = mark === null ? null : readMark(mark);
  return {
    number,
    name,
    text,
    digest: digest(text),
    kind: reading.kind,
    provider: reading.provider?.id ?? null,
    hosts: reading.hosts.map(({ host }) => host).slice(0, 50),
    level: worstLevel({ reading }),
    heading: heading?.text ?? null,
    line,
    column,
    markedEmbedId: placement && (await embedIdOfMark(db, placement.placement)),
  };
}

async function take(
  tx: Handle,
  { item }: StoredItem,
  name: string,
  tags: readonly string[],
  { address }: Pick<HarvestRow, 'address'>,
  deps: Pick<Deps, 'renderContext' | 'reader'>,
  actor: { by: number; now: Date },
): Promise<string> {
  const taken = await ingest(tx, item.text, deps);
  const where = [
    address ?? 'a saved page',
    ...(item.heading === null ? [] : [`under “${item.heading}”`]),
    `line ${item.line}`,
  ].join(', ');
  const values = {
    name,
    notes: `Harvested from ${where}.`,
    tags,
    ...sourceOfCode(taken),
    revision: newRevision(taken.code.sheet, {}, 'harvested'),
  };
  const key = await insertEmbed(tx, values, actor);
  if (!(await markTaken(tx, item.id, key)))
    throw new OrbisError('already-taken', { number: item.number, embed: key });
  return key;
}

function serializeItem({ item, taken, marked, same }: StoredItem): HarvestItem {
  const { number, name, text, provider, hosts, level, heading, line, column } = item;
  const embed = taken ?? marked ?? same;
  const state = taken !== null ? 'taken' : embed !== null ? 'known' : 'offered';
  return {
    number,
    name,
    text,
    kind: item.kind as Kind,
    provider,
    hosts,
    level,
    heading,
    line,
    column,
    embed,
    state,
  };
}

const serializeSummary = (
  { publicId, address, title, createdAt }: HarvestRow,
  items: readonly HarvestItem[],
): HarvestSummary => ({
  id: publicId,
  address,
  title,
  found: items.length,
  taken: items.filter(({ state }) => state === 'taken').length,
  known: items.filter(({ state }) => state === 'known').length,
  createdAt: createdAt.toISOString(),
});
