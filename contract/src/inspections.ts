import { count, key, pageOf, publicId, time } from './common.ts';
import { pageKey, siteKey, spotKey } from './place.ts';
import { seenFinding, sweepStates } from './register.ts';
import { z } from './zod.ts';

/** At so many pages of a site a browser looks where nothing else is said, and at most. */
export const [usualLooks, mostLooks] = [8, 40];

export const newInspection = z.strictObject({
  site: siteKey,
  looks: z
    .number()
    .int()
    .min(0)
    .max(mostLooks)
    .default(usualLooks)
    .meta({
      description: `At how many pages a browser looks; at most ${mostLooks}. Those come first that were looked at before`,
    }),
});

/** A site held against how it was when all was well. */
export const inspection = z
  .object({
    id: publicId,
    site: siteKey,
    state: z.enum(sweepStates),
    sweep: publicId.nullable().meta({ description: 'Its sweep; null until that has begun' }),
    readAt: time.nullable().meta({ description: 'When the pages had been read' }),
    pages: z.object({
      of: count.meta({ description: 'Pages that its sweep has' }),
      done: count.meta({ description: 'Those of them that were read, or could not be' }),
    }),
    looks: z.object({
      of: count.meta({ description: 'Pages that a browser looks at, known once the pages have been read' }),
      done: count,
      failed: z.array(z.object({ page: pageKey, why: z.string() })),
    }),
    well: count.meta({ description: 'Placements that are on their pages as they should be' }),
    lost: count.meta({ description: 'What works no longer' }),
    unknown: count.meta({
      description:
        'Placements that a browser looked at for the first time, so that nothing is known of before',
    }),
    createdAt: time,
    endedAt: time.nullable(),
  })
  .meta({ id: 'Inspection' });
export type Inspection = z.infer<typeof inspection>;

/** Something that works no longer. */
export const loss = z
  .object({
    ...seenFinding.shape,
    embed: key,
    embedName: z.string(),
    place: spotKey,
    page: pageKey,
    goodAt: time
      .nullable()
      .meta({ description: 'Until when it was well, as far as that was seen; null where that is not known' }),
    goodLook: publicId.nullable().meta({ description: 'The look in which it was well' }),
    look: publicId.nullable().meta({ description: 'The look in which it is not; null where a sweep saw it' }),
  })
  .meta({ id: 'Loss' });
export type Loss = z.infer<typeof loss>;

export const inspections = pageOf(inspection).meta({ id: 'InspectionPage' });
export const losses = pageOf(loss).meta({ id: 'LossPage' });
