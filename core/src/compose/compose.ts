import { mergeEdits, type Edit } from '../text/index.ts';
import type { Code } from '../code.ts';
import type { Implied, OptionProblem } from '../options/option.ts';
import type { Options } from '../options/values.ts';
import { withBareNames } from '../settings/of-sheet.ts';
import { gatherChanges, type AskedChange } from './changes.ts';
import { editsOf } from './edits.ts';
import { markEdits, type Mark } from './mark.ts';
import { settle, type Loss, type Settled } from './settle.ts';
import { runsOf, snippetText, type Snippet } from './snippet.ts';

/** What options come to for a code. */
export interface Composition {
  /** Every edit of the code, in the order of its text. */
  edits: Edit[];
  /** Options that cannot be fulfilled; the edits of their stage are missing. */
  problems: OptionProblem[];
  /** Options that came with others. */
  implied: Implied[];
  /** Options that gave way to stronger ones. */
  losses: Loss[];
  snippets: Snippet[];
  /** The text of the snippet for the spot. */
  text: string;
}

/**
 * Turns what is asked of a code into the smallest exact edits and the snippets to paste: a pure function of the code,
 * the options and the mark. Nothing asked is nothing changed; what is there already is not changed again.
 * @example compose(openCode(text, { sheets }), { 'start': 112, 'max-width': 720 }).text
 */
export function compose(code: Code, options: Options, mark: Mark | null = null): Composition {
  const { changes, problems, implied } = gatherChanges(code, withBareNames(options, code.sheet));
  const settled = settle(changes);
  const edits = withLosses(editsOf(code, standing(changes, settled)), settled.losses);
  const all = mergeEdits([...edits, ...(mark ? markEdits(code, mark) : [])]);
  const snippet: Snippet = { position: 'spot', runs: runsOf(code.text, all) };
  return { edits: all, problems: [...problems, ...settled.problems], implied, losses: settled.losses, snippets: [snippet], text: snippetText(snippet) };
}

/* Two options of one stage that differ leave it without changes, as every problem does. */
function standing(asked: readonly AskedChange[], { changes, problems }: Settled): readonly AskedChange[] {
  if (problems.length === 0) return changes;
  const failed = new Set(problems.map(({ option }) => asked.find((change) => change.option === option)!.stage));
  return changes.filter(({ stage }) => !failed.has(stage));
}

/* The edit of a winner names what it wins over, that of a loser what wins over it. */
function withLosses(edits: readonly Edit[], losses: readonly Loss[]): readonly Edit[] {
  if (losses.length === 0) return edits;
  return edits.map((edit) => {
    const reasons = edit.reasons.flatMap((reason) => {
      const over = losses.filter(({ to }) => to === reason.option).map(({ option }) => option);
      const under = losses.find(({ option }) => option === reason.option)?.to;
      const { stage, option } = reason;
      return [
        reason,
        ...(over.length > 0 && reason.code === 'set-by-hand' ? [{ stage, option, code: 'wins-over', facts: { options: over.join(', ') } }] : []),
        ...(under === undefined ? [] : [{ stage, option, code: 'gives-way-to', facts: { option: under } }]),
      ];
    });
    return { ...edit, reasons };
  });
}
