import { count } from './common.ts';
import { outOfDateFor } from './out-of-date-for.ts';
import { placementStates } from './register.ts';
import { z } from './zod.ts';

/** For so many days it is told how placements were. */
export const placementDaysTold = 90;

/** How many placements were in each state, day by day, and for how long they have been out of date. */
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
    outOfDate: z.partialRecord(z.enum(outOfDateFor), count).meta({
      description:
        'Placements that are out of date, by how long they have been: at most a day, a week, 30 days, 90 days, or longer; as it was counted within the last ten minutes',
    }),
  })
  .meta({ id: 'PlacementDays' });
export type PlacementDays = z.infer<typeof placementDays>;
