import { z } from './zod.ts';
import { publicId, time } from './common.ts';

/** Whom a code really contacts, as a browser saw it. */
export const contactsSeen = z
  .object({
    contacted: z.array(
      z.object({
        host: z.string(),
        uses: z.array(z.string()).meta({ description: 'What it wanted there: script, image, frame …' }),
        afterClick: z.boolean().meta({ description: 'Whether only once somebody had clicked' }),
      }),
    ),
    at: time,
  })
  .meta({ id: 'ContactsSeen' });

/** What frames were kept from contacting, the newest first. */
export const blockedList = z
  .object({
    items: z.array(
      z.object({ host: z.string(), placement: publicId, place: z.string(), firstAt: time, lastAt: time }),
    ),
  })
  .meta({ id: 'BlockedContacts' });

export type ContactsSeen = z.infer<typeof contactsSeen>;
export type BlockedContacts = z.infer<typeof blockedList>;
