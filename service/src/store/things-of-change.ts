import { and, eq, inArray } from 'drizzle-orm';
import { parsePage, type ChangeFacts } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { chunks } from './chunks.ts';
import type { Things } from './history.ts';
import { isOneOf } from './one-of.ts';
import { embed, page, placement, site } from './schema.ts';
import type { ChangeEffect } from './tables/changes.ts';

/** What tells what a change is about. */
export interface WhatChanges {
  facts: ChangeFacts;
  effect?: ChangeEffect | undefined;
  embeds?: readonly { embedId: number }[];
}

/** What a change is about: embeds, pages and sites. Call it in the transaction of the change. */
export async function thingsOfChange(
  tx: Handle,
  { facts, effect, embeds = [] }: WhatChanges,
): Promise<Things> {
  const placed = await placedThings(tx, placementsIn(effect));
  const named = await namedPages(tx, facts);
  const purged = facts.kind === 'purged' ? await embedNamed(tx, facts.embed) : [];
  return {
    embeds: distinct([...embeds.map(({ embedId }) => embedId), ...placed.embeds, ...purged]),
    pages: distinct([...placed.pages, ...named.pages]),
    sites: distinct([...placed.sites, ...named.sites]),
  };
}

const distinct = <T>(all: readonly T[]): T[] => [...new Set(all)];

const nothing: Things = { embeds: [], pages: [], sites: [] };

/* Of a placement that was moved, both: it is another one there. */
function placementsIn(effect: ChangeEffect | undefined): number[] {
  switch (effect?.of) {
    case 'placement':
    case 'placement-details':
      return [effect.placementId];
    case 'placements':
      return effect.before.map(({ placementId }) => placementId);
    case 'move':
      return [effect.before.placementId, effect.after.placementId];
    default:
      return [];
  }
}

async function placedThings(tx: Handle, ids: readonly number[]): Promise<Things> {
  const rows: { embedId: number; pageId: number; siteId: number }[] = [];
  for (const part of chunks(ids))
    rows.push(
      ...(await tx
        .select({ embedId: placement.embedId, pageId: placement.pageId, siteId: placement.siteId })
        .from(placement)
        .where(isOneOf(placement.id, part))),
    );
  return {
    embeds: rows.map(({ embedId }) => embedId),
    pages: rows.map(({ pageId }) => pageId),
    sites: rows.map(({ siteId }) => siteId),
  };
}

/* By their keys, as the change names them; what is not there any more has no history. */
async function namedPages(tx: Handle, facts: ChangeFacts): Promise<Things> {
  const keys = pageKeysIn(facts);
  const siteKeys = [...keys.map(({ site: key }) => key), ...siteKeysIn(facts)];
  if (siteKeys.length === 0) return nothing;
  const sites = await tx
    .select({ id: site.id, key: site.key })
    .from(site)
    .where(inArray(site.key, distinct(siteKeys)));
  const pages: number[] = [];
  for (const { site: key, path } of keys) {
    const of = sites.find((each) => each.key === key);
    if (!of) continue;
    const found = await tx
      .select({ id: page.id })
      .from(page)
      .where(and(eq(page.siteId, of.id), eq(page.path, path)));
    pages.push(...found.map(({ id }) => id));
  }
  return { embeds: [], pages, sites: sites.map(({ id }) => id) };
}

function pageKeysIn(facts: ChangeFacts): { site: string; path: string }[] {
  if (facts.kind === 'page-moved') return [parsePage(facts.from), parsePage(facts.to)];
  if (!('what' in facts) || typeof facts.what !== 'string') return [];
  if (facts.what === 'page') return [parsePage(facts.key)];
  return facts.what === 'spot' ? [parsePage(facts.key.slice(0, facts.key.lastIndexOf('#')))] : [];
}

function siteKeysIn(facts: ChangeFacts): string[] {
  if (facts.kind === 'pages-added') return [facts.site];
  if (!('what' in facts) || typeof facts.what !== 'string') return [];
  if (facts.what === 'site') return [facts.key];
  return facts.what === 'sharedSpot' ? [facts.key.slice(0, facts.key.lastIndexOf('#'))] : [];
}

async function embedNamed(tx: Handle, key: string): Promise<number[]> {
  const found = await tx.select({ id: embed.id }).from(embed).where(eq(embed.key, key));
  return found.map(({ id }) => id);
}
