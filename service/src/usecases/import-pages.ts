import type { Database } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { insertPages, knownPaths } from '../store/places.ts';
import { siteByKey } from './places.ts';

/* So many are named in the list of what was done. */
const mostNamed = 5;

/**
 * Adds many pages to a site, all or none; those that are there stay as they are, and of several with one path
 * the first counts.
 * @throws OrbisError `not-found`
 */
export const importPages = (
  db: Database,
  key: string,
  pages: readonly { path: string; title: string }[],
  actor: Actor,
): Promise<{ added: number; known: number }> =>
  inTransaction(
    db,
    async (tx) => {
      const site = await siteByKey(tx, key);
      const titles = new Map([...pages].reverse().map(({ path, title }) => [path, title]));
      const paths = [...new Set(pages.map(({ path }) => path))];
      const known = await knownPaths(tx, site.id, paths);
      const added = paths.filter((path) => !known.has(path));
      if (added.length > 0) {
        const rows = added.map((path) => ({ path, title: titles.get(path)! }));
        await insertPages(tx, site.id, rows, actor);
        const named = added.slice(0, mostNamed).map((path) => `${key}/${path}`);
        const effect = { of: 'pages' as const, before: null, after: { site: key, paths: added } };
        const facts = { kind: 'pages-added' as const, site: key, pages: named, count: added.length };
        await recordChange(tx, { facts, effect }, actor);
      }
      return { added: added.length, known: known.size };
    },
    { duplicates: true },
  );
