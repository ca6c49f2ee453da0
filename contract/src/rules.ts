import { z } from './zod.ts';

export const rules = z
  .object({
    dropTracking: z.boolean().meta({
      description:
        'Whether parameters that only follow people are taken out of every embed that does not ask otherwise',
    }),
  })
  .meta({ id: 'Rules' });

export type Rules = z.infer<typeof rules>;
