import { setTimeout as wait } from 'node:timers/promises';
import { fill, type FillMark } from '@orbis/core';
import { ApiError, plural } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { contentsFor } from '../fill/contents.ts';
import { markedFiles } from '../fill/files.ts';
import type { Exit } from '../io.ts';

/* How long --watch waits before it asks again, in milliseconds. */
const pause = 5000;

interface Options {
  check?: boolean;
  watch?: boolean;
}

export const addFill: AddCommand = (program, run) => {
  program
    .command('fill')
    .argument('<paths...>', 'files of a site, or folders of them')
    .option('--check', 'write nothing; the exit status says whether something would change')
    .option('--watch', 'go on, and fill whenever something has changed')
    .description(
      'write the current codes into the files of a site, between the comments that mark their places',
    )
    .addHelpText(
      'after',
      `
Examples:
  orbis fill site/
  orbis fill site/talks.html --check
  orbis fill site/ --watch

A place is marked in HTML, Markdown or a template:
  <!-- orbis:spot hollinfell/talks#main -->
  <!-- /orbis:spot -->
So are the head of a page (orbis:head hollinfell/talks), the head of every page (orbis:head hollinfell) and the
end of a body (orbis:foot hollinfell/talks). Nothing else in a file changes, and twice is once.
Exit status: 0 as it should be, 1 --check found something else, 2 a comment is wrong.`,
    )
    .action((paths: string[], options: Options) => run((tools) => fillAll(paths, options, tools)));
};

async function fillAll(
  paths: readonly string[],
  { check = false, watch = false }: Options,
  tools: Tools,
): Promise<Exit> {
  if (check && watch) throw new UsedWrongly('Either files are checked, or they are filled again and again.');
  if (!watch) return once(paths, check, tools, true);
  await once(paths, false, tools, true);
  return again(paths, tools);
}

/* A file that is just being edited, or a service that begins anew, is no reason to end: it is told, once. */
async function again(paths: readonly string[], tools: Tools): Promise<Exit> {
  const { signal } = tools.io;
  let told = '';
  for (;;) {
    await wait(pause, undefined, { signal }).catch(() => undefined);
    if (signal.aborted) return 0;
    try {
      await once(paths, false, tools, false);
      told = '';
    } catch (error) {
      if (!(error instanceof UsedWrongly) && !(error instanceof ApiError)) throw error;
      if (error.message !== told) tools.note(`${error.message}\n`);
      told = error.message;
    }
  }
}

/* A file, and what of it is not as it should be. */
interface Outcome {
  file: string;
  changed: Pick<FillMark, 'kind' | 'key' | 'line'>[];
}

async function once(paths: readonly string[], check: boolean, tools: Tools, isTold: boolean): Promise<Exit> {
  const files = await markedFiles(paths, tools.io);
  const marks = files.flatMap((file) => file.marks);
  const contents = await contentsFor(marks, tools.client());
  // All is worked out before the first file is written.
  const filled = files.map((file) => ({ ...file, ...fill(file.text, file.marks, contents.of) }));
  const other = filled.filter(({ changed }) => changed.length > 0);
  if (!check) {
    await contents.handOut(other.flatMap(({ changed }) => changed));
    for (const { path, text } of other) await tools.io.writeFile(path, new TextEncoder().encode(text));
  }
  if (isTold)
    for (const { page, kind } of contents.unmarked)
      tools.note(
        `${page} needs something ${kind === 'head' ? 'in its head' : 'at the end of its body'}, and no file has a place for it: <!-- orbis:${kind} ${page} --><!-- /orbis:${kind} -->\n`,
      );
  const outcome = other.map(({ path, changed }): Outcome => ({
    file: path,
    changed: changed.map(({ kind, key, line }) => ({ kind, key, line })),
  }));
  if (isTold || outcome.length > 0) tell(outcome, { places: marks.length, check }, tools);
  return check && outcome.length > 0 ? 1 : 0;
}

function tell(
  outcome: readonly Outcome[],
  { places, check }: { places: number; check: boolean },
  tools: Tools,
): void {
  const lines = outcome.map(
    ({ file, changed }) => `${file}: ${changed.map(({ kind, key }) => `${kind} ${key}`).join(', ')}\n`,
  );
  const said =
    places === 0
      ? 'No file has a place to fill: <!-- orbis:spot SITE/PAGE#SPOT --><!-- /orbis:spot --> marks one.\n'
      : outcome.length === 0
        ? places === 1
          ? 'The one place is as it should be.\n'
          : `All ${places} places are as they should be.\n`
        : `${plural(outcome.length, 'file')} ${check ? 'would change' : 'filled'}.\n`;
  const text = (): string => lines.join('') + said;
  if (check) tools.tell({ files: outcome }, text);
  else tools.confirm({ files: outcome }, text);
}
