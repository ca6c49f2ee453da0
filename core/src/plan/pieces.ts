import { mergeEdits, type Edit, type Stage } from '../text/index.ts';

export const positions = ['site-head', 'page-head', 'body-start', 'spot', 'body-end'] as const;
export type PiecePosition = (typeof positions)[number];

/** A run of a piece: a range of the source as it was pasted, or our own text with its reason. */
export type Run =
  | { from: 'source'; start: number; end: number; text: string }
  | { from: 'orbis'; text: string; stage: Stage; wishes: string[]; reason: string; instead: { start: number; end: number } };

/** What is pasted at one position. */
export interface Piece {
  position: PiecePosition;
  runs: Run[];
}

/** Cuts a source with its edits into runs: every character is traced to the paste or to a reason. */
export function runsOf(source: string, edits: readonly Edit[]): Run[] {
  const runs: Run[] = [];
  let at = 0;
  const keep = (end: number): void => {
    if (end > at) runs.push({ from: 'source', start: at, end, text: source.slice(at, end) });
  };
  for (const { start, end, text, stage, wishes, reason } of mergeEdits([...edits])) {
    keep(start);
    runs.push({ from: 'orbis', text, stage, wishes, reason, instead: { start, end } });
    at = end;
  }
  keep(source.length);
  return runs;
}

/** The text of a piece. */
export const pieceText = (piece: Piece): string => piece.runs.map((run) => run.text).join('');
