import { setImmediate } from 'node:timers/promises';
import type { Sheet } from '@orbis/core';
import { formatProblem, type SheetComparison } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { addRevision, placementCounts, resummarise, type Actor, type StoredEmbed } from '../store/embeds.ts';
import { embedsTouchedBy } from '../store/sheets.ts';
import { markEmbeds } from '../store/mark-stale.ts';
import { compositionOf, newRevision } from './codes.ts';
import { sourceOfCode } from './collect.ts';
import type { RenderContext } from './render-context.ts';

/** A change of one sheet: the sheets as they are and as they would be. */
export interface SheetChange {
  id: string;
  before: RenderContext;
  after: RenderContext;
}

/** One embed that a change of a sheet can touch, with what it comes to before and after. */
interface Touched {
  stored: StoredEmbed;
  before: Awaited<ReturnType<typeof compositionOf>>;
  after: Awaited<ReturnType<typeof compositionOf>>;
}

/* So many codes are worked out at a stretch. */
const together = 25;

/** Holds every embed that a sheet can say something of against the sheets before and after. */
export async function touchedBy(db: Handle, { id, before, after }: SheetChange): Promise<Touched[]> {
  const both = [before, after].flatMap(({ sheets }) => sheets.find((sheet) => sheet.id === id) ?? []);
  const stored = await embedsTouchedBy(db, {
    id,
    hosts: [...new Set(both.flatMap(({ hosts }) => hosts))],
    anywhere: both.some((sheet) => hasAnyHost(sheet)),
  });
  const touched: Touched[] = [];
  for (const [i, row] of stored.entries()) {
    const source = { base: row.source.base, found: row.source.found, asked: { embed: row.revision.options } };
    touched.push({
      stored: row,
      before: await compositionOf(source, before),
      after: await compositionOf(source, after),
    });
    // Others have their turn in between: a sheet may be that of thousands.
    if (i % together === 0) await setImmediate();
  }
  return touched;
}

/* A sheet for files anywhere, or whose patterns are for more than one host: its hosts do not tell which
   embeds it knows. */
const hasAnyHost = ({ files, frames, loaders = [], mounts = [], hosts }: Sheet): boolean =>
  files !== undefined ||
  mounts.length > 0 ||
  [...frames, ...loaders].some(({ hostname }) => !hosts.includes(hostname));

const differs = ({ before, after }: Touched): boolean =>
  before.composition.text !== after.composition.text ||
  after.composition.problems.length > before.composition.problems.length;

/** The embeds that come out differently, as they are told. */
export async function serializeDifferences(
  db: Handle,
  touched: readonly Touched[],
): Promise<SheetComparison['differs']> {
  const changed = touched.filter(differs);
  const counts = await placementCounts(
    db,
    changed.map(({ stored }) => stored.embed.id),
  );
  return changed.map(({ stored: { embed }, before, after }) => ({
    embed: embed.key,
    name: embed.name,
    placements: counts.get(embed.id) ?? 0,
    before: before.composition.text,
    after: after.composition.text,
    provider: { before: before.code.sheet?.id ?? null, after: after.code.sheet?.id ?? null },
    problems: after.composition.problems.map((problem) => ({
      option: problem.option,
      detail: formatProblem(problem),
    })),
  }));
}

/** Embeds that are read with a sheet. */
export const readWith = (touched: readonly Touched[], id: string): string[] =>
  touched.filter(({ before }) => before.code.sheet?.id === id).map(({ stored }) => stored.embed.key);

/**
 * Makes a change of a sheet hold: a new revision where an embed comes out differently, and what the
 * collection is searched for where its reading does. Call it in the transaction that changes the sheet.
 */
export async function settleChange(tx: Handle, touched: readonly Touched[], actor: Actor): Promise<number> {
  let changed = 0;
  for (const item of touched) {
    const { stored, after } = item;
    const summary = sourceOfCode({
      pasted: stored.source.pasted,
      found: stored.source.found,
      code: after.code,
    });
    if (differs(item)) {
      await addRevision(
        tx,
        stored,
        newRevision(after.code.sheet, stored.revision.options, 'sheet changed'),
        actor,
      );
      changed++;
    }
    await resummarise(tx, stored.embed, summary);
  }
  // What is asked of single places or by sites may come out differently, where the embeds themselves do not.
  await markEmbeds(
    tx,
    touched.map(({ stored }) => stored.embed.id),
  );
  return changed;
}
