import { mergeEdits, type Edit } from '../text/index.ts';
import type { Code } from '../code.ts';
import { positions } from '../options/position.ts';
import type { Implied, OptionProblem, PastedPage } from '../options/option.ts';
import type { Options } from '../options/values.ts';
import { withBareNames } from '../settings/of-sheet.ts';
import { carry } from './apart.ts';
import { gatherChanges, type AskedChange } from './changes.ts';
import { editsOf, optionsOf } from './edits.ts';
import { withOurs } from './ours.ts';
import type { Mark } from './mark.ts';
import { reasonOf } from './reasons.ts';
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
  /** Options that this form of the code cannot carry, and why. */
  uncarried: OptionProblem[];
  snippets: Snippet[];
  /** The text of the snippet for the spot. */
  text: string;
}

/** What a code is composed for; all of it may be missing. */
export interface Circumstances {
  /** The mark of the placement that it is handed out for. */
  mark?: Mark | null;
  /**
   * The class of rules apart from the code, in the page’s head; null where there is no way into it: then what
   * needs them is not carried.
   */
  apart?: string | null;
  /** The language of the page (BCP 47), for words that visitors read; English where nothing is said. */
  language?: string;
  /** Where the page has the loader of ours, where this code needs it; with the code where nothing is said. */
  loader?: PastedPage['loader'];
  /** What the page’s plan changes beside the options. */
  planned?: readonly AskedChange[];
}

/**
 * Turns what is asked of a code into the smallest exact edits and the snippets to paste: a pure function of
 * the code, the options and the circumstances. Nothing asked is nothing changed; what is there already is not
 * changed again.
 * @example compose(openCode(text, { sheets }), { 'start': 112, 'max-width': 720 }).text
 */
export function compose(
  code: Code,
  options: Options,
  { mark = null, apart = null, language = 'en', loader = 'here', planned = [] }: Circumstances = {},
): Composition {
  const { changes, problems, implied } = gatherChanges(code, withBareNames(options, code.sheet), {
    language,
    loader,
  });
  changes.push(...planned);
  const settled = settle(changes);
  const { changes: carried, uncarried } = carry(code, standing(changes, settled), apart);
  const stands = withOurs(code, carried, mark);
  const edits = mergeEdits(withLosses(editsOf(code, stands), settled.losses));
  const spot: Snippet = { position: 'spot', runs: runsOf(code.text, edits) };
  const snippets = inOrder([...sharedSnippets(stands), spot]);
  return {
    edits,
    problems: [...problems, ...settled.problems],
    implied,
    losses: settled.losses,
    uncarried,
    snippets,
    text: snippetText(spot),
  };
}

const inOrder = (snippets: Snippet[]): Snippet[] =>
  snippets.length === 1
    ? snippets
    : snippets.sort((a, b) => positions.indexOf(a.position) - positions.indexOf(b.position));

/* What is asked for at other positions, each by itself: the same for every code that asks for it. */
const sharedSnippets = (changes: readonly AskedChange[]): Snippet[] =>
  changes
    .filter((change) => change.kind === 'share')
    .map((change) => {
      const reasons = [...(change.holds ?? []), reasonOf(change)];
      return {
        position: change.position,
        runs: [
          {
            from: 'orbis',
            text: change.markup,
            stage: reasons[0]!.stage,
            options: optionsOf(reasons),
            reasons,
            instead: null,
          },
        ],
      };
    });

/* Two options of one stage that differ leave it without changes, as every problem does. */
function standing(asked: readonly AskedChange[], { changes, problems }: Settled): readonly AskedChange[] {
  if (problems.length === 0) return changes;
  const failed = new Set(
    problems.map(({ option }) => asked.find((change) => change.option === option)!.stage),
  );
  return changes.filter(({ stage }) => !failed.has(stage));
}

/* The edit of a winner names what it wins over, that of a loser what wins over it. */
function withLosses(edits: Edit[], losses: readonly Loss[]): Edit[] {
  if (losses.length === 0) return edits;
  return edits.map((edit) => {
    const reasons = edit.reasons.flatMap((reason) => {
      const over = losses.filter(({ to }) => to === reason.option).map(({ option }) => option);
      const under = losses.find(({ option }) => option === reason.option)?.to;
      const { stage, option } = reason;
      return [
        reason,
        ...(over.length > 0 && reason.code === 'set-by-hand'
          ? [{ stage, option, code: 'wins-over', facts: { options: over.join(', ') } }]
          : []),
        ...(under === undefined ? [] : [{ stage, option, code: 'gives-way-to', facts: { option: under } }]),
      ];
    });
    return { ...edit, reasons };
  });
}
