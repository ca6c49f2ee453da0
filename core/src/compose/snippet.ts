import type { SnippetPosition } from '../options/position.ts';
import { mergeEdits, type Edit, type EditReason, type Stage } from '../text/index.ts';

/**
 * A run of a snippet: a range of the source as it was pasted, or our own text with its reasons. Where a
 * snippet is made of several sources, `of` says whose it is: the placement’s id. What stands at another
 * position than the spot stands instead of nothing there.
 */
export type Run =
  | { from: 'source'; start: number; end: number; text: string; of?: string }
  | {
      from: 'orbis';
      text: string;
      stage: Stage;
      options: string[];
      reasons: EditReason[];
      instead: { start: number; end: number } | null;
    };

/** What is pasted at one position, or put into a file. */
export interface Snippet {
  position: SnippetPosition;
  runs: Run[];
}

/** Cuts a source with its edits into runs: every character is traced to the paste or to a reason. */
export function runsOf(source: string, edits: readonly Edit[]): Run[] {
  const runs: Run[] = [];
  let at = 0;
  const keep = (end: number): void => {
    if (end > at) runs.push({ from: 'source', start: at, end, text: source.slice(at, end) });
  };
  for (const { start, end, text, stage, options, reasons } of mergeEdits(edits)) {
    keep(start);
    runs.push({ from: 'orbis', text, stage, options, reasons, instead: { start, end } });
    at = end;
  }
  keep(source.length);
  return runs;
}

/** The text of several snippets, as they stand in a document of their own. */
export const documentText = (snippets: readonly Snippet[]): string =>
  snippets
    .filter(({ position }) => position !== 'file')
    .map(snippetText)
    .join('\n');

/** The address of a snippet that is a file, as the reason for it tells; null for every other one. */
export function fileAddress({ position, runs: [run] }: Snippet): string | null {
  if (position !== 'file' || run?.from !== 'orbis') return null;
  const address = run.reasons.find(({ code }) => code === 'document-of-file')?.facts['address'];
  return typeof address === 'string' ? address : null;
}

/** The text of a snippet as it stands on a page: what is there for the site’s editor alone does not. */
export const publishedText = ({ runs }: Pick<Snippet, 'runs'>): string =>
  runs
    .filter((run) => run.from === 'source' || !run.reasons.some(({ code }) => code === 'editor-line'))
    .map((run) => run.text)
    .join('');

/** The text of a snippet. */
export const snippetText = ({ runs }: Pick<Snippet, 'runs'>): string => runs.map((run) => run.text).join('');
