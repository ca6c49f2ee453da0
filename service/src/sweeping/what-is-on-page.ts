import type { LookedFor, PageLook, PlacementSeen } from '@orbis/core';
import type { FetchedPage } from '../fetching/client.ts';
import { issuedTexts } from '../store/issued.ts';
import { strangersOn } from '../store/placements.ts';
import type { PlacementResult } from '../store/seen.ts';
import type { PageOfSweep, PageResult } from '../store/sweeps.ts';
import { addressOfPage } from './address-of-page.ts';
import { behindCache, isNewsOn } from './behind-cache.ts';
import type { ExpectedOnPage } from './expected-on-page.ts';
import { withItsFile } from './file-of-frame.ts';
import { headSeen } from './head-seen.ts';
import type { PageTools } from './look-tools.ts';
import { allNeeded, lacking, leftOver, neededOnPage } from './needed-on-page.ts';
import {
  foundOnPage,
  leftOverOnPage,
  pageRedirects,
  servedHosts,
  strangers,
  troubles,
  unregistered,
} from './page-findings.ts';
import { emptyUntilScriptsRun, resultOf } from './placement-result.ts';
import { textWithBrowser } from './with-browser.ts';

/** What a page shows of what is expected on it, and what else is there. */
export async function whatIsOnPage(
  page: FetchedPage & { content: string },
  row: PageOfSweep,
  expected: ExpectedOnPage,
  tools: PageTools & { declared: readonly string[] },
): Promise<PageResult> {
  const { db, reader, fetching, declared, files } = tools;
  const { placements, leaving, sought, ofBlock, basis } = expected;
  const issued = await issuedTexts(db, [...placements, ...leaving]);
  const wanted = wantedOn(expected, issued, tools);
  const needed = await neededOnPage(db, row.page.id, placements, leaving);
  const asked = { address: page.url, expected: wanted, inHead: sought, needed: allNeeded(needed) };
  const { look, isRendered } = await lookedAt(page, row, { asked, own: placements.length }, tools);
  if (look.isShell && look.placements.some(isUnseen)) return emptyUntilScriptsRun(row, expected, page);
  const { content, etag, status } = page;
  const isNews = isNewsOn(placements);
  const scanned = { content, scanned: look.placements, expected: wanted, isNews };
  // What a browser makes of a page is not what a cache has of it.
  const hidden = isRendered
    ? { seen: look.placements, isAny: false }
    : await behindCache(row, scanned, { reader, fetching, declared });
  const seen: PlacementResult[] = [];
  // One after the other, as they may all be of one server.
  for (const [i, placed] of placements.entries()) {
    const own = issued.get(placed.id) ?? [];
    const found = await withItsFile(hidden.seen[i]!, own, { fetching: files, reader, declared });
    const lacks = lacking(placed, found, needed, look.times);
    const whole = { ...found, findings: [...found.findings, ...lacks] };
    seen.push({ ...resultOf(placed, whole, own), block: ofBlock(placed) });
  }
  const isGone = (_: unknown, i: number): boolean => isUnseen(look.placements[placements.length + i]!);
  const gone = leaving.filter(isGone).map((each) => ({ id: each.id, isOfBlock: ofBlock(each) !== null }));
  const head = await headSeen(db, { sought, inHead: look.inHead }, [
    ...seen,
    ...leaving.map(carriedByLeaving),
  ]);
  // What frames show may change while the page stays as it is, what a cache has, and what scripts make of it.
  const hasFiles = [...issued.values()].flat().some(({ file }) => file !== null);
  const changes = hasFiles || hidden.isAny || isRendered;
  const kept = { basis, ...(changes ? { content: '', etag: '' } : { content, etag }) };
  const carried = [
    ...seen.map(({ placementId: id, delivery }) => ({ id, delivery })),
    ...leaving
      .filter((each, i) => !isGone(each, i))
      .map(({ id, seenDelivery }) => ({ id, delivery: seenDelivery })),
  ];
  const left = leftOver(
    needed,
    carried,
    gone.map(({ id }) => id),
    look.times,
  );
  const others = await otherThings(row, page, look, { ...tools, left });
  const told = foundOnPage(row, others, row.address === null ? seen : []);
  return { state: 'read', status, why: null, digest: content, seen, gone, head, kept, ...told };
}

const isUnseen = ({ state }: PlacementSeen): boolean => state === 'missing' || state === 'planned';

/* What is on a page; where its site says so and something is not seen, once its scripts have run.
   `own` is how much of what is expected is to be there. */
async function lookedAt(
  page: FetchedPage,
  { site }: PageOfSweep,
  { asked, own }: { asked: LookedFor; own: number },
  { reader, browser, declared }: PageTools & { declared: readonly string[] },
): Promise<{ look: PageLook; isRendered: boolean }> {
  const look = await reader.lookAtPage(page.text, asked);
  if (!site.rendered || !look.placements.slice(0, own).some(isUnseen)) return { look, isRendered: false };
  const text = await textWithBrowser(browser, page.url, declared);
  return { look: await reader.lookAtPage(text, asked), isRendered: true };
}

/* What is looked for, what has ended last. */
const wantedOn = (
  { placements, leaving }: ExpectedOnPage,
  issued: Awaited<ReturnType<typeof issuedTexts>>,
  { placementUrl }: Pick<PageTools, 'placementUrl'>,
) => {
  const texts = (id: number) =>
    new Map((issued.get(id) ?? []).map(({ number, text }) => [number, text] as const));
  return [
    ...placements.map(({ id, publicId, lastSeenAt, seen }) => ({
      placement: publicId,
      // What was taken out while it was paused or retired is not missed: it is to be pasted again.
      seenBefore: lastSeenAt !== null && seen !== 'planned',
      served: placementUrl(publicId),
      issued: texts(id),
    })),
    ...leaving.map(({ id, publicId }) => ({
      placement: publicId,
      seenBefore: true,
      served: placementUrl(publicId),
      issued: texts(id),
    })),
  ];
};

/* What is found on the page beside what is placed there. */
async function otherThings(
  row: PageOfSweep,
  page: FetchedPage,
  look: PageLook,
  { db, placementUrl, left }: Pick<PageTools, 'db' | 'placementUrl'> & { left: ReturnType<typeof leftOver> },
) {
  const isOurs = servedHosts(placementUrl);
  const known = await strangersOn(
    db,
    row.page.id,
    look.strangers.map(({ mark }) => mark.placement),
  );
  return [
    ...pageRedirects(row, addressOfPage(row), page),
    ...strangers(row, known),
    ...unregistered(row, look, { known: new Set(known.map(({ publicId }) => publicId)), isOurs }),
    ...troubles(row, look),
    ...leftOverOnPage(row, left),
  ];
}

const carriedByLeaving = ({ id, seenDelivery }: { id: number; seenDelivery: number | null }) => ({
  placementId: id,
  delivery: seenDelivery,
});
