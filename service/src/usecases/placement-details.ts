import type { PlacementRow } from '../store/placements.ts';
import type { PlacementDetails } from '../store/tables/changes.ts';

/** What is said of a placement beside its options. */
export const placementDetails = ({
  note,
  pausedAt,
}: Pick<PlacementRow, 'note' | 'pausedAt'>): Required<PlacementDetails> => ({
  note,
  paused: pausedAt !== null,
});

/** The same as it is kept: what is paused already keeps its time. */
export const detailValues = (
  { note, paused }: PlacementDetails,
  { pausedAt }: Pick<PlacementRow, 'pausedAt'>,
  now: Date,
): Partial<Pick<PlacementRow, 'note' | 'pausedAt'>> => ({
  ...(note !== undefined && { note }),
  ...(paused !== undefined && { pausedAt: paused ? (pausedAt ?? now) : null }),
});
