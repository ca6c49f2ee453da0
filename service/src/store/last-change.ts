import { and, desc, eq, isNotNull, type SQL } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import { parsePage, parsePlace, type ChangeFacts } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { changeLog, embed, history, page, person, placement, site } from './schema.ts';

/** A change, and who made it or took it back. */
export interface LastChange {
  facts: ChangeFacts;
  at: Date;
  by: string;
  isUndone: boolean;
}

/** Something by its name in a path of the interface. */
type Named = Readonly<Partial<Record<'embed' | 'placement' | 'page' | 'spot' | 'site', string>>>;

/* What was done to something may be this far back in what happened to it. */
const lookedThrough = 100;

/**
 * What was done last to something; null where nothing is known of it, or of who did it.
 */
export async function lastChangeOf(db: Handle, named: Named): Promise<LastChange | null> {
  const of = await whatIsNamed(db, named);
  if (!of) return null;
  const rows = await changesOf(db, of.where);
  const last = rows
    .filter(({ facts }) => of.isAbout(facts))
    .map(({ facts, createdAt, by, undoneAt, undoneBy }) => ({
      facts,
      at: undoneAt ?? createdAt,
      by: undoneAt === null ? by : undoneBy,
      isUndone: undoneAt !== null,
    }))
    .sort((a, b) => b.at.getTime() - a.at.getTime())[0];
  return last?.by ? { ...last, by: last.by } : null;
}

async function changesOf(db: Handle, where: SQL) {
  const undoer = alias(person, 'undoer');
  return db
    .select({
      ...{ facts: changeLog.facts, createdAt: changeLog.createdAt, by: person.name },
      ...{ undoneAt: changeLog.undoneAt, undoneBy: undoer.name },
    })
    .from(history)
    .innerJoin(changeLog, eq(changeLog.id, history.changeId))
    .leftJoin(person, eq(person.id, changeLog.createdBy))
    .leftJoin(undoer, eq(undoer.id, changeLog.undoneBy))
    .where(and(where, isNotNull(history.changeId)))
    .orderBy(desc(history.id))
    .limit(lookedThrough);
}

/* Whose history is looked through, and which of what was done is about the thing itself. */
interface WhatIsNamed {
  where: SQL;
  isAbout: (facts: ChangeFacts) => boolean;
}

const ofEmbeds: readonly ChangeFacts['kind'][] = [
  'collected',
  'options',
  'group',
  'renewed',
  'brought-back',
  'details',
  'purged',
];
const ofPlacements: readonly ChangeFacts['kind'][] = [
  'placed',
  'placed-options',
  'placed-details',
  'placements',
  'moved',
  'ended',
];

async function whatIsNamed(db: Handle, named: Named): Promise<WhatIsNamed | null> {
  if (named.embed !== undefined) {
    const [row] = await db.select({ id: embed.id }).from(embed).where(eq(embed.key, named.embed));
    return row
      ? { where: eq(history.embedId, row.id), isAbout: ({ kind }) => ofEmbeds.includes(kind) }
      : null;
  }
  if (named.placement !== undefined) {
    const [row] = await db
      .select({ embedId: placement.embedId, pageId: placement.pageId })
      .from(placement)
      .where(eq(placement.publicId, named.placement));
    if (!row) return null;
    const where = and(eq(history.pageId, row.pageId), eq(history.embedId, row.embedId))!;
    return { where, isAbout: ({ kind }) => ofPlacements.includes(kind) };
  }
  if (named.page !== undefined || named.spot !== undefined) return pageNamed(db, named);
  return named.site === undefined ? null : siteNamed(db, named.site);
}

async function pageNamed(db: Handle, { page: key, spot }: Named): Promise<WhatIsNamed | null> {
  const { site: siteKey, path } = key === undefined ? parsePlace(spot!) : parsePage(key);
  const [row] = await db
    .select({ id: page.id })
    .from(page)
    .innerJoin(site, eq(site.id, page.siteId))
    .where(and(eq(site.key, siteKey), eq(page.path, path)));
  const isAbout = (facts: ChangeFacts): boolean =>
    (spot === undefined && facts.kind === 'page-moved' && facts.to === key) ||
    isThing(facts, spot === undefined ? 'page' : 'spot', spot ?? key!);
  return row ? { where: eq(history.pageId, row.id), isAbout } : null;
}

async function siteNamed(db: Handle, key: string): Promise<WhatIsNamed | null> {
  const [row] = await db.select({ id: site.id }).from(site).where(eq(site.key, key));
  return row ? { where: eq(history.siteId, row.id), isAbout: (facts) => isThing(facts, 'site', key) } : null;
}

const isThing = (facts: ChangeFacts, what: string, key: string): boolean =>
  'what' in facts && facts.what === what && 'key' in facts && facts.key === key;
