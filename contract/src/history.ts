import { change } from './change-log.ts';
import { key, pageOf, time } from './common.ts';
import { spotKey } from './place.ts';
import { placementStates } from './register.ts';
import { z } from './zod.ts';

const state = z.enum(placementStates);

/** Something that happened to an embed, a page or a site. */
export const happened = z
  .object({
    at: time,
    change: change.nullable().meta({ description: 'What was done; null where it was seen' }),
    by: z.string().nullable().meta({ description: 'Who did it; null where nobody is known to have' }),
    seen: z
      .object({ embed: key, place: spotKey, was: state, state })
      .nullable()
      .meta({ description: 'What a sweep saw otherwise than it was before; null where it was done' }),
  })
  .meta({ id: 'Happened', description: 'Something that was done to a thing, or that a sweep saw of it' });
export type Happened = z.infer<typeof happened>;

export const happenings = pageOf(happened).meta({ id: 'HistoryPage' });
