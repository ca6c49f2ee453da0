import { and, eq, gt, sql, type SQL } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { isOneOf } from './one-of.ts';
import { embed, embedHost, placement } from './schema.ts';

/* So many embeds with so many placements are looked up one by one. */
const [fewEmbeds, fewPlacements] = [100, 400];

/**
 * Those placements whose code loads something from a host. Where few do, they are found by their embeds;
 * where many do, along the list, as one of them soon comes.
 */
export async function loadingFrom(db: Handle, host: string): Promise<SQL> {
  const placed = await db
    .select({ id: embed.id, placements: embed.placements })
    .from(embedHost)
    .innerJoin(embed, eq(embed.id, embedHost.embedId))
    .where(and(eq(embedHost.host, host), gt(embed.placements, 0)))
    .limit(fewEmbeds + 1);
  const placements = placed.reduce((sum, each) => sum + each.placements, 0);
  if (placed.length <= fewEmbeds && placements <= fewPlacements)
    return isOneOf(
      placement.embedId,
      placed.map(({ id }) => id),
    );
  // Compared and not joined, so that the database begins with the list and not with the host.
  return sql`(select 1 from ${embedHost} where ${embedHost.embedId} = ${placement.embedId} and ${embedHost.host} = ${host}) = 1`;
}
