import { eq } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import type { SiteRow } from './places.ts';
import { embed, placement, served, site, spot, type ServedFacts } from './schema.ts';

/** What is served for a placement, as it was last planned. */
export interface Served {
  text: string;
  facts: ServedFacts;
}

/** Writes down what is served for a placement from now on. */
export async function keepServed(
  tx: Handle,
  { placementId, text, facts }: Served & { placementId: number },
): Promise<void> {
  await tx.insert(served).values({ placementId, text, facts }).onDuplicateKeyUpdate({ set: { text, facts } });
}

/** A placement that is asked for by its link: only what is shown of it. */
export interface LinkedPlacement {
  publicId: string;
  /**
   * Whether nothing is shown any more, or not yet: it was ended or is paused, its embed is retired,
   * or its link was never handed out.
   */
  isOver: boolean;
  /** Null where its page was not planned yet. */
  served: Served | null;
  site: Pick<SiteRow, 'address' | 'furtherAddresses'>;
  /** The width of its spot on a desktop, in px. */
  desktop: number;
}

export async function findLinkedPlacement(db: Handle, publicId: string): Promise<LinkedPlacement | null> {
  const [row] = await db
    .select({
      publicId: placement.publicId,
      active: placement.active,
      linkedAt: placement.linkedAt,
      pausedAt: placement.pausedAt,
      retiredAt: embed.retiredAt,
      served: { text: served.text, facts: served.facts },
      site: { address: site.address, furtherAddresses: site.furtherAddresses },
      desktop: spot.desktop,
    })
    .from(placement)
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .innerJoin(site, eq(site.id, placement.siteId))
    .leftJoin(served, eq(served.placementId, placement.id))
    .where(eq(placement.publicId, publicId));
  if (!row) return null;
  const { active, linkedAt, pausedAt, retiredAt, ...rest } = row;
  const isOver = active === null || linkedAt === null || pausedAt !== null || retiredAt !== null;
  return { ...rest, isOver };
}

/** A placement whose document may tell what it was kept from contacting; null where none is served. */
export async function findReportable(
  db: Handle,
  publicId: string,
): Promise<{ placementId: number; contacts: readonly string[] | null } | null> {
  const [row] = await db
    .select({ placementId: placement.id, facts: served.facts })
    .from(placement)
    .innerJoin(served, eq(served.placementId, placement.id))
    .where(eq(placement.publicId, publicId));
  return row ? { placementId: row.placementId, contacts: row.facts.framed?.contacts ?? null } : null;
}
