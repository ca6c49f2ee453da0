import { and, eq } from 'drizzle-orm';
import type { Found } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { RevisionRow } from './embeds.ts';
import type { PlacementRow } from './placements.ts';
import type { SiteRow } from './places.ts';
import { embed, page, placement, revision, site, source, spot } from './schema.ts';

/** A placement that is asked for by its link: only what is shown of it. */
export interface LinkedPlacement {
  publicId: string;
  /** Whether nothing is shown any more, or not yet: it was ended, its embed is retired, or its link was never handed out. */
  isOver: boolean;
  source: { base: string; found: Found | null };
  revision: Pick<RevisionRow, 'id' | 'options'>;
  placement: Pick<PlacementRow, 'options'>;
  embed: { kind: string };
  site: Pick<SiteRow, 'address' | 'defaults'>;
  /** The width of its spot on a desktop, in px. */
  desktop: number;
}

export async function findLinkedPlacement(db: Handle, publicId: string): Promise<LinkedPlacement | null> {
  const [row] = await db
    .select({
      publicId: placement.publicId,
      active: placement.active,
      linkedAt: placement.linkedAt,
      retiredAt: embed.retiredAt,
      source: { base: source.base, found: source.found },
      revision: { id: revision.id, options: revision.options },
      placement: { options: placement.options },
      embed: { kind: embed.kind },
      site: { address: site.address, defaults: site.defaults },
      desktop: spot.desktop,
    })
    .from(placement)
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .innerJoin(revision, and(eq(revision.embedId, embed.id), eq(revision.number, embed.revision)))
    .innerJoin(source, eq(source.id, revision.sourceId))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .innerJoin(page, eq(page.id, spot.pageId))
    .innerJoin(site, eq(site.id, page.siteId))
    .where(eq(placement.publicId, publicId));
  if (!row) return null;
  const { active, linkedAt, retiredAt, ...rest } = row;
  return { ...rest, isOver: active === null || linkedAt === null || retiredAt !== null };
}
