import type { Code } from '../code.ts';
import { snippetText, type Snippet } from '../compose/snippet.ts';
import type { EditorRules } from '../editor/index.ts';
import { parseMarkup } from '../text/index.ts';
import { isBehindLink, type EditorForm, type ForEditor } from './forms.ts';
import type { PlanFinding } from './plan-finding.ts';
import type { PlannedPlacement } from './planned-placement.ts';
import type { PlannedSnippet } from './planned-snippet.ts';

/** What the site’s editor makes of a placement: another form than was asked for, and what is lost. */
export function forEditorFindings(
  { id, place }: Pick<PlannedPlacement, 'id' | 'place'>,
  { forEditor }: { forEditor: ForEditor | null },
): PlanFinding[] {
  if (forEditor === null) return [];
  const { form, stronger, without, fixesHeight, survives } = forEditor;
  const about = { placements: [id] };
  // Of the form that was asked for it is said by itself.
  const lostBy = (form: EditorForm): string | null =>
    stronger
      .slice(1)
      .find((each) => each.form === form)
      ?.lost.join(', ') ?? null;
  if (!survives)
    return [
      {
        rule: 'editor-lets-nothing-through',
        level: 'error',
        facts: { place, names: stronger[0]?.lost.join(', ') ?? '' },
        ...about,
      },
    ];
  return [
    ...(form === 'asked'
      ? []
      : [
          {
            rule: 'editor-form' as const,
            level: isBehindLink(forEditor) ? ('warning' as const) : ('note' as const),
            facts: {
              place,
              form,
              names: stronger[0]?.lost.join(', ') ?? '',
              enclosed: lostBy('enclosed'),
              served: lostBy('served'),
            },
            ...about,
          },
        ]),
    ...(fixesHeight
      ? [{ rule: 'editor-fixes-height' as const, level: 'note' as const, facts: { place }, ...about }]
      : []),
    ...(without.length === 0
      ? []
      : [
          {
            rule: 'editor-takes-out' as const,
            level: 'note' as const,
            facts: { place, names: without.join(', ') },
            ...about,
          },
        ]),
  ];
}

interface Counted {
  placement: { id: string; code: Pick<Code, 'reading'>; bytes?: number | null };
  composition: { forEditor: ForEditor | null };
}

interface CountedAround extends Counted {
  composition: Counted['composition'] & { snippets: readonly Snippet[] };
}

/** Where a page has more of other hosts, more scripts, or more kilobytes, than its owner wants. */
export function overBudget(
  worked: readonly Counted[],
  {
    snippets,
    editor,
    around,
  }: {
    snippets: readonly PlannedSnippet[];
    editor: EditorRules | undefined;
    /** What the page shows around its own content. */
    around: readonly CountedAround[];
  },
): PlanFinding[] {
  if (!editor) return [];
  const { mostHosts, mostScripts, mostKilobytes } = editor;
  const loading = [...worked, ...around].filter(({ composition: { forEditor } }) => !isBehindLink(forEditor));
  const hosts = new Set(loading.flatMap(({ placement: { code } }) => hostsOf(code)));
  const scripts = mostScripts === null ? 0 : scriptsIn(snippets) + scriptsAround(around);
  const placements = loading.map(({ placement: { id } }) => id);
  return [
    ...(mostHosts !== null && hosts.size > mostHosts
      ? [over('too-many-hosts', placements, { count: hosts.size, most: mostHosts })]
      : []),
    ...(mostScripts !== null && scripts > mostScripts
      ? [over('too-many-scripts', placements, { count: scripts, most: mostScripts })]
      : []),
    ...(mostKilobytes === null ? [] : tooHeavy(loading, mostKilobytes)),
  ];
}

/* As they were weighed, each by itself: what several of them load together is counted for each. */
function tooHeavy(loading: readonly Counted[], most: number): PlanFinding[] {
  const unknown = loading.filter(({ placement: { bytes } }) => typeof bytes !== 'number');
  const bytes = loading.reduce((sum, { placement }) => sum + (placement.bytes ?? 0), 0);
  const kilobytes = Math.ceil(bytes / 1000);
  const idOf = ({ placement: { id } }: Counted): string => id;
  if (kilobytes > most)
    return [over('too-heavy', loading.map(idOf), { kilobytes, most, unknown: unknown.length })];
  if (unknown.length === 0) return [];
  const facts = { count: unknown.length, most };
  return [{ rule: 'not-weighed', level: 'note', facts, placements: unknown.map(idOf) }];
}

const over = (
  rule: 'too-many-hosts' | 'too-many-scripts' | 'too-heavy',
  placements: string[],
  facts: PlanFinding['facts'],
): PlanFinding => ({ rule, level: 'warning', facts, placements });

/* Whom visitors’ browsers contact without doing anything. */
const hostsOf = ({ reading: { hosts } }: Pick<Code, 'reading'>): string[] =>
  hosts.filter(({ when }) => when === 'load').map(({ host }) => host);

const scriptsIn = (snippets: readonly Snippet[]): number => scriptTexts(snippets).length;

/* Of what its codes bring several times, a block has one. */
const scriptsAround = (around: readonly CountedAround[]): number =>
  new Set(around.flatMap(({ composition: { snippets } }) => scriptTexts(snippets))).size;

/* What stands in a document of its own is not of the page. */
const scriptTexts = (snippets: readonly Snippet[]): string[] =>
  snippets
    .filter(({ position }) => position !== 'file')
    .flatMap((snippet) => {
      const text = snippetText(snippet);
      return parseMarkup(text)
        .elements.filter(({ name }) => name === 'script')
        .map(({ start, end }) => text.slice(start, end));
    });
