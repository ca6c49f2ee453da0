import {
  snippetText,
  withMark,
  type LevelledComposition,
  type Mark,
  type Edit as CoreEdit,
  type PagePlan as CorePagePlan,
  type Snippet as CoreSnippet,
} from '@orbis/core';
import {
  formatImplied,
  formatReasons,
  formatValue,
  serializeProblem,
  serializeFinding,
  type Composition,
  type Edit,
  type PagePlan,
  type Snippet,
} from '@orbis/contract';

/** An edit with its reasons in plain sentences. */
export const serializeEdit = (edit: CoreEdit): Edit => ({ ...edit, reason: formatReasons(edit.reasons) });

/** A snippet whose runs of ours have their reasons in plain sentences. */
export const serializeSnippet = ({ position, runs }: CoreSnippet): Snippet => ({
  position,
  runs: runs.map((run) => (run.from === 'source' ? run : { ...run, reason: formatReasons(run.reasons) })),
});

/** What options come to, as it crosses the wire. */
export const serializeComposition = (
  base: string,
  {
    edits,
    snippets,
    text,
    implied,
    losses,
    uncarried,
    effective,
    levels,
    overridden,
    passedOver,
    problems,
  }: LevelledComposition,
): Composition => ({
  base,
  edits: edits.map(serializeEdit),
  snippets: snippets.map(serializeSnippet),
  text,
  implied: implied.map((one) => ({
    option: one.option,
    by: one.by,
    value: formatValue(one.option, one.value),
    reason: formatImplied(one),
  })),
  losses,
  uncarried: uncarried.map(serializeProblem),
  effective,
  levels,
  overridden: overridden.map(({ option, level, value }) => ({
    option,
    level,
    value: formatValue(option, value),
  })),
  passedOver: passedOver.map(serializeProblem),
  problems: problems.map(serializeProblem),
});

/** The plan of a page, with the text of every snippet; each of a spot has the mark of its placement. */
export const serializePlan = (
  page: string,
  { snippets, steps, findings }: CorePagePlan,
  marks: ReadonlyMap<string, Mark>,
): PagePlan => ({
  page,
  snippets: snippets.map(({ digest, placements, ...made }) => {
    const snippet = made.position === 'spot' ? withMark(made, marks.get(placements[0]!)!) : made;
    return { ...serializeSnippet(snippet), text: snippetText(snippet), digest, placements };
  }),
  steps,
  findings: findings.map(({ placements, ...finding }) => ({ ...serializeFinding(finding), placements })),
});
