import type { RenderContext } from '../usecases/render-context.ts';
import type { Logger } from 'pino';
import type { PlacementSeen } from '@orbis/core';
import type { Database } from '../database/connect.ts';
import type { Fetching } from '../fetching/client.ts';
import type { FetchFailure } from '../fetching/failure.ts';
import type { Reader } from '../reading/reader.ts';
import { digest } from '../digest.ts';
import { issuedElsewhere, issuedTexts, type IssuedText } from '../store/issued.ts';
import { blocksOf, isSaidToShow } from '../store/blocks.ts';
import { declaredAddresses, type PageRow } from '../store/places.ts';
import { leavingOn, placementsToSweep, type SweptPlacement } from '../store/placements.ts';
import { soughtInHead, type HeadSeen } from '../store/site-heads.ts';
import type { PageOfSweep, PageResult } from '../store/sweeps.ts';
import { withItsFile } from './file-of-frame.ts';
import { whyUnreadable } from './unreadable.ts';
import type { PlacementResult } from '../store/seen.ts';
import { outOfDateFinding, pausedFinding, retiredFinding } from '../usecases/placements.ts';
import { pageUrl } from '../serializers/places.ts';
import { planPage } from '../usecases/planning.ts';

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
}

/** The same, with what reads the files of frames. */
export type PageTools = LookTools & { files: Pick<Fetching, 'readPage'> };

/** What a page showed; why it could not be read; and how long its host took, in ms. */
export interface Looked {
  result: PageResult;
  failure: FetchFailure | null;
  took: number;
}

/**
 * Reads a page, and makes out what it shows of what is placed on it.
 * @param givenUp why its host is not asked any more; null where it is.
 */
export async function lookAtPage(
  row: PageOfSweep,
  { db, fetching, files, reader, renderContext, refresh, placementUrl, log, now }: PageTools,
  givenUp: FetchFailure | null,
): Promise<Looked> {
  const blocks = await blocksOf(db, row.site.id);
  const places = [row.page.id, ...blocks.map(({ id }) => id)];
  let placements = await placementsToSweep(db, places);
  const stale = new Set(placements.filter((each) => each.stale === 'yes').map(({ pageId }) => pageId));
  for (const pageId of stale)
    await planPage(pageId, { db, renderContext: () => refresh().then(renderContext), log, now });
  if (stale.size > 0) placements = await placementsToSweep(db, places);
  const ofBlock = blockOn(row.page, blocks);
  // What is placed on the page itself comes first.
  placements.sort((a, b) => Number(ofBlock(a) !== null) - Number(ofBlock(b) !== null));
  const declared = await declaredAddresses(db);
  let took = 0;
  try {
    if (givenUp) throw givenUp;
    const began = performance.now();
    const answer = await fetching
      .readPage(addressOfPage(row), declared)
      .finally(() => (took = performance.now() - began));
    const issued = await issuedTexts(db, placements);
    const expected = placements.map(({ id, publicId, lastSeenAt, seen }) => ({
      placement: publicId,
      // What was taken out while it was paused or retired is not missed: it is to be pasted again.
      seenBefore: lastSeenAt !== null && seen !== 'planned',
      served: placementUrl(publicId),
      issued: new Map((issued.get(id) ?? []).map(({ number, text }) => [number, text])),
    }));
    const leaving = await leavingOn(db, places);
    const ended = leaving.map(({ publicId }) => ({
      placement: publicId,
      seenBefore: true,
      served: placementUrl(publicId),
      issued: new Map<number, string>(),
    }));
    const sought = await soughtInHead(db, row.site.id, row.site.headKept);
    const { placements: scanned, inHead } = await reader.reconcilePage(
      answer.text,
      [...expected, ...ended],
      sought,
    );
    const seen: PlacementResult[] = [];
    // One after the other, as they may all be of one server.
    for (const [i, placed] of placements.entries()) {
      const own = issued.get(placed.id) ?? [];
      const found = await withItsFile(scanned[i]!, own, { fetching: files, reader, declared });
      seen.push({ ...resultOf(placed, found, own), block: ofBlock(placed) });
    }
    const gone = leaving
      .filter((_, i) => scanned[placements.length + i]!.state === 'missing')
      .map((each) => ({ id: each.id, isOfBlock: ofBlock(each) !== null }));
    const head = await headSeen(db, { sought, inHead }, [...seen, ...leaving.map(carriedByLeaving)]);
    const about = { status: answer.status, why: null, digest: digest(answer.text) };
    return { result: { state: 'read', ...about, seen, gone, head }, failure: null, took };
  } catch (error) {
    const own = placements.filter((placed) => ofBlock(placed) === null);
    const failure = whyUnreadable(error);
    return { result: unreachable(own, failure), failure, took };
  }
}

/* By the row of what is placed there: what it says of a block that it is in; null for the page’s own. */
const blockOn =
  (on: PageRow, blocks: readonly PageRow[]) =>
  ({ pageId }: { pageId: number }): PlacementResult['block'] => {
    const block = blocks.find(({ id }) => id === pageId);
    return block ? { isExpected: isSaidToShow(on, block) } : null;
  };

/* Where a page is read: at the site’s own address, or at a further one. */
const addressOfPage = ({ site, page, address }: PageOfSweep): string =>
  pageUrl({ address: address ?? site.address }, page);

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

/* A page that could not be read says nothing of its placements. */
function unreachable(placements: readonly SweptPlacement[], failure: FetchFailure): PageResult {
  const finding = {
    rule: 'page-unreachable',
    level: 'error' as const,
    facts: { why: failure.message, remedy: failure.remedy },
  };
  return {
    state: 'unreachable',
    status: failure.status,
    why: failure.message,
    digest: null,
    gone: [],
    head: [],
    seen: placements.map((p) => ({
      placementId: p.id,
      state: 'unreachable' as const,
      delivery: null,
      carried: null,
      line: null,
      served: false,
      findings: [finding],
      block: null,
    })),
  };
}

/* What a sweep makes out of one placement, held against what is wanted of it now. */
function resultOf(
  { id, wanted, revision, retiredAt, pausedAt }: SweptPlacement,
  seen: PlacementSeen,
  issued: readonly IssuedText[],
): Omit<PlacementResult, 'block'> {
  const { delivery, line, served } = seen;
  const carries = issued.find(({ number }) => number === delivery) ?? null;
  const unwanted = retiredAt !== null ? seenRetired : pausedAt !== null ? seenPaused : null;
  const isOld =
    unwanted === null &&
    seen.state === 'live' &&
    carries !== null &&
    wanted !== null &&
    carries.shown !== wanted;
  const { state, findings } = unwanted === null ? seen : unwanted(seen);
  return {
    placementId: id,
    state: isOld ? 'out-of-date' : state,
    delivery,
    carried: carries?.shown ?? null,
    line,
    served,
    findings: isOld
      ? [...findings, outOfDateFinding({ delivery: carries.number, revision: carries.revision }, revision)]
      : findings,
  };
}

type StateAndFindings = Pick<PlacementResult, 'state' | 'findings'>;

/* Of what is paused, nothing is missed; what is still there is to be taken out for now. */
const seenPaused = ({ state, findings }: PlacementSeen): StateAndFindings =>
  state === 'missing' || state === 'planned'
    ? { state: 'paused', findings: [] }
    : { state: 'out-of-date', findings: [...findings, pausedFinding] };

/* Of what is retired, nothing is missed; what is still there is to be taken out. */
function seenRetired({ state, findings }: PlacementSeen): StateAndFindings {
  return state === 'missing' || state === 'planned'
    ? { state: 'planned', findings: [] }
    : { state, findings: [...findings, retiredFinding] };
}
