import {
  forEditorFindings,
  type Edit as CoreEdit,
  type PlacedComposition,
  type Snippet as CoreSnippet,
} from '@orbis/core';
import {
  formatAdvice,
  formatFinding,
  formatImplied,
  formatProblem,
  formatReasons,
  formatSandboxToken,
  formatValue,
} from '../language/index.ts';
import { serializeProblem } from '../options/problems.ts';
import type { Edit, Snippet } from '../edits.ts';
import type { Composition } from '../resources.ts';

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
    framed,
    advice,
    powers,
    contacts,
    forEditor,
  }: PlacedComposition,
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
  editor: forEditorFindings({ id: '', place: 'this place' }, { forEditor }).map((finding) => ({
    level: finding.level,
    ...formatFinding(finding),
  })),
  effective,
  levels,
  overridden: overridden.map(({ option, level, value }) => ({
    option,
    level,
    value: formatValue(option, value),
  })),
  passedOver: passedOver.map(serializeProblem),
  problems: problems.map(serializeProblem),
  frame: {
    way: framed?.way ?? 'none',
    recommended: advice.way,
    reasons: advice.reasons.map((each) => formatAdvice(each)),
    refused: advice.refused.map(({ way, problem }) => ({ way, detail: formatProblem(problem) })),
    powers: powers.map(({ power, isAllowed, reason }) => ({
      option: power,
      allowed: isAllowed,
      reason: reason && formatSandboxToken(reason),
    })),
    contacts: { fixed: contacts.areFixed, hosts: [...contacts.hosts], leftOut: [...contacts.leftOut] },
    document: framed?.way === 'file' ? framed.html : null,
  },
});
