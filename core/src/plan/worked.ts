import { bringsListener } from '../compose/framed.ts';
import type { Circumstances } from '../compose/composition.ts';
import { classFor } from '../compose/apart.ts';
import { bringsLoader } from '../presentation/index.ts';
import { listenerTag, loaderTag } from '../visitors/index.ts';
import { composeAtPlace, type Place } from './at-place.ts';
import { isBare, type PlacedComposition } from './forms.ts';
import { inFrame, keepApart, type Claimant, type KeptApart } from './keep-apart.ts';
import { byPlace, type PlannedPlacement } from './planned-placement.ts';
import type { PlannedSite } from './planned-site.ts';
import { sharedParts, type SharedPart } from './shared.ts';
import { takes, type Heads } from './site-head.ts';

/** A placement with what its code comes to, and what of that its page needs only once. */
export interface Worked {
  placement: PlannedPlacement;
  circumstances: Circumstances;
  composition: PlacedComposition;
  /** The parts of the code that could as well stand elsewhere. */
  parts: SharedPart[];
}

/** A placement as one who claims things on its page. */
export const claimantOf = (placement: PlannedPlacement, site: PlannedSite, heads: Heads): Claimant => ({
  placement,
  compose: (asked) =>
    composeAtPlace(
      placement.code,
      asked,
      circumstancesOf(placement, site, { loader: 'here', listener: 'here' }),
      placeOf(site, heads),
    ),
});

/**
 * Who is put into a frame of its own: decided before what each page needs once is shared out. `fixed` are
 * those around, who stay as they are.
 */
export const keptApart = (
  placements: readonly PlannedPlacement[],
  site: PlannedSite,
  heads: Heads,
  fixed: readonly Claimant[] = [],
): ReadonlyMap<string, KeptApart> =>
  keepApart(
    [...placements].sort(byPlace).map((placement) => claimantOf(placement, site, heads)),
    fixed,
  );

/** The same placements, those that are kept apart in frames of their own. */
export const apartFrom = (
  placements: readonly PlannedPlacement[],
  apart: ReadonlyMap<string, KeptApart>,
): PlannedPlacement[] =>
  placements.map((placement) => {
    const kept = apart.get(placement.id);
    return kept ? { ...placement, asked: inFrame(placement.asked, kept.way) } : placement;
  });

/** What holds at the spots of a page. */
export const placeOf = ({ editor }: PlannedSite, heads: Heads): Place => ({
  editor,
  moves: (text) => takes(heads, text),
});

/**
 * What each code comes to, in the order of the places: the first that needs our loader brings it, where
 * there is no way into the head; `given` are the texts that stand before all of them.
 */
export function workedOut(
  placements: readonly PlannedPlacement[],
  site: PlannedSite,
  heads: Heads,
  given: ReadonlyMap<string, unknown> = new Map(),
): Worked[] {
  let hasLoader = given.has(loaderTag);
  let hasListener = given.has(listenerTag);
  return [...placements].sort(byPlace).map((placement) => {
    const place = placeOf(site, heads);
    const inHead = (tag: string): boolean => heads.ofSite(tag) || (takes(heads, tag) && !given.has(tag));
    const loader = inHead(loaderTag) ? 'head' : hasLoader ? 'elsewhere' : 'here';
    const listener = inHead(listenerTag) ? 'head' : hasListener ? 'elsewhere' : 'here';
    const circumstances = circumstancesOf(placement, site, { loader, listener });
    const composition = composeAtPlace(placement.code, placement.asked, circumstances, place);
    hasLoader ||= bringsLoader(composition);
    hasListener ||= bringsListener(composition);
    return {
      placement,
      circumstances,
      composition,
      parts: isBare(composition)
        ? sharedParts(placement.id, placement.code, { edits: composition.uncut })
        : [],
    };
  });
}

const circumstancesOf = (
  { id, mark }: PlannedPlacement,
  { head, editor, language = 'en', servedAt, frameStyle, sharesHost = false }: PlannedSite,
  ours: Pick<Circumstances, 'loader' | 'listener'>,
): Circumstances => ({
  mark,
  apart: head || editor?.styleField ? classFor(id) : null,
  language,
  sharesHost,
  ...(frameStyle !== undefined && { frameStyle }),
  ...(servedAt !== undefined && { servedAt }),
  ...ours,
});
