import type { Mark, Outcome, Reading, Sheet, Wishes } from '@orbis/core';
import { OrbisError, catalogue, type ErrorCode, type Found, type Outcome as ToldOutcome } from '@orbis/contract';
import { workOut, type WorkedOut } from '../reading/work-out.ts';
import type { NewRevision } from '../store/embeds.ts';
import { digest } from '../store/ids.ts';
import { withRules, type Making } from './making.ts';

/** What an embed's output is made from. */
export interface CodeSource {
  base: string;
  wishes: Wishes;
  /** What was found out about its link: how long it is. */
  found?: Pick<Found, 'length'> | null;
}

/** A code that was read, with the sheet that it was read with. */
export interface OpenedCode {
  text: string;
  reading: Reading;
  sheet: Sheet | null;
  /** What the code itself calls its content. */
  title: string | null;
  /** Whether an element of it can carry a mark. */
  markable: boolean;
  /** The permissions that its frame asks for. */
  permissions: string[];
}

/*
 * Codes of up to so many characters are opened where they are needed: nearly all are, and a hostile one of this length
 * is soon read (the bench shows how the time grows). Longer ones go to the worker.
 */
const short = 8192;

async function open(
  base: string,
  found: CodeSource['found'],
  making: Making,
  wanted: readonly { wishes: Wishes; mark: Mark | null }[],
): Promise<{ code: OpenedCode; outcomes: Outcome[] }> {
  const task = { base, length: found?.length ?? null, wanted: wanted.map(({ wishes, mark }) => ({ wishes: withRules(wishes, making), mark })), sheets: making.sheets };
  const { sheetId, outcomes, ...rest }: WorkedOut = base.length <= short ? workOut(task) : await making.workOut(task);
  return { code: { text: base, ...rest, sheet: making.sheets.find(({ id }) => id === sheetId) ?? null }, outcomes };
}

/** A code that is kept, read again. */
export const openSource = async ({ base, found }: Pick<CodeSource, 'base' | 'found'>, making: Making): Promise<OpenedCode> => (await open(base, found, making, [])).code;

/** The output for a place, or without a mark for no place. */
export async function outcomeOf({ base, wishes, found }: CodeSource, making: Making, mark: Mark | null): Promise<{ code: OpenedCode; outcome: Outcome }> {
  const { code, outcomes } = await open(base, found, making, [{ wishes, mark }]);
  return { code, outcome: outcomes[0]! };
}

/** What a code comes to with each of several wishes: read once. */
export const outcomesOf = ({ base, found }: Pick<CodeSource, 'base' | 'found'>, making: Making, wishes: readonly Wishes[]): Promise<{ code: OpenedCode; outcomes: Outcome[] }> =>
  open(
    base,
    found,
    making,
    wishes.map((each) => ({ wishes: each, mark: null })),
  );

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
