import { and, eq, inArray, ne, sql } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { withholdTexts } from './audit.ts';
import { chunks } from './chunks.ts';
import type { EmbedRow } from './embeds.ts';
import { letFindingsGo } from './findings.ts';
import { isOneOf } from './one-of.ts';
import { forgetResources } from './resources.ts';
import {
  changeLog,
  delivery,
  deliverySnippet,
  embedHost,
  embedPicture,
  embedTag,
  finding,
  headDeliverySnippet,
  placement,
  revision,
  served,
  sighting,
  siteNeed,
  snippet,
  source,
  terms,
} from './schema.ts';

/**
 * Takes the code of an embed, what was handed out of it and whatever was written about it out of the
 * database. Its revisions, placements and deliveries stay, with their numbers, dates and digests. Call it in
 * a transaction that holds the embed’s row.
 */
export async function takeTextsOut(tx: Handle, { id, key }: Pick<EmbedRow, 'id' | 'key'>): Promise<void> {
  await tx
    .update(source)
    .set({ pasted: '', base: '', found: null, digest: digest('') })
    .where(eq(source.embedId, id));
  await tx.update(revision).set({ leftOut: [], options: {}, reason: '…' }).where(eq(revision.embedId, id));
  for (const table of [embedTag, embedHost, embedPicture, terms])
    await tx.delete(table).where(eq(table.embedId, id));
  await forgetResources(tx, [id]);
  await letFindingsGo(tx, eq(finding.embedId, id));
  await tx.delete(finding).where(eq(finding.embedId, id));
  const placements = await tx.select({ id: placement.id }).from(placement).where(eq(placement.embedId, id));
  for (const part of chunks(placements.map((row) => row.id))) await takeOutOfPlacements(tx, part);
  await takeOutOfChanges(tx, key);
}

async function takeOutOfPlacements(tx: Handle, ids: readonly number[]): Promise<void> {
  await tx.update(placement).set({ options: {}, note: '', findings: [] }).where(isOneOf(placement.id, ids));
  await tx.delete(served).where(isOneOf(served.placementId, ids));
  await takeOutOfFindings(tx, ids);
  await tx.update(delivery).set({ options: {} }).where(isOneOf(delivery.placementId, ids));
  const handedOut = await tx
    .selectDistinct({ id: deliverySnippet.snippetId })
    .from(deliverySnippet)
    .innerJoin(delivery, eq(delivery.id, deliverySnippet.deliveryId))
    .where(isOneOf(delivery.placementId, ids));
  for (const part of chunks(handedOut.map((row) => row.id))) await takeOutOfSnippets(tx, part);
}

/* What sweeps found of them may quote them. That they were seen, and in which state, stays. */
async function takeOutOfFindings(tx: Handle, ids: readonly number[]): Promise<void> {
  await tx.update(sighting).set({ findings: [] }).where(isOneOf(sighting.placementId, ids));
  await tx.delete(finding).where(isOneOf(finding.placementId, ids));
  const named = await tx
    .select({ publicId: placement.publicId })
    .from(placement)
    .where(isOneOf(placement.id, ids));
  await letFindingsGo(
    tx,
    and(
      inArray(finding.rule, ['moved', 'copied']),
      inArray(
        sql`json_value(${finding.facts}, '$.placement')`,
        named.map(({ publicId }) => publicId),
      ),
    )!,
  );
}

/* What other embeds, or the head of a site, were handed out with stays. A row without its text is none that a
   later delivery could share, so it has another digest; by that of its text pages are known all the same. */
async function takeOutOfSnippets(tx: Handle, ids: readonly number[]): Promise<void> {
  const others = await tx
    .selectDistinct({ id: deliverySnippet.snippetId })
    .from(deliverySnippet)
    .innerJoin(delivery, eq(delivery.id, deliverySnippet.deliveryId))
    .innerJoin(revision, eq(revision.id, delivery.revisionId))
    .innerJoin(source, eq(source.id, revision.sourceId))
    .where(and(isOneOf(deliverySnippet.snippetId, ids), ne(source.digest, digest(''))));
  const inHeads = await Promise.all(
    [siteNeed, headDeliverySnippet].map((table) =>
      tx.selectDistinct({ id: table.snippetId }).from(table).where(isOneOf(table.snippetId, ids)),
    ),
  );
  const kept = new Set([...others, ...inHeads.flat()].map((row) => row.id));
  const alone = ids.filter((id) => !kept.has(id));
  if (alone.length === 0) return;
  await tx
    .update(snippet)
    .set({ runs: [], digest: sql`sha2(concat('purged ', ${snippet.id}), 256)` })
    .where(isOneOf(snippet.id, alone));
}

/* That something was done stays; with what, and how it was before, goes. */
async function takeOutOfChanges(tx: Handle, key: string): Promise<void> {
  const theirs = await tx
    .select({ id: changeLog.id, facts: changeLog.facts })
    .from(changeLog)
    .where(
      and(
        inArray(changeLog.kind, [
          'options',
          'details',
          'placed',
          'placed-options',
          'placed-details',
          'ended',
          'terms',
        ]),
        sql`json_value(${changeLog.facts}, '$.embed') = ${key}`,
      ),
    );
  await withholdTexts(
    tx,
    theirs.map(({ id }) => id),
  );
  for (const { id, facts } of theirs) {
    const without = 'said' in facts ? { ...facts, said: '…' } : facts;
    await tx.update(changeLog).set({ facts: without, effect: null }).where(eq(changeLog.id, id));
  }
}
