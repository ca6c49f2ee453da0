import { z } from '../zod.ts';

/** What becomes of what is placed on something that is removed. */
export const goingAlong = z.object({
  placements: z.literal('end').optional().meta({
    description: 'Ends what is placed there as well; without it, nothing is removed while something is',
  }),
});
