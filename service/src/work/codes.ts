import { openCode, plan, type Code, type Mark, type Outcome, type Sheet, type Wishes } from '@orbis/core';
import { withRules, type Making } from './making.ts';
import { OrbisError, catalogue, type ErrorCode, type Found, type Outcome as ToldOutcome } from '@orbis/contract';
import type { NewRevision } from '../store/embeds.ts';
import { digest } from '../store/ids.ts';

/** What an embed's output is made from. */
export interface CodeSource {
  base: string;
  wishes: Wishes;
  /** What was found out about its link: how long it is. */
  found?: Pick<Found, 'length'> | null;
}

/** The output for a place, or without a mark for no place. */
export function outcomeOf({ base, wishes, found }: CodeSource, making: Making, mark: Mark | null): { code: Code; outcome: Outcome } {
  const code = openCode(base, { ...making, length: found?.length ?? null });
  return { code, outcome: plan(code, withRules(wishes, making), mark) };
}

/** The same code with other wishes: read once. */
export const outcomeWith = (code: Code, wishes: Wishes, making: Making): Outcome => plan(code, withRules(wishes, making), null);

/** @throws OrbisError for the first wish that cannot be fulfilled, naming them all. */
export function refuseProblems({ problems }: Pick<Outcome, 'problems'>): void {
  const [first] = problems;
  if (!first) return;
  throw new OrbisError(
    first.code,
    first.facts,
    problems.map((p) => ({ pointer: `/${p.wish}`, detail: catalogue[p.code as ErrorCode].detail(p.facts) })),
  );
}

/** An outcome as it crosses the wire: its problems with their sentences. */
export const tellOutcome = (base: string, outcome: Outcome): ToldOutcome => ({
  base,
  edits: outcome.edits,
  pieces: outcome.pieces,
  text: outcome.text,
  brought: outcome.brought,
  problems: outcome.problems.map(({ wish, code, facts }) => ({ wish, code, detail: catalogue[code].detail(facts) })),
});

/** A revision of these wishes, made with this sheet. */
export const newRevision = (sheet: Sheet | null, { settings, dress }: Wishes, reason: string): NewRevision => ({
  settings,
  dress,
  sheetId: sheet?.id ?? null,
  sheetDigest: sheetDigest(sheet),
  reason,
});

/* The digest by which a revision remembers which sheet it was made with. */
const digests = new WeakMap<Sheet, string>();
function sheetDigest(sheet: Sheet | null): string | null {
  if (sheet === null) return null;
  const known = digests.get(sheet) ?? digest(JSON.stringify(sheet));
  digests.set(sheet, known);
  return known;
}

/** Whether two sets of wishes are the same. */
export const sameWishes = (a: Wishes, b: Wishes): boolean => canonicalJson([a.settings, a.dress]) === canonicalJson([b.settings, b.dress]);

/* Objects with their members in alphabetical order, so that equal wishes are equal texts. */
const canonicalJson = (value: unknown): string =>
  JSON.stringify(value, (_, inner: unknown) =>
    inner && typeof inner === 'object' && !Array.isArray(inner) ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1))) : inner,
  );
