import { readMark, type PageHarvest } from '@orbis/core';
import { OrbisError, serializeFinding } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import { digest } from '../digest.ts';
import { recordCollected } from '../store/change-log.ts';
import { insertEmbed, type Actor, type EmbedRow } from '../store/embeds.ts';
import {
  findHarvest,
  insertHarvest,
  itemsOf,
  markTaken,
  type HarvestRow,
  type NewItem,
  type StoredItem,
} from '../store/harvests.ts';
import { embedIdOfMark } from '../store/placements.ts';
import { readPage } from './read-page.ts';
import { newRevision } from './codes.ts';
import { ingest, sourceOfCode, worstLevel, type IngestTools } from './collect.ts';

export type HarvestTools = Pick<Deps, 'connection' | 'renderContext' | 'reader' | 'fetching'>;

/** @throws OrbisError `not-found` */
export async function harvestById(db: Handle, id: string): Promise<HarvestRow> {
  const row = await findHarvest(db, id);
  if (!row)
    throw new OrbisError('not-found', {
      what: 'harvest',
      key: id,
    });
  return row;
}

/** A page to harvest: published, or saved under some name. */
export type PageToHarvest = { address: string } | { text: string; name?: string | undefined };

/**
 * Reads a whole page for its embeds, and keeps what was found.
 * @returns the harvest’s id.
 * @throws OrbisError `page-unreadable`, `text-too-much`
 */
export async function harvestPage(asked: PageToHarvest, tools: HarvestTools, actor: Actor): Promise<string> {
  const { db } = tools.connection;
  const page = 'address' in asked ? await readPage(asked.address, tools) : { url: null, text: asked.text };
  const { sheets } = tools.renderContext();
  const found = await tools.reader.harvestPage(page.text, { sheets, address: page.url });
  refuseExcess(found);
  const items = await Promise.all(found.embeds.map((embed, i) => newItem(db, embed, i + 1)));
  const findings = found.findings.map(({ rule, level, line, column, facts }) => ({
    rule,
    level,
    line,
    column,
    facts,
  }));
  const address = 'address' in asked ? asked.address : (asked.name ?? null);
  return inTransaction(db, (tx) =>
    insertHarvest(tx, { address, title: found.title, findings }, items, actor),
  );
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
  { name, text, reading, heading, line, column, mark, isOwn, sharesWith }: PageHarvest['embeds'][number],
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
    isOwn,
    sharesWith,
    markedEmbedId: placement && (await embedIdOfMark(db, placement.placement)),
  };
}

/** What of a harvest goes into the collection: numbers, names where they are to be others, tags for all. */
export interface Chosen {
  items: readonly { number: number; name?: string | undefined }[];
  tags: readonly string[];
}

/**
 * Takes found embeds into the collection, all or none.
 * @returns their keys, in the order asked for.
 * @throws OrbisError `not-found`, `already-taken`
 */
export const takeFound = (
  id: string,
  { items, tags }: Chosen,
  tools: HarvestTools,
  actor: Actor,
): Promise<string[]> =>
  inTransaction(
    tools.connection.db,
    async (tx) => {
      const harvest = await harvestById(tx, id);
      const known = new Map((await itemsOf(tx, [harvest.id])).map((stored) => [stored.item.number, stored]));
      const made: Pick<EmbedRow, 'id' | 'key'>[] = [];
      for (const { number, name } of items) {
        const stored = known.get(number);
        if (!stored)
          throw new OrbisError('not-found', {
            what: 'number',
            key: `${number}`,
            remedy: `This page has ${known.size}.`,
          });
        if (stored.taken !== null) throw new OrbisError('already-taken', { number, embed: stored.taken });
        made.push(await take(tx, stored.item, { harvest, name, tags }, tools, actor));
      }
      if (made.length > 0) await recordCollected(tx, made, actor);
      return made.map(({ key }) => key);
    },
    { duplicates: true },
  );

async function take(
  tx: Handle,
  item: StoredItem['item'],
  as: { harvest: HarvestRow; name: string | undefined; tags: readonly string[] },
  tools: IngestTools,
  actor: Actor,
): Promise<Pick<EmbedRow, 'id' | 'key'>> {
  const taken = await ingest(tx, item.text, tools);
  const where = [
    as.harvest.address ?? 'a saved page',
    ...(item.heading === null ? [] : [`under “${item.heading}”`]),
    `line ${item.line}`,
  ].join(', ');
  const values = {
    name: as.name ?? item.name,
    notes: `Harvested from ${where}.`,
    tags: as.tags,
    ...sourceOfCode(taken),
    revision: newRevision(taken.code.sheet, {}, 'harvested'),
  };
  const made = await insertEmbed(tx, values, actor);
  if (!(await markTaken(tx, item.id, made.id)))
    throw new OrbisError('already-taken', { number: item.number, embed: made.key });
  return made;
}
