import { and, asc, desc, eq, inArray, lt, notInArray, or } from 'drizzle-orm';
import {
  fileAddress,
  publishedText,
  snippetText,
  textWithoutMark,
  withMark,
  type Options,
  type Snippet,
  type StandsElsewhere,
} from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { chunks } from './chunks.ts';
import type { Actor } from './embeds.ts';
import { groupBy } from './group.ts';
import { insertMany } from './insert-many.ts';
import { afterId } from './pages.ts';
import { delivery, deliverySnippet, placement, revision, snippet } from './schema.ts';

export type DeliveryRow = typeof delivery.$inferSelect;

/** What was handed out, with its mark. */
export interface Issued {
  id: number;
  delivery: DeliveryRow;
  /** The number of the revision that it was made of. */
  revision: number;
  snippets: Snippet[];
  /** The text of the snippet for the spot. */
  text: string;
}

/** Of a snippet made with the neutral mark: what a page carries is known by it. */
const textDigest = (made: Pick<Snippet, 'runs'>): string => digest(snippetText(made));

/**
 * Of snippets made with the neutral mark: whether the same is pasted, at each position; why
 * it is so does not matter.
 */
export const issueDigest = (snippets: readonly Snippet[]): string =>
  digest(JSON.stringify(snippets.map((made) => [made.position, textDigest(made)])));

/**
 * Of all that is shown at a spot: of the code there, and of the document in the file that it names. What is
 * wanted at a spot and what a page carries are held against each other by it.
 */
export function shownDigest(snippets: readonly Snippet[]): string {
  const of = (wanted: Snippet['position']): string[] =>
    snippets.filter(({ position }) => position === wanted).map(textDigest);
  const [spot, ...files] = [...of('spot'), ...of('file')];
  return withFile(spot!, files[0]);
}

const withFile = (spot: string, file: string | undefined): string =>
  file === undefined ? spot : digest(`${spot} ${file}`);

export async function lastDelivery(db: Handle, placementId: number): Promise<DeliveryRow | null> {
  const [row] = await db
    .select()
    .from(delivery)
    .where(eq(delivery.placementId, placementId))
    .orderBy(desc(delivery.number))
    .limit(1);
  return row ?? null;
}

/**
 * Writes down what is handed out as a placement’s next delivery: snippets made with the neutral mark, each
 * kept once. Call it in a transaction that holds the placement’s row.
 */
export async function insertDelivery(
  tx: Handle,
  {
    snippets,
    ...values
  }: {
    placementId: number;
    number: number;
    revisionId: number;
    options: Options;
    snippets: readonly Snippet[];
    /** 1 where it stands on the page without a mark. */
    asFound?: 0 | 1;
  },
  { by, now }: Actor,
): Promise<void> {
  const ids = await keepSnippets(tx, snippets);
  const [{ insertId: deliveryId }] = await tx
    .insert(delivery)
    .values({ ...values, digest: issueDigest(snippets), createdAt: now, createdBy: by });
  await insertMany(
    tx,
    deliverySnippet,
    snippets.map(({ position }, at) => ({ deliveryId, at, position, snippetId: ids[at]! })),
  );
  await tx.update(placement).set({ issued: values.number }).where(eq(placement.id, values.placementId));
}

/** Keeps snippets, each once; their ids, in their order. Call it in a transaction. */
export async function keepSnippets(tx: Handle, snippets: readonly Snippet[]): Promise<number[]> {
  const digests = snippets.map(({ runs }) => digest(JSON.stringify(runs)));
  const rows = new Map(
    snippets.map((made, i) => [
      digests[i]!,
      { digest: digests[i]!, textDigest: textDigest(made), runs: made.runs },
    ]),
  );
  const ids = await snippetIds(tx, [...rows.keys()]);
  const fresh = [...rows.values()].filter((row) => !ids.has(row.digest));
  if (fresh.length > 0) {
    for (const part of chunks(fresh)) await tx.insert(snippet).ignore().values(part);
    const made = await snippetIds(
      tx,
      fresh.map((row) => row.digest),
      'newest',
    );
    for (const [own, id] of made) ids.set(own, id);
  }
  return digests.map((own) => ids.get(own)!);
}

/* Whoever kept the same in the meantime is seen only by a reading that locks. */
async function snippetIds(
  tx: Handle,
  digests: readonly string[],
  state: 'snapshot' | 'newest' = 'snapshot',
): Promise<Map<string, number>> {
  const ids = new Map<string, number>();
  for (const part of chunks(digests)) {
    const found = tx
      .select({ id: snippet.id, digest: snippet.digest })
      .from(snippet)
      .where(inArray(snippet.digest, part));
    const rows = await (state === 'newest' ? found.for('update') : found);
    for (const row of rows) ids.set(row.digest, row.id);
  }
  return ids;
}

/** What was handed out for a placement, the newest first. */
export async function listDeliveries(
  db: Handle,
  { id, publicId }: { id: number; publicId: string },
  limit: number,
  after: string | undefined,
): Promise<Issued[]> {
  const from = afterId(after);
  const rows = await db
    .select({ id: delivery.id, delivery, revision: revision.number })
    .from(delivery)
    .innerJoin(revision, eq(revision.id, delivery.revisionId))
    .where(and(eq(delivery.placementId, id), from === null ? undefined : lt(delivery.id, from)))
    .orderBy(desc(delivery.id))
    .limit(limit + 1);
  const snippets = await snippetsOf(
    db,
    rows.map((row) => row.id),
  );
  return rows.map((row) => {
    const own = (snippets.get(row.id) ?? []).map((made) =>
      withMark(made, { placement: publicId, delivery: row.delivery.number }),
    );
    return { ...row, snippets: own, text: snippetText(own.find(({ position }) => position === 'spot')!) };
  });
}

/** The snippets of these deliveries, by the delivery, in their order. */
export async function snippetsOf(
  db: Handle,
  deliveryIds: readonly number[],
): Promise<Map<number, Snippet[]>> {
  if (deliveryIds.length === 0) return new Map();
  const rows = await db
    .select({
      deliveryId: deliverySnippet.deliveryId,
      position: deliverySnippet.position,
      runs: snippet.runs,
    })
    .from(deliverySnippet)
    .innerJoin(snippet, eq(snippet.id, deliverySnippet.snippetId))
    .where(inArray(deliverySnippet.deliveryId, [...deliveryIds]))
    .orderBy(asc(deliverySnippet.deliveryId), asc(deliverySnippet.at));
  return new Map(
    [...groupBy(rows, (row) => row.deliveryId)].map(([id, own]) => [
      id,
      own.map(({ position, runs }) => ({ position, runs })),
    ]),
  );
}

/** What was ever handed out for a placement’s spot. */
export interface IssuedText {
  placementId: number;
  number: number;
  /** The number of the revision that it was made of. */
  revision: number;
  /** Of what is shown there ({@link shownDigest}). */
  shown: string;
  /** Of the code at the spot alone, without its mark. */
  spot: string;
  /** As it stands on the page. */
  text: string;
  /** The document that stands in a file, and where; null where there is none. */
  file: { address: string; text: string } | null;
}

/**
 * Everything that was ever handed out for the spots of these placements, by the placement, with its marks.
 */
export async function issuedTexts(
  db: Handle,
  placements: readonly { id: number; publicId: string }[],
): Promise<Map<number, IssuedText[]>> {
  const publicIds = new Map(placements.map(({ id, publicId }) => [id, publicId]));
  const out: IssuedText[] = [];
  for (const part of chunks([...publicIds.keys()])) {
    const rows = await db
      .select({
        id: delivery.id,
        placementId: delivery.placementId,
        number: delivery.number,
        asFound: delivery.asFound,
        revision: revision.number,
        position: deliverySnippet.position,
        textDigest: snippet.textDigest,
        runs: snippet.runs,
      })
      .from(delivery)
      .innerJoin(revision, eq(revision.id, delivery.revisionId))
      .innerJoin(
        deliverySnippet,
        and(eq(deliverySnippet.deliveryId, delivery.id), inArray(deliverySnippet.position, ['file', 'spot'])),
      )
      .innerJoin(snippet, eq(snippet.id, deliverySnippet.snippetId))
      .where(inArray(delivery.placementId, part))
      .orderBy(asc(delivery.id));
    for (const own of groupBy(rows, ({ id }) => id).values())
      out.push(issuedText(own, publicIds.get(own[0]!.placementId)!));
  }
  return groupBy(out, (row) => row.placementId);
}

type IssuedRow = Omit<IssuedText, 'shown' | 'spot' | 'text' | 'file'> &
  Snippet & { textDigest: string; asFound: number };

/* What one delivery is made of. */
function issuedText(rows: readonly IssuedRow[], publicId: string): IssuedText {
  const spot = rows.find(({ position }) => position === 'spot')!;
  const file = rows.find(({ position }) => position === 'file');
  const { placementId, number, revision, runs } = spot;
  const address = file && fileAddress(file);
  return {
    placementId,
    number,
    revision,
    shown: withFile(spot.textDigest, file?.textDigest),
    spot: spot.textDigest,
    text:
      spot.asFound === 1
        ? textWithoutMark({ runs })
        : publishedText(withMark({ position: 'spot', runs }, { placement: publicId, delivery: number })),
    file: file && address ? { address, text: snippetText(file) } : null,
  };
}

/** The digests of all that was handed out under these numbers, by the placement. */
export async function issuedDigests(
  db: Handle,
  wanted: readonly { placementId: number; number: number }[],
): Promise<Map<number, string[]>> {
  if (wanted.length === 0) return new Map();
  const rows = await db
    .select({ placementId: delivery.placementId, textDigest: snippet.textDigest })
    .from(delivery)
    .innerJoin(deliverySnippet, eq(deliverySnippet.deliveryId, delivery.id))
    .innerJoin(snippet, eq(snippet.id, deliverySnippet.snippetId))
    .where(underNumbers(wanted));
  return new Map(
    [...groupBy(rows, (row) => row.placementId)].map(([id, own]) => [
      id,
      own.map(({ textDigest }) => textDigest),
    ]),
  );
}

/** What was handed out for another position than the spot, and under which number. */
export interface ElsewhereUnder extends StandsElsewhere {
  placementId: number;
  number: number;
}

/** What was handed out under these numbers for other positions than the spot. */
export async function elsewhereUnder(
  db: Handle,
  wanted: readonly { placementId: number; number: number }[],
): Promise<ElsewhereUnder[]> {
  if (wanted.length === 0) return [];
  const rows = await db
    .select({
      placementId: delivery.placementId,
      number: delivery.number,
      position: deliverySnippet.position,
      digest: snippet.textDigest,
      runs: snippet.runs,
    })
    .from(delivery)
    .innerJoin(
      deliverySnippet,
      and(
        eq(deliverySnippet.deliveryId, delivery.id),
        notInArray(deliverySnippet.position, ['file', 'spot']),
      ),
    )
    .innerJoin(snippet, eq(snippet.id, deliverySnippet.snippetId))
    .where(underNumbers(wanted))
    .orderBy(asc(delivery.id), asc(deliverySnippet.at));
  return rows.map(({ runs, ...row }) => ({ ...row, text: snippetText({ runs }) }));
}

/** The same, by the placement. */
export const issuedElsewhere = async (
  db: Handle,
  wanted: readonly { placementId: number; number: number }[],
): Promise<Map<number, StandsElsewhere[]>> =>
  groupBy(await elsewhereUnder(db, wanted), ({ placementId }) => placementId);

/** The text of something that was handed out, by its digest; null where nothing of it is kept. */
export async function textOf(db: Handle, textDigestOf: string): Promise<string | null> {
  const [row] = await db
    .select({ runs: snippet.runs })
    .from(snippet)
    .where(eq(snippet.textDigest, textDigestOf))
    .limit(1);
  return row ? snippetText(row) : null;
}

const underNumbers = (wanted: readonly { placementId: number; number: number }[]) =>
  or(
    ...wanted.map(({ placementId, number }) =>
      and(eq(delivery.placementId, placementId), eq(delivery.number, number)),
    ),
  );
