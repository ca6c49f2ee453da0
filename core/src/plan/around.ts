import { bringsListener } from '../compose/framed.ts';
import { snippetText } from '../compose/snippet.ts';
import { withoutFields } from '../editor/index.ts';
import { bringsLoader } from '../presentation/index.ts';
import { listenerTag, loaderTag } from '../visitors/index.ts';
import { companionOf } from './companion.ts';
import type { Claimant } from './keep-apart.ts';
import type { PlannedPlacement } from './planned-placement.ts';
import type { PlannedSite } from './planned-site.ts';
import { runsAnyTime, type SharedPart } from './shared.ts';
import { headsOf, takes, type Heads } from './site-head.ts';
import { apartFrom, claimantOf, keptApart, workedOut, type Worked } from './worked.ts';

/** Where a block stands on its pages: before the page’s own content, or behind it. */
export const blockStands = ['before', 'after'] as const;
export type BlockStands = (typeof blockStands)[number];

/**
 * A piece of content that many pages show and that is pasted once, such as a side column, a footer, or a
 * block of the editor’s own library. It is planned by itself: for the pages that show it, it is as it is.
 */
export interface Block {
  stands: BlockStands;
  placements: readonly PlannedPlacement[];
}

/** What a page has around its own content already. */
export interface Around {
  /**
   * What of the things that a page needs once comes with a block and serves its own content as well, by its
   * text: the place that brings it. It stands before that content, or works from behind it.
   */
  given: ReadonlyMap<string, string>;
  /** What comes with a block behind, where it is of no use to what stands before it. */
  tooLate: ReadonlyMap<string, string>;
  /** Whether one of the blocks brings what the editor needs to make embeds of what is pasted. */
  hasCompanion: boolean;
  worked: Worked[];
  claimants: Claimant[];
}

/** A block has no head of its own, nor fields: what its codes need once is in the site’s head, or in it. */
const siteOfBlock = (site: PlannedSite): PlannedSite => ({
  ...site,
  head: false,
  ...(site.editor && { editor: withoutFields(site.editor) }),
});

/** What the blocks of a page come to. */
export function aroundOf(
  blocks: readonly Block[],
  site: PlannedSite,
  digest: (text: string) => string,
): Around {
  const inBlock = siteOfBlock(site);
  const heads = headsOf(inBlock, digest);
  const made = blocks.map(({ stands, placements }) => {
    const worked = workedOut(apartFrom(placements, keptApart(placements, inBlock, heads)), inBlock, heads);
    return { stands, worked, companion: companionOf(worked, { ...inBlock, heads }, digest) };
  });
  const worked = made.flatMap((block) => block.worked);
  const brought = made.flatMap(({ stands, worked: of }) =>
    of
      .flatMap((one) => broughtAt(one, heads))
      .map((each) => ({ ...each, serves: stands === 'before' || each.worksBehind })),
  );
  const placesOf = (serves: boolean): Map<string, string> =>
    // Of two places the first one is named.
    new Map(
      brought
        .filter((each) => each.serves === serves)
        .map(({ text, place }) => [text, place] as const)
        .reverse(),
    );
  return {
    given: placesOf(true),
    tooLate: placesOf(false),
    hasCompanion: made.some(({ companion }) =>
      companion.some((snippet) => !heads.ofSite(snippetText(snippet))),
    ),
    worked,
    claimants: worked.map(({ placement }) => claimantOf(placement, inBlock, heads)),
  };
}

/* Something that a block brings: whether what stands before it can use it, too. */
interface Brought {
  text: string;
  place: string;
  worksBehind: boolean;
}

/* What a code of a block brings with it, but for what the head of the whole site has. The script that shows
   what waits looks for it when it runs; the one for heights would miss what frames said before. */
const broughtAt = (
  { placement: { place, code }, parts, composition }: Worked,
  { ofSite }: Pick<Heads, 'ofSite'>,
): Brought[] =>
  [
    ...parts.map((part) => ({ text: part.text, place, worksBehind: runsAnyTime(part, code) })),
    ...(bringsLoader(composition) ? [{ text: loaderTag, place, worksBehind: true }] : []),
    ...(bringsListener(composition) ? [{ text: listenerTag, place, worksBehind: false }] : []),
  ].filter(({ text }) => !ofSite(text));

/**
 * Which of the parts of a code its page has by a block already. What goes into a head comes before every
 * block: there a code leaves its parts out together, or not at all, so that none comes too early.
 */
export function givenParts(
  { parts }: Pick<Worked, 'parts'>,
  heads: Heads,
  { given: byBlocks }: Pick<Around, 'given'>,
): ReadonlySet<SharedPart> {
  const given = parts.filter(({ text }) => byBlocks.has(text) && !heads.ofSite(text));
  const needed = parts.filter(({ text }) => !heads.ofSite(text));
  const comesBefore = needed.some(({ text }) => takes(heads, text));
  return new Set(comesBefore && given.length < needed.length ? [] : given);
}
