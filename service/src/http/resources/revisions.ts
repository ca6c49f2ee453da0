import { withoutOptions, type OptionProblem, type Options } from '@orbis/core';
import { formatOptions, formatProblem, OrbisError, refuseProblems, type Comparison } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import type { Handle } from '../../database/connect.ts';
import {
  addRevision,
  addSource,
  findRevision,
  listRevisions,
  restoreRevision,
  sourceNumbers,
  sourceOf,
  type EmbedRow,
  type RevisionRow,
  type SourceRow,
} from '../../store/embeds.ts';
import { keyset } from '../../store/pages.ts';
import { compositionOf, newRevision, openSource, sameOptions } from '../../usecases/codes.ts';
import { sourceOfCode, ingest } from '../../usecases/collect.ts';
import { embedByKey, embedReply, embedTag, serializeRevision } from '../../usecases/embeds.ts';
import type { Handlers, Named } from '../reply.ts';
import { inTransaction } from '../../database/transaction.ts';

/** What an embed was and is: saving, newer codes, comparing, bringing back. */
export function revisionHandlers(deps: Deps): Handlers<Named<'revisions' | 'sources'>> {
  const { renderContext } = deps;
  const { db } = deps.connection;
  const reply = (key: string, status = 200) => embedReply(db, key, renderContext(), status);
  return {
    'revisions.create': async ({ params, body, matchState, actor }) => {
      const isNew = await inTransaction(db, async (tx) => {
        const stored = await embedByKey(tx, params.embed);
        matchState(embedTag(stored.embed), 'embed');
        const { code, composition } = await compositionOf(
          { base: stored.source.base, found: stored.source.found, asked: { embed: body.options } },
          renderContext(),
        );
        refuseProblems(composition.problems);
        const revision = newRevision(code.sheet, body.options, 'saved');
        if (sameOptions(revision.options, stored.revision.options)) return false;
        if (!(await addRevision(tx, stored, revision, actor)))
          throw new OrbisError('if-match-stale', { what: 'embed' });
        return true;
      });
      return reply(params.embed, isNew ? 201 : 200);
    },
    'sources.create': async ({ params, body, matchState, actor }) => {
      const isNew = await inTransaction(db, async (tx) => {
        const stored = await embedByKey(tx, params.embed);
        matchState(embedTag(stored.embed), 'embed');
        const taken = await ingest(tx, body.text, deps, { mend: body.mend });
        const { code } = taken;
        if (code.text === stored.source.base) return false;
        const { options: now } = stored.revision;
        const options = fittingOptions(
          now,
          (await compositionOf({ base: code.text, asked: { embed: now } }, renderContext())).composition
            .problems,
          body.dropUnfit,
        );
        if (
          !(await addSource(
            tx,
            stored,
            sourceOfCode(taken),
            newRevision(code.sheet, options, 'newer code of the provider'),
            actor,
          ))
        )
          throw new OrbisError('if-match-stale', { what: 'embed' });
        return true;
      });
      return reply(params.embed, isNew ? 201 : 200);
    },
    'revisions.compare': async ({ params, query }) => {
      const { embed } = await embedByKey(db, params.embed);
      const numbers = await sourceNumbers(db, embed.id);
      const [from, to] = (await Promise.all([
        revisionOf(db, embed, query.from),
        revisionOf(db, embed, query.to),
      ])) as [RevisionRow, RevisionRow];
      const [before, after] = (await Promise.all([from, to].map((row) => sourceOf(db, row)))) as [
        SourceRow,
        SourceRow,
      ];
      const goesOut = async (row: RevisionRow, source: SourceRow): Promise<string> =>
        (
          await compositionOf(
            { base: source.base, found: source.found, asked: { embed: row.options } },
            renderContext(),
          )
        ).composition.text;
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
    'revisions.restore': async ({ params, matchState, actor }) => {
      const isNew = await inTransaction(db, async (tx) => {
        const stored = await embedByKey(tx, params.embed);
        matchState(embedTag(stored.embed), 'embed');
        const earlier = await revisionOf(tx, stored.embed, params.revision);
        if (
          earlier.sourceId === stored.revision.sourceId &&
          sameOptions(earlier.options, stored.revision.options)
        )
          return false;
        const from = await sourceOf(tx, earlier);
        const summary = sourceOfCode({
          pasted: from.pasted,
          found: from.found,
          code: await openSource({ base: from.base }, renderContext()),
        });
        if (!(await restoreRevision(tx, stored, earlier, from, summary, actor)))
          throw new OrbisError('if-match-stale', { what: 'embed' });
        return true;
      });
      return reply(params.embed, isNew ? 201 : 200);
    },
    'revisions.list': async ({ params, query }) => {
      const { embed } = await embedByKey(db, params.embed);
      const numbers = await sourceNumbers(db, embed.id);
      return {
        data: keyset(await listRevisions(db, embed.id, query.limit, query.after), query.limit, (row) =>
          serializeRevision(row, numbers.get(row.sourceId)!),
        ),
      };
    },
    'revisions.read': async ({ params }) => {
      const { embed } = await embedByKey(db, params.embed);
      const row = await revisionOf(db, embed, params.revision);
      return { data: serializeRevision(row, (await sourceNumbers(db, embed.id)).get(row.sourceId)!) };
    },
  };
}

/* @throws OrbisError `not-found` */
async function revisionOf(
  db: Handle,
  embed: Pick<EmbedRow, 'id' | 'key' | 'revision'>,
  number: number,
): Promise<RevisionRow> {
  const row = await findRevision(db, embed.id, number);
  if (!row)
    throw new OrbisError('not-found', {
      what: 'revision',
      key: `${number}`,
      remedy: `“${embed.key}” has revisions 1 to ${embed.revision}.`,
    });
  return row;
}

/* The options that differ between two revisions, as people type them. */
function compareOptions(from: Options, to: Options): Comparison['options'] {
  const [before, after] = [from, to].map(
    (options) => new Map(formatOptions(options).map(({ name, value }) => [name, value])),
  ) as [Map<string, string>, Map<string, string>];
  return [...new Set([...before.keys(), ...after.keys()])]
    .map((option) => ({ option, from: before.get(option) ?? null, to: after.get(option) ?? null }))
    .filter((row) => row.from !== row.to);
}

/* The options that a newer code can fulfil. @throws OrbisError `options-unfit` where some cannot and are not to be dropped. */
function fittingOptions(options: Options, problems: readonly OptionProblem[], drop: boolean): Options {
  const unfit = [...new Set(problems.map(({ option }) => option))];
  if (unfit.length > 0 && !drop) {
    throw new OrbisError(
      'options-unfit',
      { options: unfit.join(', ') },
      problems.map((problem) => ({ pointer: `/${problem.option}`, detail: formatProblem(problem) })),
    );
  }
  return withoutOptions(options, unfit);
}
