import type { Client, Placement } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';
import { placementsOf } from './placements-of.ts';

/**
 * The placement that is meant, by its id or by embed and place.
 *
 * @throws UsedWrongly where it is none, or several.
 */
export async function thePlacement(
  client: Client,
  embed: string,
  place: string | undefined,
): Promise<Placement> {
  if (place === undefined && /^[0-9a-hjkmnp-tv-z]{10}$/.test(embed)) {
    const direct = await client.call('placements.read', { params: { placement: embed } }).catch(() => null);
    if (direct) return direct.data;
  }
  const all: Placement[] = await placementsOf(client, { embed });
  const fitting = place === undefined ? all : all.filter((p) => p.place === place);
  if (fitting.length === 1) return fitting[0]!;
  if (all.length === 0)
    throw new UsedWrongly(
      `${embed} is not placed anywhere. Place it first: orbis place ${embed} SITE/PATH#SPOT. Or print it without a place: --bare.`,
    );
  if (fitting.length === 0)
    throw new UsedWrongly(`${embed} is not in ${place}. It is in: ${all.map((p) => p.place).join(', ')}.`);
  throw new UsedWrongly(`${embed} is in several places. Say which: ${all.map((p) => p.place).join(', ')}.`);
}
