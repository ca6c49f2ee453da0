import { composeLevels, type LevelledComposition } from '../compose/levels.ts';
import { markEdits } from '../compose/mark.ts';
import { positions, runsOf, snippetText, type Run, type Snippet } from '../compose/snippet.ts';
import { reason } from '../reason.ts';
import { mergeEdits, type Edit } from '../text/index.ts';
import { collisions, type PlanFinding } from './collisions.ts';
import { mergeOrders } from './order.ts';
import type { PlannedPlacement } from './planned-placement.ts';
import { leaveOut, sharedParts, type SharedPart } from './shared.ts';

/** What a plan must know of the site. */
export interface PlannedSite {
  /** Whether there is a way into the heads of its pages. */
  head: boolean;
}

/** What is pasted at one position of a page, and for whom. */
export interface PlannedSnippet extends Snippet {
  /** The digest of its text. */
  digest: string;
  /** The placements that need it. */
  placements: string[];
}

/** One thing to do, in the order of the work. */
export interface PlanStep {
  position: Snippet['position'];
  digest: string;
  /** Where, for a snippet of a spot. */
  place: string | null;
}

/** What a page needs, all of its placements together. */
export interface PagePlan {
  /** By position, then by place. */
  snippets: PlannedSnippet[];
  steps: PlanStep[];
  findings: PlanFinding[];
  /** What the options of each placement came to. */
  compositions: ReadonlyMap<string, LevelledComposition>;
}

/**
 * Plans a page: what its placements need only once is said once, in the page’s head where the site has a way into it,
 * else at the first place that needs it. The outcome does not depend on the order of placing. `digest` makes the digest
 * of a text, always the same for the same text.
 */
export function planPage(placements: readonly PlannedPlacement[], site: PlannedSite, digest: (text: string) => string): PagePlan {
  const composed = [...placements]
    .sort((a, b) => (a.place < b.place ? -1 : a.place > b.place ? 1 : a.id < b.id ? -1 : 1))
    .map((placement) => {
      const composition = composeLevels(placement.code, placement.asked);
      return { placement, composition, shared: sharedParts(placement.id, placement.code, composition) };
    });
  const first = firstOf(composed.flatMap(({ shared }) => shared));
  const spots = composed.map(({ placement, composition, shared }) => {
    const out = shared.filter((part) => site.head || first.get(part.text)!.placement !== part.placement);
    const why = (part: SharedPart) => leaving(site.head ? reason('moved-to-head') : reason('loaded-at', { place: placeOf(placements, first.get(part.text)!) }));
    const edits = mergeEdits(leaveOut(composition.edits, out, why), markOf(placement));
    return spotSnippet(placement, edits, digest);
  });
  const head = site.head
    ? headSnippets(
        composed.map(({ shared }) => shared),
        first,
        digest,
      )
    : [];
  const snippets = [...head, ...spots].sort((a, b) => positions.indexOf(a.position) - positions.indexOf(b.position));
  const placeBy = new Map(placements.map(({ id, place }) => [id, place]));
  return {
    snippets,
    steps: snippets.map(({ position, digest, placements: [id] }) => ({ position, digest, place: position === 'spot' ? placeBy.get(id!)! : null })),
    findings: collisions(placements),
    compositions: new Map(composed.map(({ placement, composition }) => [placement.id, composition])),
  };
}

/* Who brings each shared text first, in the order of the places. */
function firstOf(parts: readonly SharedPart[]): Map<string, SharedPart> {
  const first = new Map<string, SharedPart>();
  for (const part of parts) if (!first.has(part.text)) first.set(part.text, part);
  return first;
}

const placeOf = (placements: readonly PlannedPlacement[], part: SharedPart): string => placements.find(({ id }) => id === part.placement)!.place;

const leaving = (why: { code: string; facts: Edit['reasons'][number]['facts'] }): Pick<Edit, 'stage' | 'options' | 'reasons'> => ({
  stage: 'leave-out',
  options: ['plan'],
  reasons: [{ stage: 'leave-out', option: 'plan', ...why }],
});

const markOf = ({ id, code, delivery }: PlannedPlacement): Edit[] => (delivery === null ? [] : markEdits(code, { placement: id, delivery }));

function spotSnippet({ id, code }: PlannedPlacement, edits: readonly Edit[], digest: (text: string) => string): PlannedSnippet {
  const runs = runsOf(code.text, edits).map((run): Run => (run.from === 'source' ? { ...run, of: id } : run));
  const snippet: Snippet = { position: 'spot', runs };
  return { ...snippet, digest: digest(snippetText(snippet)), placements: [id] };
}

/* Each shared text by itself, so that what one code brings does not change when another one comes or goes. */
function headSnippets(shared: readonly (readonly SharedPart[])[], first: ReadonlyMap<string, SharedPart>, digest: (text: string) => string): PlannedSnippet[] {
  return mergeOrders(shared.map((parts) => parts.map(({ text }) => text))).map((text) => ({
    position: 'page-head',
    runs: first.get(text)!.runs,
    digest: digest(text),
    placements: [...new Set(shared.flatMap((parts) => parts.filter((part) => part.text === text).map(({ placement }) => placement)))],
  }));
}
