import { changeKinds } from './change-facts.ts';
import { count, key, publicId, time } from './common.ts';
import { pageKey, siteKey } from './place.ts';
import { z } from './zod.ts';

export const change = z
  .object({
    id: publicId,
    kind: z.enum(changeKinds).meta({ description: 'What was done' }),
    said: z.string().meta({ description: 'What was done, in words' }),
    embeds: count.meta({ description: 'How many embeds it was done to; 0 where it was to something else' }),
    lasting: z.boolean().meta({ description: 'Whether it cannot be taken back' }),
    by: z.string().nullable().meta({ description: 'Who did it; null where nobody is known to have' }),
    createdAt: time,
    undoneAt: time.nullable().meta({ description: 'When it was taken back' }),
    undoneBy: z.string().nullable().meta({ description: 'Who took it back' }),
  })
  .meta({ id: 'Change', description: 'Something that was done, to the collection or the register' });

export const undone = change
  .extend({
    remains: z
      .string()
      .nullable()
      .meta({ description: 'What taking it back does not reach, such as code on a published page' }),
  })
  .meta({ id: 'UndoneChange' });

/** Something that was done or taken back a moment ago, and what it is about. */
export const changeEvent = change
  .extend({
    mine: z.boolean().meta({ description: 'Whether whoever listens did it' }),
    things: z
      .object({ embeds: z.array(key), pages: z.array(pageKey), sites: z.array(siteKey) })
      .meta({ description: 'What it is about; a few of many' }),
  })
  .meta({ id: 'ChangeEvent' });
export type ChangeEvent = z.infer<typeof changeEvent>;

export type Change = z.infer<typeof change>;
export type UndoneChange = z.infer<typeof undone>;
