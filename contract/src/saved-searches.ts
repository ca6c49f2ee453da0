import { label, time } from './common.ts';
import { z } from './zod.ts';

/** What somebody calls a search of the register: any words. */
export const searchName = label(60);

/** A search of the register, kept under a name. */
export const savedSearch = z
  .object({
    name: searchName,
    where: z.string().meta({
      description: 'A value for each field, all of which must hold; empty for everything',
      example: 'state=out-of-date site=hollinfell',
    }),
    createdAt: time,
  })
  .meta({ id: 'SavedSearch' });

export type SavedSearch = z.infer<typeof savedSearch>;
