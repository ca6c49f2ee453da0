import { resourcesIn, snippetText, withoutOptions, type Resource } from '@orbis/core';
import type { Logger } from 'pino';
import type { Database, Handle } from '../database/connect.ts';
import { isAway } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import type { StoredEmbed } from '../store/embeds.ts';
import { embedsToWorkOut, leaveResources, setResources } from '../store/resources.ts';
import { compositionOf, openSource } from './codes.ts';
import type { RenderContext } from './render-context.ts';

/* What is not about what is loaded, but about when and where: it may hide it from whoever reads the code. */
const whenAndWhere = ['load', 'frame'];

/**
 * What an embed loads as it is handed out now, and where its provider answers about its link.
 * @throws OrbisError of a code that cannot be read in time.
 */
async function resourcesOf(
  { source, revision }: StoredEmbed,
  renderContext: RenderContext,
): Promise<Resource[]> {
  const { base, found } = source;
  const asked = { embed: withoutOptions(revision.options, whenAndWhere) };
  const { composition } = await compositionOf({ base, found, asked }, renderContext);
  const text = composition.framed?.text ?? composition.snippets.map(snippetText).join('\n');
  const { reading } = await openSource({ base: text }, renderContext);
  const loaded = resourcesIn(text, reading.addresses);
  return found?.how === 'oembed' && found.endpoint !== null
    ? [...loaded, { use: 'oembed', address: found.endpoint, clip: null }]
    : loaded;
}

/* So many embeds are worked out before it is looked for others. */
const together = 20;

/** What working out takes. */
export interface ResourceTools {
  db: Database;
  renderContext: () => Promise<RenderContext>;
  now: () => Date;
  log: Logger;
}

/**
 * Works out what placed embeds load, of a part of those of which that has changed or was last done before a
 * time; of one that cannot be read, nothing.
 * @returns of how many; 0 where none is left.
 */
export async function workOutResources(
  { db, renderContext, now, log }: ResourceTools,
  before: Date,
): Promise<number> {
  const stored = await embedsToWorkOut(db, before, together);
  if (stored.length === 0) return 0;
  const context = await renderContext();
  for (const each of stored) {
    const isPlaced = each.embed.placements > 0 && each.embed.purgedAt === null;
    const resources = isPlaced ? await resourcesOf(each, context).catch(() => []) : [];
    const write = (tx: Handle): Promise<void> => setResources(tx, each.embed, resources, now());
    await inTransaction(db, write, { duplicates: true }).catch(async (error: unknown) => {
      if (isAway(error)) throw error;
      // One that cannot be written down does not keep the others from it.
      log.error({ err: error, embed: each.embed.key }, 'what an embed loads could not be written down');
      await leaveResources(db, each.embed.id, now());
    });
  }
  return stored.length;
}
