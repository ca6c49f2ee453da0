import { count } from './common.ts';
import { placementStates } from './register.ts';
import { z } from './zod.ts';

/** For so many days it is told how placements were. */
export const placementDaysTold = 90;

/** How many placements were in each state, day by day. */
export const placementDays = z
  .object({
    days: z.array(
      z.object({
        day: z.iso.date().meta({ description: 'In UTC' }),
        counts: z
          .partialRecord(z.enum(placementStates), count)
          .meta({ description: 'Placements by their state; none where there is none' }),
      }),
    ),
  })
  .meta({ id: 'PlacementDays' });
export type PlacementDays = z.infer<typeof placementDays>;
