import { positions, type SnippetPosition } from '../options/position.ts';
import { fileAddress } from '../compose/snippet.ts';
import type { FilledField } from './asked-fields.ts';
import type { LeavingPlacement, PlannedPlacement } from './planned-placement.ts';
import type { PlannedSnippet } from './planned-snippet.ts';

/**
 * What is done with a snippet: it is pasted, it replaces what stands there, it is there already; or what
 * stands there is taken out.
 */
export const planActions = ['paste', 'replace', 'take-out', 'already-there'] as const;
export type PlanAction = (typeof planActions)[number];

/** One thing to do, in the order of the work. */
export interface PlanStep {
  action: PlanAction;
  position: SnippetPosition;
  /** Of the snippet; null where something is only taken out. */
  digest: string | null;
  /** Where, at a spot; of a file its address. */
  place: string | null;
  /** What is taken out, where no place says it; null elsewhere. */
  text: string | null;
  /** At a spot: what belongs into the other fields of the editor. */
  fields: readonly FilledField[];
}

/** What is known beside what stands at the places. */
export interface KnownOfPage {
  /** By the placement. */
  fieldsOf: ReadonlyMap<string, readonly FilledField[]>;
  /** The digests of what stands in the head of the whole site. */
  inSiteHead: ReadonlySet<string>;
}

/** The steps of a page, by position and place. */
export function stepsOf(
  snippets: readonly PlannedSnippet[],
  placements: readonly PlannedPlacement[],
  leaving: readonly LeavingPlacement[],
  { fieldsOf, inSiteHead }: KnownOfPage = { fieldsOf: new Map(), inSiteHead: new Set() },
): PlanStep[] {
  const byId = new Map(placements.map((placement) => [placement.id, placement]));
  const steps = snippets.map((snippet): PlanStep => {
    const { position, digest, placements: needed } = snippet;
    const those = needed.map((id) => byId.get(id)!);
    if (position === 'file')
      return { action: inFile(digest, those), position, digest, place: fileAddress(snippet), ...nothing };
    if (position === 'site-head') {
      const action = inSiteHead.has(digest) ? 'already-there' : 'paste';
      return { action, position, digest, place: null, ...nothing };
    }
    return position === 'spot'
      ? {
          ...{ action: atSpot(digest, those[0]!), position, digest, place: those[0]!.place, text: null },
          fields: fieldsOf.get(those[0]!.id) ?? [],
        }
      : { action: elsewhere(digest, those), position, digest, place: null, ...nothing };
  });
  const out = leaving.map(({ place }): PlanStep => ({
    action: 'take-out',
    position: 'spot',
    digest: null,
    place,
    ...nothing,
  }));
  return [...steps, ...out, ...leftOver(snippets, placements, leaving)].sort(inOrder);
}

const nothing = { text: null, fields: [] } as const;

/* What was pasted elsewhere together with a code that is on the page, and nobody needs any more. What stands
   in the site’s head is for other pages as well. */
function leftOver(
  snippets: readonly PlannedSnippet[],
  placements: readonly PlannedPlacement[],
  leaving: readonly LeavingPlacement[],
): PlanStep[] {
  const needed = new Set(snippets.map(({ position, digest }) => `${position} ${digest}`));
  const stands = [...placements.map(({ carried }) => carried), ...leaving].flatMap(
    (each) => each?.elsewhere ?? [],
  );
  return stands.flatMap(({ position, digest, text }): PlanStep[] => {
    const key = `${position} ${digest}`;
    if (needed.has(key) || position === 'site-head') return [];
    needed.add(key);
    return [{ action: 'take-out', position, digest: null, place: null, text, fields: [] }];
  });
}

/* Stable, so that what stands at one position keeps its order. */
const inOrder = (a: PlanStep, b: PlanStep): number =>
  positions.indexOf(a.position) - positions.indexOf(b.position) ||
  (a.place === null || b.place === null || a.place === b.place ? 0 : a.place < b.place ? -1 : 1);

function atSpot(digest: string, { carried = null }: PlannedPlacement): PlanAction {
  if (carried === null) return 'paste';
  return carried.byLink || (carried.isWhole && carried.digests.includes(digest))
    ? 'already-there'
    : 'replace';
}

/* What is there under the same address is replaced. */
function inFile(digest: string, placements: readonly PlannedPlacement[]): PlanAction {
  const action = elsewhere(digest, placements);
  const stands = placements.some(({ carried }) => carried !== null && carried !== undefined);
  return action === 'paste' && stands ? 'replace' : action;
}

/* What was handed out together with a code that stands on the page was pasted together with it. */
const elsewhere = (digest: string, placements: readonly PlannedPlacement[]): PlanAction =>
  placements.some(({ carried }) => carried?.digests.includes(digest)) ? 'already-there' : 'paste';
