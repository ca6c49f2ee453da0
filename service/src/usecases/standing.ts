import { mostStanding, OrbisError, type Standing } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { findChange, recordChange, type NewChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { countPlaced, type Whereabouts } from '../store/gone-places.ts';
import { pageByKey, siteByKey, spotByKey } from './places.ts';

/** What is placed on a page, which goes along with it. @throws OrbisError `not-found` */
export async function standingOfPage(db: Handle, key: string): Promise<Standing> {
  const { page } = await pageByKey(db, key);
  return { pages: 1, ...(await countPlaced(db, { pageId: page.id }, mostStanding)) };
}

/** What is placed in a spot, which goes along with it. @throws OrbisError `not-found` */
export async function standingOfSpot(db: Handle, key: string): Promise<Standing> {
  const { row } = (await spotByKey(db, key)).spot;
  const placed = row ? await countPlaced(db, { spotId: row.id }, mostStanding) : { placements: 0, seen: 0 };
  return { pages: 1, ...placed };
}

/** What is placed on a site, which goes along with it. @throws OrbisError `not-found` */
export async function standingOfSite(db: Handle, key: string): Promise<Standing> {
  const { id, pages } = await siteByKey(db, key);
  return { pages, ...(await countPlaced(db, { siteId: id }, mostStanding)) };
}

/** @throws OrbisError `in-use` where something is placed there */
export async function refusePlaced(
  db: Handle,
  what: 'spot' | 'page' | 'site',
  key: string,
  where: Whereabouts,
): Promise<void> {
  const { placements } = await countPlaced(db, where, mostStanding);
  if (placements === 0) return;
  const count = placements < mostStanding ? String(placements) : `${mostStanding} or more`;
  const there = what === 'spot' ? 'in it' : 'on it';
  const by = `${placements === 1 ? 'one embed is' : `${count} embeds are`} placed ${there}`;
  throw new OrbisError('in-use', { what, key, by });
}

/** Writes down what is done, for what is ended along with it: its number. Call it in a transaction. */
export async function numberOfChange(tx: Handle, change: NewChange, actor: Actor): Promise<number> {
  const id = await recordChange(tx, change, actor);
  return (await findChange(tx, id!))!.id;
}
