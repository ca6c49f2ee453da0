import { withoutOptions, type OptionProblem, type Options } from '@orbis/core';
import { formatProblem, OrbisError, refuseProblems, type ChangeFacts } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { recordChange } from '../store/change-log.ts';
import {
  addRevision,
  addSource,
  findRevision,
  restoreRevision,
  sourceOf,
  type Actor,
  type EmbedRow,
  type RevisionRow,
  type StoredEmbed,
} from '../store/embeds.ts';
import { compositionOf, newRevision, openSource, sameOptions } from './codes.ts';
import { ingest, sourceOfCode, type IngestTools } from './collect.ts';
import { differenceLine } from './difference-line.ts';
import { usableEmbed, embedTag } from './embeds.ts';
import type { MatchState } from './match-state.ts';
import { otherThing } from './other-thing.ts';
import type { RenderContext } from './render-context.ts';

/** Which embed is changed, and the state in which whoever changes it saw it. */
export interface Revised {
  embed: string;
  matchState: MatchState;
}

/*
 * Changes one embed, in the state in which whoever changes it saw it, and writes down what was done; null
 * where nothing differs.
 */
const revising = (
  db: Database,
  { embed: key, matchState }: Revised,
  actor: Actor,
  revise: (tx: Handle, stored: StoredEmbed) => Promise<ChangeFacts | null>,
): Promise<boolean> =>
  inTransaction(db, async (tx) => {
    const stored = await usableEmbed(tx, key);
    matchState(embedTag(stored.embed), 'embed');
    const facts = await revise(tx, stored);
    if (facts === null) return false;
    const { id: embedId, revision: from } = stored.embed;
    await recordChange(tx, { facts, embeds: [{ embedId, from, to: from + 1 }] }, actor);
    return true;
  });

/** Saves options as a new revision, with a note why; false where they are those that it has. */
export const saveOptions = (
  db: Database,
  revised: Revised,
  { options, note = 'saved' }: { options: Options; note?: string | undefined },
  renderContext: RenderContext,
  actor: Actor,
): Promise<boolean> =>
  revising(db, revised, actor, async (tx, stored) => {
    const { base, found } = stored.source;
    const { code, composition } = await compositionOf(
      { base, found, asked: { embed: options } },
      renderContext,
    );
    refuseProblems(composition.problems);
    const revision = newRevision(code.sheet, options, note);
    const { embed, revision: last } = stored;
    if (sameOptions(revision.options, last.options)) return null;
    refuseUnless(await addRevision(tx, stored, revision, actor));
    return { kind: 'options', embed: embed.key, said: differenceLine(last.options, revision.options) };
  });

/** A newer code of the provider, as it was pasted. */
export interface NewerCode {
  text: string;
  mend?: boolean | readonly string[] | undefined;
  /** Takes it though it is of another thing than the code before. */
  anyway: boolean;
  /** Leaves out what the newer code cannot have, instead of refusing it. */
  dropUnfit: boolean;
  /** Whether it is what was handed out for the same link: what was found out about that stays. */
  ofSameLink?: boolean;
}

/** Takes a newer code of the provider, with the options asked so far; false where it is the same code. */
export const renew = (
  db: Database,
  revised: Revised,
  { text, mend, anyway, dropUnfit, ofSameLink = false }: NewerCode,
  tools: IngestTools,
  actor: Actor,
): Promise<boolean> =>
  revising(db, revised, actor, async (tx, stored) => {
    const taken = await ingest(tx, text, tools, { mend });
    const { code } = taken;
    if (code.text === stored.source.base) return null;
    const renderContext = tools.renderContext();
    const other = otherThing(await openSource(stored.source, renderContext), code, renderContext);
    if (other && !anyway) throw new OrbisError('another-thing', { embed: stored.embed.key, ...other });
    const { options: now } = stored.revision;
    const tried = await compositionOf({ base: code.text, asked: { embed: now } }, renderContext);
    const options = fittingOptions(now, tried.composition.problems, dropUnfit);
    const revision = newRevision(code.sheet, options, 'newer code of the provider');
    const found = ofSameLink ? stored.source.found : taken.found;
    refuseUnless(await addSource(tx, stored, sourceOfCode({ ...taken, found }), revision, actor));
    return { kind: 'renewed', embed: stored.embed.key };
  });

/** Brings an earlier revision back as a new one; false where it is as it was then. */
export const restore = (
  db: Database,
  revised: Revised,
  number: number,
  renderContext: RenderContext,
  actor: Actor,
): Promise<boolean> =>
  revising(db, revised, actor, async (tx, stored) => {
    const earlier = await revisionOf(tx, stored.embed, number);
    const { sourceId, options } = stored.revision;
    if (earlier.sourceId === sourceId && sameOptions(earlier.options, options)) return null;
    const from = await sourceOf(tx, earlier);
    const code = await openSource({ base: from.base }, renderContext);
    const summary = sourceOfCode({ pasted: from.pasted, found: from.found, code });
    refuseUnless(await restoreRevision(tx, stored, earlier, from, summary, actor));
    return { kind: 'brought-back', embed: stored.embed.key, revision: number };
  });

/** A revision of an embed by its number. @throws OrbisError `not-found` */
export async function revisionOf(
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

/* The row is changed only where its state is still the one that was read. */
function refuseUnless(isWritten: boolean): void {
  if (!isWritten) throw new OrbisError('if-match-stale', { what: 'embed' });
}

/* The options that a newer code can fulfil. @throws OrbisError `options-unfit` where some cannot
   and are not to be dropped. */
function fittingOptions(options: Options, problems: readonly OptionProblem[], drop: boolean): Options {
  const unfit = [...new Set(problems.map(({ option }) => option))];
  if (unfit.length > 0 && !drop) {
    throw new OrbisError(
      'options-unfit',
      { options: unfit.join(', ') },
      problems.map((problem) => ({
        pointer: '/text',
        detail: `${problem.option}: ${formatProblem(problem)}`,
      })),
    );
  }
  return withoutOptions(options, unfit);
}
