import { snippetText, type Run } from '../compose/snippet.ts';
import type { EditorRules } from '../editor/index.ts';
import { reason } from '../reason.ts';
import type { EditReason } from '../text/index.ts';
import { isBehindLink, type ForEditor } from './forms.ts';
import type { Heads } from './site-head.ts';
import type { PlannedSnippet } from './planned-snippet.ts';

interface InSpot {
  placement: { id: string };
  composition: { forEditor: ForEditor | null };
}

/**
 * What a page needs once, so that its editor makes embeds of what is pasted: in its head where there is a way
 * into it, else at its end. Nothing where there are only links.
 */
export function companionOf(
  worked: readonly InSpot[],
  { editor, heads }: { editor?: EditorRules; heads: Heads },
  digest: (text: string) => string,
): PlannedSnippet[] {
  const needed = worked.filter(({ composition: { forEditor } }) => !isBehindLink(forEditor));
  if (!editor || editor.companion === '' || needed.length === 0) return [];
  const why: EditReason = { stage: 'editor', option: 'editor', ...reason('editor-companion') };
  const { stage, option } = why;
  const run: Run = {
    from: 'orbis',
    text: editor.companion,
    stage,
    options: [option],
    reasons: [why],
    instead: null,
  };
  return [
    {
      position: heads.ofSite(editor.companion) ? 'site-head' : heads.page ? 'page-head' : 'body-end',
      runs: [run],
      digest: digest(snippetText({ runs: [run] })),
      placements: needed.map(({ placement: { id } }) => id),
    },
  ];
}
