import {
  snippetText,
  withMark,
  type EditorRules,
  type Mark,
  type PagePlan as CorePagePlan,
  type PlanStep,
} from '@orbis/core';
import { serializeFinding, serializeSnippet, type PagePlan } from '@orbis/contract';
import { digest } from '../digest.ts';
import type { StepTick } from '../store/step-ticks.ts';

/** The plan of a page, with the text of every snippet; each of a spot has the mark of its placement. */
export const serializePlan = (
  { page, block, shows }: Pick<PagePlan, 'page' | 'block' | 'shows'>,
  { snippets, steps, findings }: CorePagePlan,
  { marks, ticks }: { marks: ReadonlyMap<string, Mark>; ticks: readonly StepTick[] },
  { notes, delay, showsUnpublished }: EditorRules,
): PagePlan => ({
  ...{ page, block, shows },
  snippets: snippets.map(({ digest, placements, ...made }) => {
    const snippet = made.position === 'spot' ? withMark(made, marks.get(placements[0]!)!) : made;
    return { ...serializeSnippet(snippet), text: snippetText(snippet), digest, placements };
  }),
  steps: steps.map(({ fields, ...step }) => {
    const id = stepId(step);
    // What a sweep has seen needs nobody who says it.
    const tick = step.action === 'already-there' ? undefined : ticks.find((each) => each.step === id);
    return {
      ...{ id, ...step, fields: [...fields] },
      ticked: tick ? { at: tick.at.toISOString(), by: tick.by } : null,
    };
  }),
  findings: findings.map(({ placements, ...finding }) => ({ ...serializeFinding(finding), placements })),
  editor: { notes, delay, showsUnpublished },
});

/* A tick is for this step alone: of another code, or at another place, nobody has said that it is done. */
const stepId = ({ action, position, digest: of, place, text }: Omit<PlanStep, 'fields'>): string =>
  digest(JSON.stringify([action, position, of, place, text])).slice(0, 16);
