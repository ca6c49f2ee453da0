import { type Outcome, type Wishes } from '@orbis/core';
import { catalogue, OrbisError, sayWishes, type Comparison } from '@orbis/contract';
import type { Deps } from '../app.ts';
import type { Handle } from '../database/connect.ts';
import { addRevision, addSource, findRevision, listRevisions, restoreRevision, sourceNumbers, sourceOf, type EmbedRow, type RevisionRow, type SourceRow } from '../store/embeds.ts';
import { keyset } from '../store/pages.ts';
import { newRevision, openSource, outcomeOf, refuseProblems, sameWishes } from '../work/codes.ts';
import { sourceOfCode, takeIn } from '../work/collect.ts';
import { embedByKey, embedReply, embedTag, tellRevision } from '../work/embeds.ts';
import type { Handlers, Named } from './reply.ts';
import { inTransaction } from '../database/transaction.ts';

/** What an embed was and is: saving, newer codes, comparing, bringing back. */
export function revisionHandlers(deps: Deps): Handlers<Named<'revisions' | 'sources'>> {
  const { making } = deps;
  const { db } = deps.connection;
  const reply = (key: string, status = 200) => embedReply(db, key, making(), status);
  return {
    'revisions.create': async ({ params, body, matchState, act }) => {
      const isNew = await inTransaction(db, async (tx) => {
        const stored = await embedByKey(tx, params.embed);
        matchState(embedTag(stored.embed), 'embed');
        const { code, outcome } = await outcomeOf({ base: stored.source.base, found: stored.source.found, wishes: body }, making(), null);
        refuseProblems(outcome);
        if (sameWishes(body, stored.revision)) return false;
        if (!(await addRevision(tx, stored, newRevision(code.sheet, body, 'saved'), act))) throw new OrbisError('if-match-stale', { what: 'embed' });
        return true;
      });
      return reply(params.embed, isNew ? 201 : 200);
    },
    'sources.create': async ({ params, body, matchState, act }) => {
      const isNew = await inTransaction(db, async (tx) => {
        const stored = await embedByKey(tx, params.embed);
        matchState(embedTag(stored.embed), 'embed');
        const taken = await takeIn(tx, body.text, deps, { mend: body.mend });
        const { code } = taken;
        if (code.text === stored.source.base) return false;
        const wishes = fittingWishes(stored.revision, (await outcomeOf({ base: code.text, wishes: stored.revision }, making(), null)).outcome, body.dropUnfit);
        if (!(await addSource(tx, stored, sourceOfCode(taken), newRevision(code.sheet, wishes, 'newer code of the provider'), act)))
          throw new OrbisError('if-match-stale', { what: 'embed' });
        return true;
      });
      return reply(params.embed, isNew ? 201 : 200);
    },
    'revisions.compare': async ({ params, query }) => {
      const { embed } = await embedByKey(db, params.embed);
      const numbers = await sourceNumbers(db, embed.id);
      const [from, to] = (await Promise.all([revisionOf(db, embed, query.from), revisionOf(db, embed, query.to)])) as [RevisionRow, RevisionRow];
      const [before, after] = (await Promise.all([from, to].map((row) => sourceOf(db, row)))) as [SourceRow, SourceRow];
      const goesOut = async (row: RevisionRow, source: SourceRow): Promise<string> =>
        (await outcomeOf({ base: source.base, found: source.found, wishes: row }, making(), null)).outcome.text;
      return {
        data: {
          from: tellRevision(from, numbers.get(from.sourceId)!),
          to: tellRevision(to, numbers.get(to.sourceId)!),
          wishes: compareWishes(from, to),
          sourceDiffers: before.base !== after.base,
          runs: await deps.reader.compareTexts(await goesOut(from, before), await goesOut(to, after)),
        },
      };
    },
    'revisions.restore': async ({ params, matchState, act }) => {
      const isNew = await inTransaction(db, async (tx) => {
        const stored = await embedByKey(tx, params.embed);
        matchState(embedTag(stored.embed), 'embed');
        const earlier = await revisionOf(tx, stored.embed, params.revision);
        if (earlier.sourceId === stored.revision.sourceId && sameWishes(earlier, stored.revision)) return false;
        const from = await sourceOf(tx, earlier);
        const summary = sourceOfCode({ pasted: from.pasted, found: from.found, code: await openSource({ base: from.base }, making()) });
        if (!(await restoreRevision(tx, stored, earlier, from, summary, act))) throw new OrbisError('if-match-stale', { what: 'embed' });
        return true;
      });
      return reply(params.embed, isNew ? 201 : 200);
    },
    'revisions.list': async ({ params, query }) => {
      const { embed } = await embedByKey(db, params.embed);
      const numbers = await sourceNumbers(db, embed.id);
      return { data: keyset(await listRevisions(db, embed.id, query.limit, query.after), query.limit, (row) => tellRevision(row, numbers.get(row.sourceId)!)) };
    },
    'revisions.read': async ({ params }) => {
      const { embed } = await embedByKey(db, params.embed);
      const row = await revisionOf(db, embed, params.revision);
      return { data: tellRevision(row, (await sourceNumbers(db, embed.id)).get(row.sourceId)!) };
    },
  };
}

/* @throws OrbisError `not-found` */
async function revisionOf(db: Handle, embed: Pick<EmbedRow, 'id' | 'key' | 'revision'>, number: number): Promise<RevisionRow> {
  const row = await findRevision(db, embed.id, number);
  if (!row) throw new OrbisError('not-found', { what: 'revision', key: `${number}`, remedy: `“${embed.key}” has revisions 1 to ${embed.revision}.` });
  return row;
}

/** The wishes that differ between two revisions, as people say them. */
function compareWishes(from: Wishes, to: Wishes): Comparison['wishes'] {
  const [before, after] = [from, to].map((wishes) => new Map(sayWishes(wishes).map(({ name, value }) => [name, value]))) as [Map<string, string>, Map<string, string>];
  return [...new Set([...before.keys(), ...after.keys()])]
    .map((wish) => ({ wish, from: before.get(wish) ?? null, to: after.get(wish) ?? null }))
    .filter((row) => row.from !== row.to);
}

/** The wishes that a newer code can fulfil. @throws OrbisError `wishes-unfit` where some cannot and are not to be dropped. */
function fittingWishes({ settings, dress }: Wishes, { problems }: Pick<Outcome, 'problems'>, drop: boolean): Wishes {
  const unfit = [...new Set(problems.map((problem) => problem.wish))];
  if (unfit.length > 0 && !drop) {
    throw new OrbisError(
      'wishes-unfit',
      { wishes: unfit.join(', ') },
      problems.map(({ wish, code, facts }) => ({ pointer: `/${wish}`, detail: catalogue[code].detail(facts) })),
    );
  }
  const without = <T extends object>(wishes: T): T => Object.fromEntries(Object.entries(wishes).filter(([name]) => !unfit.includes(name))) as T;
  return { settings: without(settings), dress: without(dress) };
}
