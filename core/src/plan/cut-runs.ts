import type { Run } from '../compose/snippet.ts';
import type { EditReason } from '../text/index.ts';

/** Something that goes out of the text of runs, why, and what stands there instead. */
export interface Cut {
  start: number;
  end: number;
  reason: EditReason;
  instead: string;
}

/** Runs without some of their text: what goes out of a source stays traced to where it stood. */
export function cutRuns(runs: readonly Run[], cuts: readonly Cut[]): Run[] {
  const sorted = [...cuts].sort((a, b) => a.start - b.start);
  let offset = 0;
  return runs.flatMap((run) => {
    const [start, end] = [offset, offset + run.text.length];
    offset = end;
    const own = sorted.filter((cut) =>
      cut.start === cut.end ? cut.start >= start && cut.start < end : cut.start < end && cut.end > start,
    );
    return own.length === 0 ? [run] : cutRun(run, start, own);
  });
}

function cutRun(run: Run, offset: number, cuts: readonly Cut[]): Run[] {
  const out: Run[] = [];
  let at = 0;
  const keep = (to: number): void => void (to > at && out.push(piece(run, at, to)));
  for (const { start, end, reason, instead } of cuts) {
    const from = Math.max(0, start - offset);
    const to = Math.min(run.text.length, end - offset);
    keep(from);
    // What stands instead of a thing that is in several runs stands where it begins.
    const text = start >= offset ? instead : '';
    if (run.from === 'source' || text !== '') out.push(removed(run, from, to, { text, reason }));
    at = to;
  }
  keep(run.text.length);
  return run.from === 'source' ? out : insteadOnce(run, out);
}

const piece = (run: Run, from: number, to: number): Run =>
  run.from === 'source'
    ? { ...run, start: run.start + from, end: run.start + to, text: run.text.slice(from, to) }
    : { ...run, text: run.text.slice(from, to) };

const removed = (
  run: Run,
  from: number,
  to: number,
  { text, reason }: { text: string; reason: EditReason },
): Run => ({
  from: 'orbis',
  text,
  stage: reason.stage,
  options: [reason.option],
  reasons: [reason],
  instead: run.from === 'source' ? { start: run.start + from, end: run.start + to } : null,
});

/* What a run of ours stood instead of is said by the first piece that is left of it. */
const insteadOnce = (run: Run & { from: 'orbis' }, pieces: readonly Run[]): Run[] =>
  pieces.length === 0
    ? [{ ...run, text: '' }]
    : pieces.map((each, at) =>
        each.from === 'source' ? each : { ...each, instead: at === 0 ? run.instead : null },
      );
