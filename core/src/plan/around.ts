import { bringsListener } from '../compose/framed.ts';
import { snippetText } from '../compose/snippet.ts';
import { withoutFields } from '../editor/index.ts';
import { bringsLoader } from '../presentation/index.ts';
import { listenerTag, loaderTag } from '../visitors/index.ts';
import { companionOf } from './companion.ts';
import type { Claimant } from './keep-apart.ts';
import type { PlannedPlacement } from './planned-placement.ts';
import type { PlannedSite } from './planned-site.ts';
import type { SharedPart } from './shared.ts';
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
  /** What of the things that a page needs once comes with a block, by its text: the place that brings it. */
  before: ReadonlyMap<string, string>;
  after: ReadonlyMap<string, string>;
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
  const broughtBy = (where: BlockStands): Map<string, string> =>
    new Map(
      made
        .filter(({ stands }) => stands === where)
        .flatMap((block) => block.worked.flatMap((one) => broughtAt(one, heads)))
        // Of two places the first one is named.
        .reverse(),
    );
  return {
    before: broughtBy('before'),
    after: broughtBy('after'),
    hasCompanion: made.some(({ companion }) =>
      companion.some((snippet) => !heads.ofSite(snippetText(snippet))),
    ),
    worked,
    claimants: worked.map(({ placement }) => claimantOf(placement, inBlock, heads)),
  };
}

/* What a code of a block brings with it, but for what the head of the whole site has. */
const broughtAt = (
  { placement: { place }, parts, composition }: Worked,
  { ofSite }: Pick<Heads, 'ofSite'>,
): [text: string, place: string][] =>
  [
    ...parts.map(({ text }) => text),
    ...(bringsLoader(composition) ? [loaderTag] : []),
    ...(bringsListener(composition) ? [listenerTag] : []),
  ].flatMap((text) => (ofSite(text) ? [] : [[text, place]]));

/**
 * Which of the parts of a code its page has by a block already. What goes into a head comes before every
 * block: there a code leaves its parts out together, or not at all, so that none comes too early.
 */
export function givenParts(
  { parts }: Pick<Worked, 'parts'>,
  heads: Heads,
  { before }: Pick<Around, 'before'>,
): ReadonlySet<SharedPart> {
  const given = parts.filter(({ text }) => before.has(text) && !heads.ofSite(text));
  const needed = parts.filter(({ text }) => !heads.ofSite(text));
  const comesBefore = needed.some(({ text }) => takes(heads, text));
  return new Set(comesBefore && given.length < needed.length ? [] : given);
}
