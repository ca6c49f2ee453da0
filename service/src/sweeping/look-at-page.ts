import type { Logger } from 'pino';
import type { Database } from '../database/connect.ts';
import { digest } from '../digest.ts';
import type { FetchedPage, Fetching, KnownPage } from '../fetching/client.ts';
import type { FetchFailure } from '../fetching/failure.ts';
import type { Reader } from '../reading/reader.ts';
import { issuedElsewhere, issuedTexts } from '../store/issued.ts';
import { lastReadOf, type PageReadRow } from '../store/page-reads.ts';
import { declaredAddresses } from '../store/places.ts';
import type { PlacementResult } from '../store/seen.ts';
import type { HeadSeen } from '../store/site-heads.ts';
import type { PageOfSweep, PageResult, SamePage } from '../store/sweeps.ts';
import type { RenderContext } from '../usecases/render-context.ts';
import { addressOfPage } from './address-of-page.ts';
import { behindCache, isNewsOn } from './behind-cache.ts';
import { expectedOn, type ExpectedOnPage } from './expected-on-page.ts';
import { withItsFile } from './file-of-frame.ts';
import { resultOf, unreachable } from './placement-result.ts';
import { whyUnreadable } from './unreadable.ts';

/** What pages of sweeps are looked at with. */
export interface LookTools {
  db: Database;
  fetching: Fetching;
  reader: Pick<Reader, 'reconcilePage' | 'fileSeen'>;
  renderContext: () => RenderContext;
  /** Reads the sheets again where somebody has changed them. */
  refresh: () => Promise<void>;
  /** Where a placement's document is served. */
  placementUrl: (id: string) => string;
  now: () => Date;
  log: Logger;
  /** Of Orbis. */
  version: string;
}

/** The same, with what reads the files of frames. */
export type PageTools = LookTools & { files: Pick<Fetching, 'readPage'> };

/** What a page showed; why it could not be read; and how long its host took, in ms. */
export interface Looked {
  result: PageResult | SamePage;
  failure: FetchFailure | null;
  took: number;
}

/**
 * Reads a page, and makes out what it shows of what is placed on it. One that is as it was, and of which
 * nothing else is expected than before, is not made out again.
 * @param givenUp why its host is not asked any more; null where it is.
 */
export async function lookAtPage(
  row: PageOfSweep,
  tools: PageTools,
  givenUp: FetchFailure | null,
): Promise<Looked> {
  const { db, renderContext, refresh } = tools;
  const expected = await expectedOn(row, {
    ...tools,
    renderContext: () => refresh().then(renderContext),
  });
  const declared = await declaredAddresses(db);
  const last = row.address === null ? await lastReadOf(db, row.page.id) : null;
  const known = last?.basis === expected.basis ? last : null;
  let took = 0;
  try {
    if (givenUp) throw givenUp;
    const began = performance.now();
    const answer = await ask(addressOfPage(row), { declared, known, fetching: tools.fetching }).finally(
      () => (took = performance.now() - began),
    );
    const page = answer.text === null ? null : { ...answer, content: digest(answer.text) };
    if (known && (page === null || page.content === known.content)) {
      const { status } = answer;
      const etag = page?.etag ?? known.etag;
      return { result: { state: 'same', status, known, etag }, failure: null, took };
    }
    return { result: await whatIsOn(page!, row, expected, { ...tools, declared }), failure: null, took };
  } catch (error) {
    const own = expected.placements.filter((placed) => expected.ofBlock(placed) === null);
    const failure = whyUnreadable(error);
    return { result: unreachable(own, failure), failure, took };
  }
}

/* Asks for a page, and only whether it has changed where its host can say that. */
const ask = (
  address: string,
  {
    declared,
    known,
    fetching,
  }: { declared: readonly string[]; known: PageReadRow | null; fetching: LookTools['fetching'] },
): Promise<FetchedPage | KnownPage> =>
  known && known.etag !== ''
    ? fetching.readPageAgain(address, declared, known.etag)
    : fetching.readPage(address, declared);

/* What a page shows of what is expected on it. */
async function whatIsOn(
  { text, status, etag, content }: FetchedPage & { content: string },
  row: PageOfSweep,
  { placements, leaving, sought, ofBlock, basis }: ExpectedOnPage,
  { db, reader, fetching, files, placementUrl, declared }: PageTools & { declared: readonly string[] },
): Promise<PageResult> {
  const issued = await issuedTexts(db, placements);
  const expected = placements.map(({ id, publicId, lastSeenAt, seen }) => ({
    placement: publicId,
    // What was taken out while it was paused or retired is not missed: it is to be pasted again.
    seenBefore: lastSeenAt !== null && seen !== 'planned',
    served: placementUrl(publicId),
    issued: new Map((issued.get(id) ?? []).map(({ number, text: own }) => [number, own])),
  }));
  const ended = leaving.map(({ publicId }) => ({
    placement: publicId,
    seenBefore: true,
    served: placementUrl(publicId),
    issued: new Map<number, string>(),
  }));
  const { placements: scanned, inHead } = await reader.reconcilePage(text, [...expected, ...ended], sought);
  const isNews = isNewsOn(placements);
  const hidden = await behindCache(
    row,
    { content, scanned, expected, isNews },
    { reader, fetching, declared },
  );
  const seen: PlacementResult[] = [];
  // One after the other, as they may all be of one server.
  for (const [i, placed] of placements.entries()) {
    const own = issued.get(placed.id) ?? [];
    const found = await withItsFile(hidden.seen[i]!, own, { fetching: files, reader, declared });
    seen.push({ ...resultOf(placed, found, own), block: ofBlock(placed) });
  }
  const gone = leaving
    .filter((_, i) => scanned[placements.length + i]!.state === 'missing')
    .map((each) => ({ id: each.id, isOfBlock: ofBlock(each) !== null }));
  const head = await headSeen(db, { sought, inHead }, [...seen, ...leaving.map(carriedByLeaving)]);
  // What frames show may change while the page stays as it is, and so may what a cache has.
  const hasFiles = [...issued.values()].flat().some(({ file }) => file !== null);
  const kept = { basis, ...(hasFiles || hidden.isAny ? { content: '', etag: '' } : { content, etag }) };
  return { state: 'read', status, why: null, digest: content, seen, gone, head, kept };
}

const carriedByLeaving = ({ id, seenDelivery }: { id: number; seenDelivery: number | null }) => ({
  placementId: id,
  delivery: seenDelivery,
});

/* What a page says of the head of its site: nothing of what its own head has for what it carries. */
async function headSeen(
  db: Database,
  { sought, inHead }: { sought: readonly { digest: string }[]; inHead: readonly string[] },
  carried: readonly { placementId: number; delivery: number | null }[],
): Promise<HeadSeen[]> {
  if (sought.length === 0) return [];
  const own = await issuedElsewhere(
    db,
    carried.flatMap(({ placementId, delivery }) =>
      delivery === null ? [] : [{ placementId, number: delivery }],
    ),
  );
  const ofPage = new Set(
    [...own.values()].flat().flatMap(({ position, digest }) => (position === 'page-head' ? [digest] : [])),
  );
  return sought
    .filter(({ digest }) => !ofPage.has(digest))
    .map(({ digest }) => ({ digest, stands: inHead.includes(digest) }));
}
