import type { EmbedSummary } from '@orbis/contract';
import { plural } from '@orbis/contract/language';

/** In how many places an embed is, in words. */
export const placedWords = ({ placements }: Pick<EmbedSummary, 'placements'>): string =>
  placements === 0 ? 'not placed' : `placed ${placements === 1 ? 'once' : plural(placements, 'time')}`;
