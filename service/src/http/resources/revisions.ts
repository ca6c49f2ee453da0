import type { Options } from '@orbis/core';
import { formatOptions, type Comparison } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import {
  listRevisions,
  sourceNumbers,
  sourceOf,
  type RevisionRow,
  type SourceRow,
} from '../../store/embeds.ts';
import { keyset } from '../../store/pages.ts';
import { compositionOf } from '../../usecases/codes.ts';
import { embedByKey, embedReply, serializeRevision } from '../../usecases/embeds.ts';
import { renew, restore, revisionOf, saveOptions } from '../../usecases/revise.ts';
import type { Handlers, Named } from '../reply.ts';

/** What an embed was and is: saving, newer codes, comparing, bringing back. */
export function revisionHandlers(deps: Deps): Handlers<Named<'revisions' | 'sources'>> {
  const { renderContext } = deps;
  const { db } = deps.connection;
  const reply = (key: string, isNew: boolean) => embedReply(db, key, renderContext(), isNew ? 201 : 200);
  const goesOut = async (row: RevisionRow, { base, found }: SourceRow): Promise<string> =>
    (await compositionOf({ base, found, asked: { embed: row.options } }, renderContext())).composition.text;
  return {
    'revisions.create': async ({ params: { embed }, body, matchState, actor }) =>
      reply(embed, await saveOptions(db, { embed, matchState }, body, renderContext(), actor)),
    'sources.create': async ({ params: { embed }, body, matchState, actor }) =>
      reply(embed, await renew(db, { embed, matchState }, body, deps, actor)),
    'revisions.restore': async ({ params: { embed, revision }, matchState, actor }) =>
      reply(embed, await restore(db, { embed, matchState }, revision, renderContext(), actor)),
    'revisions.compare': async ({ params, query }) => {
      const { embed } = await embedByKey(db, params.embed);
      const numbers = await sourceNumbers(db, embed.id);
      const [from, to] = await Promise.all([
        revisionOf(db, embed, query.from),
        revisionOf(db, embed, query.to),
      ]);
      const [before, after] = await Promise.all([sourceOf(db, from), sourceOf(db, to)]);
      return {
        data: {
          from: serializeRevision(from, numbers.get(from.sourceId)!),
          to: serializeRevision(to, numbers.get(to.sourceId)!),
          options: compareOptions(from.options, to.options),
          sourceDiffers: before.base !== after.base,
          runs: await deps.reader.compareTexts(await goesOut(from, before), await goesOut(to, after)),
        },
      };
    },
    'revisions.list': async ({ params, query }) => {
      const { embed } = await embedByKey(db, params.embed);
      const numbers = await sourceNumbers(db, embed.id);
      const rows = await listRevisions(db, embed.id, query.limit, query.after);
      return { data: keyset(rows, query.limit, (row) => serializeRevision(row, numbers.get(row.sourceId)!)) };
    },
    'revisions.read': async ({ params }) => {
      const { embed } = await embedByKey(db, params.embed);
      const row = await revisionOf(db, embed, params.revision);
      return { data: serializeRevision(row, (await sourceNumbers(db, embed.id)).get(row.sourceId)!) };
    },
  };
}

/* The options that differ between two revisions, as people type them. */
function compareOptions(from: Options, to: Options): Comparison['options'] {
  const typed = (options: Options): Map<string, string> =>
    new Map(formatOptions(options).map(({ name, value }) => [name, value]));
  const [before, after] = [typed(from), typed(to)];
  return [...new Set([...before.keys(), ...after.keys()])]
    .map((option) => ({ option, from: before.get(option) ?? null, to: after.get(option) ?? null }))
    .filter((row) => row.from !== row.to);
}
