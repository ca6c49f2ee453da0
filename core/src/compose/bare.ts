import { mergeEdits, type Edit } from '../text/index.ts';
import type { Code } from '../code.ts';
import { positions } from '../options/position.ts';
import type { Options } from '../options/values.ts';
import { withBareNames } from '../settings/of-sheet.ts';
import { carry } from './apart.ts';
import { gatherChanges, type AskedChange } from './changes.ts';
import { editsOf, optionsOf } from './edits.ts';
import { withOurs } from './ours.ts';
import type { Circumstances, Composition } from './composition.ts';
import { reasonOf } from './reasons.ts';
import { settle, type Loss, type Settled } from './settle.ts';
import { runsOf, snippetText, type Snippet } from './snippet.ts';

/** Composes a code that stands in the page itself. */
export function composeBare(
  code: Code,
  options: Options,
  {
    mark = null,
    apart = null,
    language = 'en',
    loader = 'here',
    listener = 'here',
    planned = [],
  }: Circumstances = {},
): Composition {
  const { changes, problems, implied } = gatherChanges(code, withBareNames(options, code.sheet), {
    language,
    loader,
    listener,
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
    framed: null,
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
