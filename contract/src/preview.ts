import { count, hexColour, time } from './common.ts';
import { pageKey } from './place.ts';
import { z } from './zod.ts';

const side = z.enum(['before', 'after']);

/** Where on a page of the register something is shown, which need not be placed there. */
const onPage = z.strictObject({
  page: pageKey,
  beside: z
    .union([
      z.strictObject({
        side,
        at: count.meta({ description: 'The number of a place, as the answer lists them' }),
      }),
      z.strictObject({
        side,
        words: z.string().trim().min(1).max(200).meta({ description: 'How a heading or paragraph begins' }),
      }),
    ])
    .optional()
    .meta({
      description:
        'Beside which heading or paragraph. Without it: instead of its code that stands there, else where it most likely goes',
    }),
});

/** How something is shown, which changes nothing of what is handed out. */
export const view = {
  asPasted: z
    .boolean()
    .default(false)
    .meta({ description: 'The code as it was pasted, with nothing that is asked of it' }),
  background: hexColour.optional().meta({ description: 'The colour behind it, where it is shown by itself' }),
  on: onPage.optional().meta({
    description: 'Shown in a published page of yours, whose own scripts and frames are left out',
  }),
};

/** Whether it contacts whom it wants, and tells. */
export const learning = z.boolean().default(false).meta({
  description:
    'By itself, without what stands around it, with nobody kept out: its document tells the console whom it contacts',
});

/** A page in which something is shown. */
const pageShown = z.object({
  url: z.string(),
  places: z.array(z.object({ kind: z.enum(['heading', 'paragraph']), words: z.string() })).meta({
    description: 'Beside which of its headings and paragraphs it can stand, in the order of the page',
  }),
  at: count.nullable().meta({ description: 'The number of the place beside which it stands' }),
  side,
  instead: z.boolean().meta({ description: 'Whether it stands instead of its code that is there' }),
});

export const preview = z
  .object({
    url: z.string(),
    expiresAt: time,
    sandboxTokens: z.array(z.object({ token: z.string(), reason: z.string() })),
    page: pageShown.nullable(),
  })
  .meta({ id: 'Preview' });

export type Preview = z.infer<typeof preview>;
export type PageShown = z.infer<typeof pageShown>;
