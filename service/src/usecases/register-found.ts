import { textWithoutMark, type Snippet } from '@orbis/core';
import { OrbisError, spotValues, writePlace, type Registered } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import { recordChange, recordCollected } from '../store/change-log.ts';
import { insertEmbed, type Actor } from '../store/embeds.ts';
import { decide, forgetCode, lockFindings, pagesIn, scopesOf, type FindingRow } from '../store/findings.ts';
import { insertDelivery, shownDigest } from '../store/issued.ts';
import { insertPlacement } from '../store/placements.ts';
import { pagesById } from '../store/places.ts';
import { findSpot } from '../store/spots.ts';
import { newRevision } from './codes.ts';
import { ingest, nameFor, sourceOfCode, type Collected, type IngestTools } from './collect.ts';
import { filledPage } from './filled-page.ts';
import { holdSpot } from './hold-spot.ts';
import { outputsOn } from './page-plan.ts';
import { sizeSaid, writeSpot } from './spots.ts';
import { recordAsFound } from '../store/seen.ts';
import { markPage } from '../store/mark-stale.ts';

type Tools = IngestTools & Pick<Deps, 'connection' | 'renderContext'>;

/* So many pages are placed on at once. */
const mostPages = 200;

/* Where nobody says which spot it is. */
const usualSpot = 'found';
const usualSize = sizeSaid(spotValues.parse({}));

/**
 * Takes a code that a sweep found into the collection, and places it on the pages where it stands, as it
 * stands there: nothing is to be pasted, as long as nothing is changed.
 * @throws OrbisError `not-found`, `finding-without-code`, `text-too-much`
 */
export async function registerFound(
  id: string,
  { name, spot = usualSpot }: { name?: string | undefined; spot?: string | undefined },
  tools: Tools,
  actor: Actor,
): Promise<Registered> {
  const { db } = tools.connection;
  return inTransaction(
    db,
    async (tx) => {
      const [row] = await lockFindings(tx, [id]);
      if (!row) throw new OrbisError('not-found', { what: 'finding', key: id });
      if (row.code === null || row.list === 'solved') throw new OrbisError('finding-without-code');
      const taken = await ingest(tx, row.code, tools);
      const embed = await collect(tx, taken, { name: name ?? nameOf(row, taken), row }, actor);
      const pages = await pagesOf(tx, row);
      const placements: Registered['placements'] = [];
      for (const page of pages.slice(0, mostPages))
        placements.push(await placeOn(tx, { page, spot, embed, code: row.code }, tools, actor));
      const left = Math.max(0, row.times - placements.length);
      const solved = { list: 'solved' as const, isNew: false, until: null, reason: '' };
      if (left === 0) {
        await decide(tx, [row], solved, actor);
        await forgetCode(tx, row);
      }
      return { embed: embed.key, placements, left };
    },
    { duplicates: true },
  );
}

const nameOf = ({ facts }: FindingRow, taken: Collected): string =>
  typeof facts['name'] === 'string' && facts['name'] !== '' ? facts['name'].slice(0, 120) : nameFor(taken);

type MadeEmbed = Awaited<ReturnType<typeof insertEmbed>>;

async function collect(
  tx: Handle,
  taken: Collected,
  { name, row }: { name: string; row: FindingRow },
  actor: Actor,
): Promise<MadeEmbed> {
  const made = await insertEmbed(
    tx,
    {
      ...{ name, notes: `Found on a page, line ${row.facts['line']}.`, tags: [] },
      ...sourceOfCode(taken),
      revision: newRevision(taken.code.sheet, {}, 'found'),
    },
    actor,
  );
  await recordCollected(tx, [made], actor);
  return made;
}

/* The pages where it is found. */
async function pagesOf(tx: Handle, { id }: FindingRow): Promise<PageWithSite[]> {
  return pagesById(tx, pagesIn(await scopesOf(tx, id, mostPages)));
}

type PageWithSite = Awaited<ReturnType<typeof pagesById>>[number];

async function placeOn(
  tx: Handle,
  { page: on, spot, embed, code }: { page: PageWithSite; spot: string; embed: MadeEmbed; code: string },
  { renderContext }: Tools,
  actor: Actor,
): Promise<Registered['placements'][number]> {
  const { site, page } = on;
  const key = writePlace({ site: site.key, path: page.path, spot });
  if (!(await findSpot(tx, { site: site.key, path: page.path, spot }))) {
    await writeSpot(tx, key, usualSize, actor);
    const added = { of: 'spot' as const, before: null, after: usualSize };
    await recordChange(tx, { facts: { kind: 'added', what: 'spot', key }, effect: added }, actor);
  }
  const { id: spotId } = await holdSpot(tx, { site, page, spot: { name: spot } }, actor);
  const ids = { embedId: embed.id, spotId, pageId: page.id, siteId: site.id };
  const { id, publicId } = await insertPlacement(tx, { ...ids, options: {} }, actor);
  const facts = { kind: 'placed' as const, embed: embed.key, place: key };
  const effect = { of: 'placement' as const, placementId: id, before: null, after: {} };
  await recordChange(tx, { facts, effect }, actor);
  await keepAsFound(tx, { id, pageId: page.id, code }, renderContext(), actor);
  await markPage(tx, page.id);
  return { id: publicId, place: key };
}

/* What stands there counts as its first delivery. Where nothing but the mark would be otherwise if it were
   handed out now, it stands for that, so that nothing is to be pasted. */
async function keepAsFound(
  tx: Handle,
  { id, pageId, code }: { id: number; pageId: number; code: string },
  context: ReturnType<Tools['renderContext']>,
  actor: Actor,
): Promise<void> {
  const filled = await filledPage(tx, pageId);
  const row = filled.rows.find((each) => each.id === id)!;
  const planned = (await outputsOn(filled, context)).get(id) ?? [];
  const [only] = planned;
  const isSame = only?.position === 'spot' && planned.length === 1 && textWithoutMark(only) === code;
  const there: Snippet = {
    position: 'spot',
    runs: [{ from: 'source', start: 0, end: code.length, text: code }],
  };
  const snippets = isSame ? planned : [there];
  const values = {
    placementId: id,
    number: 1,
    revisionId: row.revision.id,
    options: {},
    snippets,
    asFound: 1 as const,
  };
  await insertDelivery(tx, values, actor);
  await recordAsFound(tx, { id, carried: shownDigest(snippets) }, actor.now);
}
