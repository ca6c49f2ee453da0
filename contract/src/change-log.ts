import { changeKinds } from './change-facts.ts';
import { count, publicId, time } from './common.ts';
import { z } from './zod.ts';

export const change = z
  .object({
    id: publicId,
    kind: z.enum(changeKinds).meta({ description: 'What was done' }),
    said: z.string().meta({ description: 'What was done, in words' }),
    embeds: count.meta({ description: 'How many embeds it was done to; 0 where it was to something else' }),
    lasting: z.boolean().meta({ description: 'Whether it cannot be taken back' }),
    createdAt: time,
    undoneAt: time.nullable().meta({ description: 'When it was taken back' }),
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

export type Change = z.infer<typeof change>;
export type UndoneChange = z.infer<typeof undone>;
