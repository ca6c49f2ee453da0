import { OrbisError } from '@orbis/contract';
import type { Deps } from '../app.ts';
import { insertEmbeds } from '../store/import.ts';
import { readImport } from '../work/import.ts';
import { someOf } from '../work/some-of.ts';
import { untilFree } from '../work/until-free.ts';
import type { Handlers, Named } from './reply.ts';

/** Many codes taken in at once: all of them, or none. */
export function importHandlers(deps: Deps): Handlers<Named<'imports'>> {
  const { db } = deps.connection;
  return {
    'imports.create': async ({ body, act }) => {
      const { embeds, doubled, refused } = await readImport(db, body.items, deps);
      if (refused.length > 0 && !body.skipRefused && !body.dryRun) {
        throw new OrbisError(
          'import-refused',
          { count: refused.length, items: someOf(refused.map(({ item, name }) => `${item} (${name})`)) },
          refused.map(({ item, detail }) => ({ pointer: `/items/${item - 1}`, detail })),
        );
      }
      const values = embeds.filter((embed) => embed !== null);
      const keys = body.dryRun ? null : await untilFree(() => db.transaction((tx) => insertEmbeds(tx, values, act)));
      let n = 0;
      const taken = embeds.flatMap((embed, i) => (embed === null ? [] : [{ item: i + 1, name: embed.name, embed: keys?.[n++] ?? null }]));
      return { status: body.dryRun ? 200 : 201, data: { taken, doubled, refused } };
    },
  };
}
