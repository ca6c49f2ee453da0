import {
  snippetText,
  withMark,
  type EditorRules,
  type Mark,
  type PagePlan as CorePagePlan,
} from '@orbis/core';
import { serializeFinding, serializeSnippet, type PagePlan } from '@orbis/contract';

/** The plan of a page, with the text of every snippet; each of a spot has the mark of its placement. */
export const serializePlan = (
  page: string,
  { snippets, steps, findings }: CorePagePlan,
  marks: ReadonlyMap<string, Mark>,
  { notes, delay, showsUnpublished }: EditorRules,
): PagePlan => ({
  page,
  snippets: snippets.map(({ digest, placements, ...made }) => {
    const snippet = made.position === 'spot' ? withMark(made, marks.get(placements[0]!)!) : made;
    return { ...serializeSnippet(snippet), text: snippetText(snippet), digest, placements };
  }),
  steps: steps.map(({ fields, ...step }) => ({ ...step, fields: [...fields] })),
  findings: findings.map(({ placements, ...finding }) => ({ ...serializeFinding(finding), placements })),
  editor: { notes, delay, showsUnpublished },
});
