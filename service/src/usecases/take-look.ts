import { lookWidths, writePlace, type Look, type LookEvent, type LookPicture } from '@orbis/contract';
import { effectiveOptions, judgeSeen, type Kind, type Options } from '@orbis/core';
import { lookAtWidth, type LookedFor, type PageSeenAt } from '../browser/seeing/look-at-width.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import { asEvidence, showsAnything } from '../pictures/evidence.ts';
import { serializeLook } from '../serializers/looks.ts';
import { pageUrl } from '../serializers/places.ts';
import { keepFound, type Found } from '../store/findings.ts';
import { newPublicId } from '../store/ids.ts';
import { issuedTexts, type IssuedText } from '../store/issued.ts';
import { findLook, insertLook, letOldLooksGo, looksOfPage } from '../store/looks.ts';
import { declaredAddresses } from '../store/places.ts';
import type { StoredPlacement } from '../store/placements.ts';
import type { StoredLook } from '../store/tables/looks.ts';
import { askedAt } from './asked.ts';
import { filledPage } from './filled-page.ts';
import { pageShowing } from './page-showing.ts';
import { isWanted } from './page-plan.ts';
import { pageByKey } from './places.ts';
import { readPage } from './read-page.ts';
import { withRules, type RenderContext } from './render-context.ts';
import { seenOf, type SeenAt } from './seen-of.ts';

/* How long a look in a window may take, in seconds: at the widest one, films are played as well. */
const [seconds, secondsClosely] = [60, 150];

/** What pages are looked at with. */
export type LookingTools = Pick<
  Deps,
  | 'browser'
  | 'connection'
  | 'fetching'
  | 'now'
  | 'renderContext'
  | 'sheetRegistry'
  | 'lookFiles'
  | 'looksKept'
>;

/**
 * Looks at a published page with a browser, and keeps what was seen with pictures of it; what is wrong with
 * what is placed there wants attention from then on, until the next look.
 * @throws OrbisError `not-found`, `nothing-to-sweep`, `page-unreadable`, and of the browser
 */
export async function takeLook(
  { page: key, sendForms }: { page: string; sendForms: boolean },
  tools: LookingTools,
  { tell, signal }: { tell: (event: LookEvent) => void; signal: AbortSignal },
): Promise<Look> {
  const { db } = tools.connection;
  const row = await pageByKey(db, key);
  const shown = await pageShowing(db, row);
  const url = pageUrl(shown.site, shown.page);
  // It says why where a page cannot be read, which a browser does not.
  await readPage(url, tools);
  const { rows, blocks } = await filledPage(db, row.page.id);
  const wanted = [...rows, ...blocks.flatMap((block) => block.rows)].filter(isWanted);
  const issued = await issuedTexts(db, wanted.map(asIssuedTo));
  const there = wanted.filter(({ id }) => issued.has(id));
  const renderContext = await tools.sheetRegistry.refresh(db).then(tools.renderContext);
  const sought = there.map((each) => soughtFor(each, issued.get(each.id)!, renderContext));
  const placed = there.map((each, i) => ({ ...placedOf(each), clip: sought[i]!.clip }));
  const declared = await declaredAddresses(db);
  const seen: SeenAt[] = [];
  for (const width of lookWidths) {
    tell({ width });
    const closely = width === lookWidths.at(-1);
    const how = {
      ...{ width, plays: closely, sendsForms: closely && sendForms },
      waitsForPopUps: closely && there.some(({ embed }) => embed.kind === 'popup'),
    };
    const at = await tools.browser.work((tab) => lookAtWidth(tab, url, sought, how), {
      ...{ declared, signal, seconds: closely ? secondsClosely : seconds },
    });
    seen.push({ ...at, width, shows: await whatShows(at) });
  }
  const stored = { url, ...seenOf(seen, placed, new URL(url).host) };
  const publicId = newPublicId();
  await tools.lookFiles.keep(publicId, await filesOf(seen));
  return keepLook({ publicId, row, there, stored }, tools);
}

const asIssuedTo = ({ id, placement }: StoredPlacement) => ({ id, publicId: placement.publicId });

const placedOf = ({ placement, embed, site, page, spot }: StoredPlacement) => ({
  ...{ placement: placement.publicId, embed: embed.key, embedName: embed.name, kind: embed.kind as Kind },
  place: writePlace({ site: site.key, path: page.path, spot: spot.name }),
});

const wantedOf = (row: StoredPlacement, renderContext: RenderContext): Options =>
  effectiveOptions(withRules(askedAt(row), renderContext)).options;

/* The code that its page carries, where that is known; else the one that was handed out last. */
function soughtFor(
  row: StoredPlacement,
  issued: readonly IssuedText[],
  renderContext: RenderContext,
): LookedFor {
  const { placement, embed } = row;
  const carried = issued.find(({ number }) => number === placement.seenDelivery) ?? issued.at(-1)!;
  // A page that carries an earlier code is not held against what is asked by now.
  const { start, end } = placement.state === 'out-of-date' ? {} : wantedOf(row, renderContext);
  return {
    ...{ id: placement.publicId, name: embed.name, code: carried.text },
    clip: { start: typeof start === 'number' ? start : null, end: typeof end === 'number' ? end : null },
  };
}

/* By the placement: whether anything is to be seen where it stands. */
async function whatShows({ placed, plain }: PageSeenAt): Promise<Map<string, boolean | null>> {
  const shows = new Map<string, boolean | null>();
  for (const { id, box, isRefused } of placed)
    shows.set(id, box === null || isRefused ? false : await showsAnything(plain, box));
  return shows;
}

async function filesOf(seen: readonly SeenAt[]): Promise<Map<LookPicture, Buffer>> {
  const files = new Map<LookPicture, Buffer>();
  for (const { width, outlined, popUp } of seen) {
    files.set(`${width}`, await asEvidence(outlined));
    if (popUp) files.set('popup', await asEvidence(popUp));
  }
  return files;
}

async function keepLook(
  {
    publicId,
    row: { page },
    there,
    stored,
  }: {
    publicId: string;
    row: Pick<StoredPlacement, 'page'>;
    there: readonly StoredPlacement[];
    stored: StoredLook;
  },
  { connection: { db }, now, lookFiles, looksKept }: LookingTools,
): Promise<Look> {
  const found = foundBy(stored, there);
  const takenAt = now();
  const gone = await inTransaction(db, async (tx) => {
    await insertLook(tx, { publicId, pageId: page.id, siteId: page.siteId, takenAt, seen: stored });
    await keepFound(tx, `look:${page.id}`, found, takenAt);
    return letOldLooksGo(tx, page.id, { ofPage: looksOfPage, ofAll: looksKept });
  }).catch(async (error: unknown) => {
    await lookFiles.remove([publicId]);
    throw error;
  });
  await lookFiles.remove(gone);
  return serializeLook((await findLook(db, publicId))!);
}

/* What is wrong with what was seen of each placement. */
const foundBy = ({ placed }: StoredLook, rows: readonly StoredPlacement[]): Found[] =>
  placed.flatMap((each) => {
    const row = rows.find(({ placement }) => placement.publicId === each.placement)!;
    return judgeSeen({ ...each, hostsBefore: each.before.hosts }).map((found): Found => ({
      ...{ ...found, about: `placement:${row.id}`, placementId: row.id },
      ...{ siteId: row.site.id, pageId: row.page.id },
    }));
  });
