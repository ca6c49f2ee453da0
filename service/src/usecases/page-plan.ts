import { classFor, hasShared, snippetText, type PagePlan, type PlannedSnippet, type Snippet } from '@orbis/core';
import { writePlace } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { workOutPage, type PageTask } from '../reading/work-out-page.ts';
import { placementsOn, type StoredPlacement } from '../store/placements.ts';
import { compositionOf, short } from './codes.ts';
import { withRules, type RenderContext } from './render-context.ts';
import { askedAt } from './asked.ts';

/** What is handed out for a placement: what goes to its spot, and what its page needs elsewhere because of it. */
export interface PlacementOutput {
  snippets: Snippet[];
  /** The text of the snippet for the spot. */
  text: string;
}

/** Gives the placements of a page; asked once for each page, however many of them are looked at. */
export type Neighbours = (pageId: number) => Promise<readonly StoredPlacement[]>;

export function neighboursIn(db: Handle): Neighbours {
  const known = new Map<number, Promise<StoredPlacement[]>>();
  return (pageId) => known.get(pageId) ?? known.set(pageId, placementsOn(db, pageId)).get(pageId)!;
}

/**
 * What would be handed out for a placement today under this number. Most codes depend on nothing else of their page;
 * for those that bring what a page needs only once, the whole page is planned.
 */
export async function outputToday(row: StoredPlacement, renderContext: RenderContext, delivery: number, neighbours: Neighbours): Promise<PlacementOutput> {
  const { source, placement, page, site } = row;
  const circumstances = { mark: { placement: placement.publicId, delivery }, apart: site.head ? classFor(placement.publicId) : null };
  const { code, composition } = await compositionOf({ base: source.base, found: source.found, asked: askedAt(row) }, renderContext, circumstances);
  if (!hasShared(code.reading)) return { snippets: composition.snippets, text: composition.text };
  const others = (await neighbours(page.id)).filter(({ id }) => id !== row.id);
  const { snippets } = await planOf([row, ...others], renderContext, (id) => (id === placement.publicId ? delivery : 1));
  const own = snippets.filter(({ placements }) => placements.includes(placement.publicId));
  return {
    snippets: own.map(asSnippet),
    text: snippetText(own.find(({ position }) => position === 'spot')!),
  };
}

const asSnippet = ({ position, runs }: PlannedSnippet): Snippet => ({ position, runs });

/** Plans a page with these placements; `numberOf` says under which number each is made, null without a mark. */
export function planOf(rows: readonly StoredPlacement[], renderContext: RenderContext, numberOf: (id: string) => number | null): Promise<PagePlan> {
  const task: PageTask = {
    placements: rows.map((row) => ({
      id: row.placement.publicId,
      place: placeOf(row),
      base: row.source.base,
      length: row.source.found?.length ?? null,
      asked: withRules(askedAt(row), renderContext),
      delivery: numberOf(row.placement.publicId),
    })),
    site: { head: rows[0]?.site.head ?? false },
    sheets: renderContext.sheets,
  };
  const length = task.placements.reduce((sum, { base }) => sum + base.length, 0);
  return length <= short ? Promise.resolve(workOutPage(task)) : renderContext.workOutPage(task);
}

/** A placement’s place, as people write it. */
export const placeOf = ({ site, page, spot }: Pick<StoredPlacement, 'site' | 'page' | 'spot'>): string => writePlace({ site: site.key, path: page.path, spot: spot.name });
