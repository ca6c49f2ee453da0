import type { Run } from '../compose/snippet.ts';
import type { Edit } from '../text/index.ts';

/** The edits that make runs of their source; what is put in at one place is one edit. */
export function editsOfRuns(runs: readonly Run[]): Edit[] {
  const edits: Edit[] = [];
  let at = 0;
  for (const run of runs) {
    if (run.from === 'source') {
      at = run.end;
      continue;
    }
    const { text, stage, options, reasons } = run;
    const { start, end } = run.instead ?? { start: at, end: at };
    const last = edits.at(-1);
    if (last?.end === start)
      edits[edits.length - 1] = joined(last, { start, end, text, stage, options, reasons });
    else edits.push({ start, end, text, stage, options, reasons });
    at = end;
  }
  return edits;
}

const joined = (a: Edit, b: Edit): Edit => ({
  ...a,
  end: b.end,
  text: a.text + b.text,
  options: [...new Set([...a.options, ...b.options])],
  reasons: [...a.reasons, ...b.reasons.filter((reason) => !a.reasons.includes(reason))],
});
