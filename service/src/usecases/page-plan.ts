import { LRUCache } from 'lru-cache';
import {
  bringsListener,
  bringsLoader,
  changesCodes,
  claimsAlone,
  classFor,
  hasShared,
  neutralMark,
  withoutFields,
  type Carried,
  type Circumstances,
  type EditorRules,
  type LeavingPlacement,
  type OncePerPage,
  type PagePlan,
  type PlannedSnippet,
  type Snippet,
  type SpotRoom,
} from '@orbis/core';
import { writePlace } from '@orbis/contract';
import { workOutPage, type KeptPlacement, type PageTask } from '../reading/work-out-page.ts';
import { digest } from '../digest.ts';
import { isBlock, type FilledBlock } from '../store/blocks.ts';
import { shownDigest } from '../store/issued.ts';
import type { StoredPlacement } from '../store/placements.ts';
import { compositionOf, short } from './codes.ts';
import { withRules, type RenderContext } from './render-context.ts';
import { askedAt } from './asked.ts';

/**
 * What would be handed out for each placement of a page now, by its row’s id: the snippets made with the
 * neutral mark, its own first by position; nothing for those of retired embeds. Most codes depend on nothing
 * else of their page; where one brings what a page needs only once, the whole page is planned, with the
 * blocks that it shows.
 */
export const outputsOn = async (
  page: FilledPage,
  renderContext: RenderContext,
): Promise<Map<number, Snippet[]>> => (await comesTo(page, renderContext)).outputs;

/** What is placed on a page, and what it shows around that. */
export interface FilledPage {
  rows: readonly StoredPlacement[];
  blocks: readonly FilledBlock[];
}

interface ComesTo {
  outputs: Map<number, Snippet[]>;
  once: readonly OncePerPage[];
  /** The public ids of what is served only so that it does not meet others of its page. */
  served: readonly string[];
}

async function comesTo({ rows, blocks }: FilledPage, renderContext: RenderContext): Promise<ComesTo> {
  const wanted = rows.filter(isWanted);
  const hasNeighbours = wanted.length > 1 || blocks.some((block) => block.rows.some(isWanted));
  const alone = await Promise.all(
    wanted.map(async (row) => [row, await outputAlone(row, renderContext, hasNeighbours)] as const),
  );
  if (!alone.some(([, { isShared }]) => isShared))
    return { outputs: new Map(alone.map(([{ id }, { snippets }]) => [id, snippets])), once: [], served: [] };
  const { snippets, once, apart } = await planOf({ rows: wanted, blocks }, renderContext);
  const outputs = wanted.map(({ id, placement }): [number, Snippet[]] => [
    id,
    snippets.filter(({ placements }) => placements.includes(placement.publicId)).map(asSnippet),
  ]);
  const served = apart.filter(({ way }) => way === 'served').map(({ placement }) => placement);
  return { outputs: new Map(outputs), once, served };
}

/** What a page comes to, as it would be handed out now. */
export interface WantedOn {
  /** The digest of what is to be shown at each placement’s spot, by its row’s id. */
  wanted: Map<number, string>;
  once: readonly OncePerPage[];
  /** The public ids of what is served only so that it does not meet others of its page. */
  served: readonly string[];
}

/** What is to be shown at each spot of a page, and what the page needs once. */
export async function wantedOn(page: FilledPage, renderContext: RenderContext): Promise<WantedOn> {
  const known = wantedBy(renderContext);
  const wanted = page.rows.filter(isWanted);
  const digests = wanted.map((row) => known.get(inputsOf(row)));
  if (digests.every((each) => each !== undefined))
    return { wanted: new Map(wanted.map(({ id }, i) => [id, digests[i]!])), once: [], served: [] };
  const { outputs, ...rest } = await comesTo(page, renderContext);
  return { wanted: new Map([...outputs].map(([id, snippets]) => [id, shownDigest(snippets)])), ...rest };
}

/** Whether anything is to stand there: nothing is of a retired embed, nor while the placement is paused. */
export const isWanted = ({ embed, placement }: Pick<StoredPlacement, 'embed' | 'placement'>): boolean =>
  embed.retiredAt === null && placement.pausedAt === null;

interface Alone {
  snippets: Snippet[];
  /** Whether it brings something that the page needs only once. */
  isShared: boolean;
}

async function outputAlone(
  row: StoredPlacement,
  renderContext: RenderContext,
  hasNeighbours: boolean,
): Promise<Alone> {
  const { source, site } = row;
  // In which form an editor lets it through depends on what its page’s head takes.
  if (changesCodes(site.editor)) return { snippets: [], isShared: true };
  const circumstances = { mark: neutralMark, servedAt: renderContext.servedAt(), ...pastedAt(row) };
  const { code, composition } = await compositionOf(
    { base: source.base, found: source.found, asked: askedAt(row) },
    renderContext,
    circumstances,
  );
  const { snippets } = composition;
  const isShared =
    (composition.framed === null && (hasShared(code.reading) || (hasNeighbours && claimsAlone(code)))) ||
    bringsLoader(composition) ||
    bringsListener(composition);
  // Of many placements of one embed the same is asked; what is the placement’s own, or its page’s, is no
  // matter of these alone.
  if (!isShared && snippets.length === 1 && !claimsAlone(code))
    wantedBy(renderContext).set(inputsOf(row), shownDigest(snippets));
  return { snippets, isShared };
}

/* All that the code of a placement depends on, where it depends on nothing else of its page. */
const inputsOf = (row: StoredPlacement): string => {
  const { language, frameStyle, editor } = row.site;
  return digest(JSON.stringify([row.revision.id, hasHead(row), language, frameStyle, editor, askedAt(row)]));
};

/* More than there are distinct codes in all but the largest registers: some ten megabytes. */
const mostKnown = 50_000;

/* Digests that were worked out already, with these sheets and rules. */
const known = new WeakMap<RenderContext, LRUCache<string, string>>();
const wantedBy = (renderContext: RenderContext): LRUCache<string, string> =>
  known.get(renderContext) ??
  known.set(renderContext, new LRUCache<string, string>({ max: mostKnown })).get(renderContext)!;

const asSnippet = ({ position, runs }: PlannedSnippet): Snippet => ({ position, runs });

/** What is on a page already. */
export interface OnPage {
  carried: ReadonlyMap<number, Carried>;
  leaving: readonly LeavingPlacement[];
  /** The digests of what stands in the head of the whole site. */
  inSiteHead: readonly string[];
  /** How much room there is in its spots, by their rows’ ids. */
  rooms: ReadonlyMap<number, SpotRoom>;
}

const nothingYet: OnPage = { carried: new Map(), leaving: [], inSiteHead: [], rooms: new Map() };

const roomAt = (room: SpotRoom | undefined): { room?: SpotRoom } => (room ? { room } : {});

const keptOf = (row: StoredPlacement, renderContext: RenderContext): KeptPlacement => ({
  id: row.placement.publicId,
  place: placeOf(row),
  name: row.embed.name,
  base: row.source.base,
  length: row.source.found?.length ?? null,
  asked: withRules(askedAt(row), renderContext),
  mark: neutralMark,
  bytes: row.embed.weighedRevision === row.embed.revision ? row.embed.weighedBytes : null,
});

/** Plans a page with these placements, each with the neutral mark. */
export function planOf(
  { rows, blocks }: FilledPage,
  renderContext: RenderContext,
  onPage?: OnPage,
): Promise<PagePlan> {
  const { carried, leaving, inSiteHead, rooms } = onPage ?? nothingYet;
  const task: PageTask = {
    placements: rows.map((row) => ({
      ...keptOf(row, renderContext),
      carried: carried.get(row.id) ?? null,
      // What fits is for people to know: nothing that is handed out depends on it.
      ...roomAt(rooms.get(row.spot.id)),
    })),
    leaving,
    blocks: blocks.map(({ block, rows: inIt }) => ({
      stands: block.stands!,
      placements: inIt.filter(isWanted).map((row) => keptOf(row, renderContext)),
    })),
    site: {
      head: rows[0] ? hasHead(rows[0]) : false,
      language: rows[0]?.site.language ?? 'en',
      frameStyle: rows[0]?.site.frameStyle ?? '',
      servedAt: renderContext.servedAt(),
      sharesHost: renderContext.sharesHost(),
      ...(rows[0] && {
        editor: editorOf(rows[0]),
        siteHead: { kept: rows[0].site.headKept, stands: inSiteHead },
      }),
    },
    sheets: renderContext.sheets,
  };
  const all = [...task.placements, ...task.blocks.flatMap(({ placements }) => placements)];
  const length = all.reduce((sum, { base }) => sum + base.length, 0);
  return length <= short ? Promise.resolve(workOutPage(task)) : renderContext.workOutPage(task);
}

/** What a site means for the code of a placement on it. */
export function pastedAt({
  site,
  page,
  placement,
}: Pick<StoredPlacement, 'site' | 'page' | 'placement'>): Pick<
  Circumstances,
  'apart' | 'language' | 'frameStyle' | 'loader' | 'listener'
> {
  const { styleField, scriptField } = editorOf({ site, page });
  const isInHead = hasHead({ site, page });
  const ours = isInHead || scriptField ? 'head' : 'here';
  return {
    apart: isInHead || styleField ? classFor(placement.publicId) : null,
    language: site.language,
    frameStyle: site.frameStyle,
    loader: ours,
    listener: ours,
  };
}

/* A block stands on many pages, and has the head of none, nor fields of any. */
const hasHead = ({ site, page }: Pick<StoredPlacement, 'site' | 'page'>): boolean =>
  site.head && !isBlock(page);
const editorOf = ({ site, page }: Pick<StoredPlacement, 'site' | 'page'>): EditorRules =>
  isBlock(page) ? withoutFields(site.editor) : site.editor;

/** A placement’s place, as people write it. */
export const placeOf = ({
  site,
  page,
  spot,
}: {
  site: { key: string };
  page: { path: string };
  spot: { name: string };
}): string => writePlace({ site: site.key, path: page.path, spot: spot.name });
