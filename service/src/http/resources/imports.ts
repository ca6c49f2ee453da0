import { OrbisError, type BodyOf, type ImportAnswer, type ImportEvent, type Routes } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../../store/embeds.ts';
import { insertCollected } from '../../usecases/collect-many.ts';
import { readImport } from '../../usecases/import.ts';
import { summarize } from '../../usecases/summarize.ts';
import type { Handlers, Named } from '../reply.ts';
import { telling } from '../telling.ts';

/** Many codes taken in at once: all of them, or none. */
export function importHandlers(deps: Deps): Handlers<Named<'imports'>> {
  const { db } = deps.connection;
  const take = async (
    body: BodyOf<Routes['imports.create']>,
    actor: Actor,
    tell: (read: number) => void,
  ): Promise<ImportAnswer> => {
    const { embeds, doubled, refused } = await readImport(db, body.items, deps, tell);
    if (refused.length > 0 && !body.skipRefused && !body.dryRun) {
      throw new OrbisError(
        'import-refused',
        { count: refused.length, items: summarize(refused.map(({ item, name }) => `${item} (${name})`)) },
        refused.map(({ item, detail }) => ({ pointer: `/items/${item - 1}`, detail })),
      );
    }
    const values = embeds.filter((embed) => embed !== null);
    const keys = body.dryRun ? null : await insertCollected(db, values, actor);
    let n = 0;
    const taken = embeds.flatMap((embed, i) =>
      embed === null ? [] : [{ item: i + 1, name: embed.name, embed: keys?.[n++] ?? null }],
    );
    return { taken, doubled, refused };
  };
  return {
    'imports.create': async ({ body, actor }) => ({
      status: body.dryRun ? 200 : 201,
      data: await take(body, actor, () => {}),
    }),
    'imports.watch': ({ body, actor, request, signal }) => {
      const options = { log: deps.log, request, signal, failed: 'import failed' };
      const work = async (tell: (event: ImportEvent) => void): Promise<ImportEvent> => ({
        done: await take(body, actor, (read) => tell({ read, of: body.items.length })),
      });
      return Promise.resolve({ events: telling(options, work) });
    },
  };
}
