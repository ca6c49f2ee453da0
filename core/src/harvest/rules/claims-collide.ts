import { heldBySeveral } from '../../reading/held-claims.ts';
import type { HarvestedEmbed } from '../page.ts';
import type { PageRule } from './rule.ts';

export const rule: PageRule = {
  id: 'claims-collide',
  level: 'error',
  source:
    'HTML, section 3.2.6 (an id is unique in its document); observed: with const the second copy throws, with var both handlers bind to the first form',
  // A loader that serves several embeds is in the code of each, and stands on the page once.
  check: ({ embeds }) =>
    heldBySeveral(
      embeds,
      ({ reading }) => reading.claims,
      (embed, { claim, by }) => claim.what === 'id' || !by.some((other) => sharesPiece(other, embed)),
    ).map(({ claim, by }) => {
      const { start, end } = by[1]!.pieces[0]!;
      return {
        start,
        end,
        facts: { what: claim.what, name: claim.name, times: by.length, one: by[0]!.name, other: by[1]!.name },
      };
    }),
};

const sharesPiece = (a: HarvestedEmbed, b: HarvestedEmbed): boolean =>
  a.pieces.some((piece) => b.pieces.some((other) => other.start === piece.start));
