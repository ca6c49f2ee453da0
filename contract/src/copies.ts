import { count, pageOf, publicId, time } from './common.ts';
import { copyStates, copyStandings } from './copy-states.ts';
import { z } from './zod.ts';

/** A safety copy: one file with everything that Orbis keeps. */
export const copy = z
  .object({
    id: publicId,
    state: z.enum(copyStates).meta({
      description:
        'Whether it waits, is being made or read back; good once it was read back, unread where that is not asked for',
    }),
    file: z.string().nullable().meta({ description: 'The file, with its folder; null until it is there' }),
    encrypted: z.boolean(),
    createdAt: time,
    createdBy: z.string().nullable().meta({ description: 'Who asked for it; null where it was time for it' }),
    madeAt: time.nullable().meta({ description: 'Of which moment it is' }),
    bytes: count.nullable(),
    rows: count.nullable(),
    files: count.nullable(),
    readBackAt: time.nullable().meta({
      description: 'When it was put into a database on the side and found to be what was copied',
    }),
    why: z.string().nullable().meta({ description: 'Why it failed' }),
  })
  .meta({ id: 'Copy' });
export type Copy = z.infer<typeof copy>;
export const copies = pageOf(copy).meta({ id: 'CopyPage' });

/** Whether copies are made, and how old the last one is. */
export const copyStanding = z
  .object({
    standing: z.enum(copyStandings).meta({
      description:
        'off: no folder for copies is set; none: the first one is not made yet; late: the last good one is older than two days; failed: the last one failed',
    }),
    folder: z.string().nullable(),
    at: z.string().nullable().meta({ description: 'When each day, as HH:MM, by the server’s clock' }),
    keep: z.object({ days: count, weeks: count, months: count }).nullable(),
    encrypted: z.boolean(),
    readBack: z.enum(['each', 'weekly', 'never']),
    lastAt: time.nullable().meta({ description: 'Of which moment the last good one is' }),
    lastReadBack: z.boolean().meta({ description: 'Whether that one was read back' }),
    nextAt: time.nullable(),
  })
  .meta({ id: 'CopyStanding' });
export type CopyStanding = z.infer<typeof copyStanding>;
