import { z } from './zod.ts';
import { count } from './common.ts';

const day = z.iso.date();

/** Where the document of a placement was shown, as browsers say. */
export const hitReport = z
  .object({
    since: day,
    times: count.meta({
      description: 'How often it was asked for since then; browsers keep it for a minute',
    }),
    pages: z.array(
      z.object({
        page: z
          .string()
          .nullable()
          .meta({ description: 'As the browser named it: mostly its site alone; null where it named none' }),
        times: count,
        lastDay: day,
        registered: z.boolean().nullable().meta({
          description: 'Whether it is a page of its site in the register; null where no page is named',
        }),
      }),
    ),
  })
  .meta({ id: 'HitReport' });

export type HitReport = z.infer<typeof hitReport>;
