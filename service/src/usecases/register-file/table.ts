import { tableText, type Placement } from '@orbis/contract';
import { listPlacementIds } from '../../store/placements.ts';
import { showPlacements } from '../placements.ts';
import type { PlanTools } from '../planning.ts';

/* So many rows are made at once. */
const together = 200;

const columns: readonly [name: string, of: (placement: Placement) => string | number][] = [
  ['placement', ({ id }) => id],
  ['embed', ({ embed }) => embed],
  ['name', ({ embedName }) => embedName],
  ['site', ({ site }) => site],
  ['page', ({ page }) => page],
  ['spot', ({ spot }) => spot],
  ['address', ({ url }) => url],
  ['state', ({ state }) => state],
  ['revision', ({ revision }) => revision],
  ['carries revision', ({ carries }) => carries?.revision ?? ''],
  ['handed out', ({ issued }) => issued?.at ?? ''],
  ['last seen', ({ lastSeenAt }) => lastSeenAt ?? ''],
  ['last checked', ({ checkedAt }) => checkedAt ?? ''],
  ['placed', ({ createdAt }) => createdAt],
];

/** Every placement as a row of a table (RFC 4180), the newest first. */
export async function* placementRows(tools: PlanTools): AsyncGenerator<string> {
  yield tableText([columns.map(([name]) => name)]);
  for (let after: string | undefined; ;) {
    const ids = await listPlacementIds(tools.db, {}, together, after);
    const placements = await showPlacements(ids, tools);
    yield tableText(placements.map((placement) => columns.map(([, of]) => of(placement))));
    if (ids.length < together) return;
    after = String(ids.at(-1));
  }
}
