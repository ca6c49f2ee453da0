import { defaultsFor, type Kind, type LevelledOptions } from '@orbis/core';
import type { StoredPlacement } from '../store/placements.ts';

/**
 * What is asked of an embed at a place: by the placement itself, by the embed, and by
 * its site for such embeds.
 */
export const askedAt = ({ placement, revision, site, embed }: AskedRow): LevelledOptions => ({
  placement: placement.options,
  embed: revision.options,
  site: defaultsFor(site.defaults, embed.kind as Kind),
});

/** The rows in which that is written down. */
export interface AskedRow {
  placement: Pick<StoredPlacement['placement'], 'options'>;
  revision: Pick<StoredPlacement['revision'], 'options'>;
  site: Pick<StoredPlacement['site'], 'defaults'>;
  embed: Pick<StoredPlacement['embed'], 'kind'>;
}
