import { isDeepStrictEqual } from 'node:util';
import {
  withBareNames,
  type Circumstances,
  type Content,
  type EditorRules,
  type LevelledOptions,
  type Options,
  type PlacedComposition,
  type Reading,
  type Sheet,
} from '@orbis/core';
import type { Found } from '@orbis/contract';
import { workOut, type WorkedOut, type WorkOutTask } from '../reading/work-out.ts';
import type { NewRevision } from '../store/embeds.ts';
import { digest } from '../digest.ts';
import { withRules, type RenderContext } from './render-context.ts';

/** What an embed's output is made from. */
export interface CodeSource {
  base: string;
  /** What is asked of it at each level beside the rules for all. */
  asked: LevelledOptions;
  /** What was found out about its link: how long it is. */
  found?: Pick<Found, 'length'> | null;
  /** What the editor that it goes to lets through, where it is to be in a form that it does. */
  editor?: EditorRules;
}

/** A code that was read, with the sheet that it was read with. */
export interface OpenedCode {
  text: string;
  reading: Reading;
  sheet: Sheet | null;
  /** What the code itself calls its content. */
  title: string | null;
  /** Where visitors find what it shows; null where nothing tells. */
  content: Content | null;
  /** The permissions that its frame asks for. */
  permissions: string[];
  /** Whether it shows a frame and nothing else. */
  frameAlone: boolean;
  /** What the code itself says of every option. */
  current: Options;
}

/*
 * Codes of up to so many characters are opened where they are needed: nearly all are, and a hostile one of
 * this length is soon read (the bench shows how the time grows). Longer ones go to the worker.
 */
export const short = 8192;

async function open(
  base: string,
  found: CodeSource['found'],
  renderContext: RenderContext,
  wanted: WorkOutTask['wanted'],
): Promise<{ code: OpenedCode; compositions: PlacedComposition[] }> {
  const task = {
    base,
    length: found?.length ?? null,
    wanted: wanted.map(({ asked, circumstances, ...rest }) => ({
      ...rest,
      asked: withRules(asked, renderContext),
      circumstances: { ...circumstances, sharesHost: renderContext.sharesHost() },
    })),
    sheets: renderContext.sheets,
  };
  const { sheetId, compositions, ...rest }: WorkedOut =
    base.length <= short ? workOut(task) : await renderContext.workOut(task);
  return {
    code: { text: base, ...rest, sheet: renderContext.sheets.find(({ id }) => id === sheetId) ?? null },
    compositions,
  };
}

/** A code that is kept, read again. */
export const openSource = async (
  { base, found }: Pick<CodeSource, 'base' | 'found'>,
  renderContext: RenderContext,
): Promise<OpenedCode> => (await open(base, found, renderContext, [])).code;

/** The output for a place, or without circumstances for no place. */
export async function compositionOf(
  { base, asked, found, editor }: CodeSource,
  renderContext: RenderContext,
  circumstances: Circumstances = {},
): Promise<{ code: OpenedCode; composition: PlacedComposition }> {
  const wanted = [{ asked, circumstances, ...(editor && { editor }) }];
  const { code, compositions } = await open(base, found, renderContext, wanted);
  return { code, composition: compositions[0]! };
}

/** What a code comes to with each of several sets of options of its own: read once. */
export const compositionsOf = (
  { base, found }: Pick<CodeSource, 'base' | 'found'>,
  renderContext: RenderContext,
  options: readonly Options[],
): Promise<{ code: OpenedCode; compositions: PlacedComposition[] }> =>
  open(
    base,
    found,
    renderContext,
    options.map((each) => ({ asked: { embed: each }, circumstances: {} })),
  );

/** A revision with these options, made with this sheet. */
export const newRevision = (sheet: Sheet | null, options: Options, reason: string): NewRevision => ({
  options: withBareNames(options, sheet),
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

/** Whether the same is asked for, in whatever order. */
export const sameOptions = (a: Options, b: Options): boolean => isDeepStrictEqual({ ...a }, { ...b });
