import type { Language } from '../language.ts';

/* So many are counted at most: then there may be more. */
const embeds = (placements: number, most: number): string =>
  placements === 1 ? 'One embed is' : `${placements < most ? placements : `${most} or more`} embeds are`;

/** What becomes of what is placed on a page or site. */
export const standing: Language['standing'] = {
  removed: ({ placements, seen }, most) =>
    placements === 0
      ? 'Nothing is placed there.'
      : [
          `${embeds(placements, most)} placed there; ${placements === 1 ? 'it ends' : 'they end'} with it.`,
          ...(seen === 0
            ? []
            : [
                `${seen === 1 ? 'One was' : `${seen < most ? seen : `${most} or more`} were`} still on the page when it was last read: what was pasted stays until somebody takes it out, and frames that Orbis serves show nothing any more.`,
              ]),
        ].join(' '),
  moved: ({ placements }, most) =>
    placements === 0
      ? 'Nothing is placed there. Sweeps read the new address from then on.'
      : `${embeds(placements, most)} placed there and ${placements === 1 ? 'goes' : 'go'} along: nothing has to be pasted anew. Sweeps read the new address from then on.`,
};

const plural = (count: number, one: string): string => `${count} ${count === 1 ? one : `${one}s`}`;

/** On how many places a change shows. */
export const reach: Language['reach'] = ({ placements, pages, sites }, most) =>
  placements < most
    ? `${plural(placements, 'place')} on ${plural(pages, 'page')} of ${plural(sites, 'site')}`
    : `${most} places or more`;
