import { count, key, label, publicId, time } from './common.ts';
import { pageKey, spotName } from './place.ts';
import { placementStates } from './register.ts';
import { z } from './zod.ts';

/** So many pages are on a list at most. */
export const mostListed = 20_000;

/** Work across many pages, ticked off page by page. */
export const changeList = z
  .object({
    id: publicId,
    name: z.string(),
    where: z.string().meta({ description: 'The search of the register whose pages are on it' }),
    pages: count,
    ticked: count.meta({ description: 'How many pages are ticked, and nothing has changed there since' }),
    createdAt: time,
  })
  .meta({ id: 'ChangeList' });

/** What is asked of a new list. */
export const newChangeList = z.strictObject({
  name: label(120),
  where: z
    .string()
    .max(2000)
    .meta({ description: 'As the register is searched', example: 'state=out-of-date' }),
});

/** A page of a list, with what is to be done there. */
export const changeListPage = z
  .object({
    page: pageKey,
    title: z.string(),
    url: z.string(),
    toDo: z
      .array(
        z.object({
          placement: publicId,
          embed: key,
          embedName: z.string(),
          spot: spotName,
          state: z.enum(placementStates),
          takeOut: z.boolean().meta({ description: 'Whether its code is to be taken out' }),
        }),
      )
      .meta({ description: 'Placements that are not as they should be; none once all of it was seen' }),
    work: z.string().meta({ description: 'What is to be done there, as a digest: a tick is for that' }),
    ticked: z.object({ at: time, by: z.string() }).nullable(),
    again: z.boolean().meta({
      description: 'Whether it was ticked, and something else is to be done there since',
    }),
  })
  .meta({ id: 'ChangeListPage' });

/** What a tick is for. */
export const tick = z.strictObject({
  work: z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .meta({ description: 'The `work` of the page, as it was shown' }),
});

export type ChangeList = z.infer<typeof changeList>;
export type ChangeListPage = z.infer<typeof changeListPage>;
