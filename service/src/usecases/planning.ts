import type { Logger } from 'pino';
import { OrbisError } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import type { Deps } from '../deps.ts';
import { isAway } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import type { StoredPlacement } from '../store/placements.ts';
import { recordNeeds } from '../store/needs.ts';
import { keepServed } from '../store/served.ts';
import { dropTicksOn } from '../store/change-lists.ts';
import { recordFailed, recordWanted, staleAmong, stalePages } from '../store/stale.ts';
import { filledPage } from './filled-page.ts';
import { isWanted, wantedOn } from './page-plan.ts';
import type { RenderContext } from './render-context.ts';
import { servedFor } from './served-document.ts';

/** What pages are planned with. */
export interface PlanTools {
  db: Database;
  /** The sheets and rules as they are now, whoever changed them. */
  renderContext: () => Promise<RenderContext>;
  log: Logger;
  now: () => Date;
}

/** So many pages are planned before something is answered that depends on all of them. */
export const pagesAtOnce = 50;

/** What pages are planned with when somebody asks. */
export const planTools = ({
  connection: { db },
  sheetRegistry,
  renderContext,
  log,
  now,
}: Pick<Deps, 'connection' | 'sheetRegistry' | 'renderContext' | 'log' | 'now'>): PlanTools => ({
  ...{ db, log, now },
  renderContext: () => sheetRegistry.refresh(db).then(renderContext),
});

/**
 * Plans a page: works out what would be handed out for each of its placements, and writes down
 * what that is, and what is served for those whose link was handed out. A page that cannot be
 * planned waits for the next change, or the next start.
 */
export async function planPage(
  pageId: number,
  { db, renderContext: renewed, log, now }: PlanTools,
): Promise<void> {
  const filled = await filledPage(db, pageId);
  const { rows } = filled;
  try {
    // Asked behind the rows: whoever changes it marks them, so a plan with what held
    // before is not written down.
    const renderContext = await renewed();
    const { wanted, once, served: apart } = await wantedOn(filled, renderContext);
    const served = new Map(
      await Promise.all(
        rows
          .filter(isServed)
          .map(async (row) => [row.id, await servedFor(row, renderContext, isAmong(apart, row))] as const),
      ),
    );
    await inTransaction(db, async (tx) => {
      const planned = inOrder(rows).map(({ id, placement }) => ({
        ...{ id, inputs: placement.inputs },
        wanted: wanted.get(id) ?? null,
      }));
      const written = await recordWanted(tx, planned, now());
      for (const [id, what] of served)
        if (written.has(id)) await keepServed(tx, { placementId: id, ...what });
      await dropTicksOn(tx, pageId);
      // A plan of what was before something changed says nothing of what the page needs now.
      const [row] = rows;
      if (row && written.size === rows.length)
        await recordNeeds(tx, { pageId, siteId: row.site.id }, once, now());
    });
  } catch (error) {
    // Whoever asked is told that Orbis is busy or away, and the job comes back to it.
    if (isAway(error) || isBusy(error)) throw error;
    log.error({ page: pageId, err: error }, 'a page could not be planned');
    await inTransaction(db, (tx) =>
      recordFailed(
        tx,
        inOrder(rows).map(({ id, placement }) => ({ id, inputs: placement.inputs })),
      ),
    );
  }
}

/** Plans those of these pages that wait for it. */
export async function planPages(pageIds: readonly number[], tools: PlanTools): Promise<void> {
  for (const page of await staleAmong(tools.db, pageIds)) await planPage(page, tools);
}

/** Plans the next pages that wait for it; how many there were. */
export async function planNext(limit: number, tools: PlanTools): Promise<number> {
  const pages = await stalePages(tools.db, limit);
  for (const page of pages) await planPage(page, tools);
  return pages.length;
}

const isBusy = (error: unknown): boolean => error instanceof OrbisError && error.code === 'too-busy';

const isServed = (row: StoredPlacement): boolean => row.placement.linkedAt !== null && isWanted(row);

const isAmong = (ids: readonly string[], { placement }: StoredPlacement): boolean =>
  ids.includes(placement.publicId);

/* Rows are locked in one order everywhere. */
const inOrder = (rows: readonly StoredPlacement[]): StoredPlacement[] =>
  [...rows].sort((a, b) => a.id - b.id);
