import { kinds } from '@orbis/core';
import { count, factRecord, key, publicId, time } from './common.ts';
import { level } from './reading.ts';
import { z } from './zod.ts';

const pageFinding = z
  .object({
    rule: z.string(),
    level,
    line: count,
    column: count,
    facts: factRecord,
    message: z.string(),
    remedy: z.string(),
  })
  .meta({ id: 'PageFinding', description: 'Something wrong on a page as a whole' });
export const harvestItem = z
  .object({
    number: z.number().int().min(1),
    name: z.string().meta({ description: 'What it could be called' }),
    text: z.string().meta({ description: 'The code as it stands on the page, its pieces joined' }),
    kind: z.enum(kinds),
    provider: z.string().nullable(),
    providerName: z.string().nullable().meta({ description: 'What its provider is called' }),
    hosts: z.array(z.string()),
    level: level.nullable(),
    heading: z.string().nullable().meta({ description: 'The heading that it follows on the page' }),
    line: count,
    column: count,
    own: z.boolean().meta({ description: 'Whether it shows a file or a page of the site’s own' }),
    sharesWith: count.meta({
      description: 'How many others of the page are filled by a script that is in its code as well',
    }),
    embed: key
      .nullable()
      .meta({ description: 'The embed that it was taken as, or that holds the same code already' }),
    state: z.enum(['offered', 'taken', 'known']),
  })
  .meta({ id: 'HarvestItem' });
export const harvestSummary = z
  .object({
    id: publicId,
    address: z
      .string()
      .nullable()
      .meta({ description: 'Where the page was read; null for a page that was handed in' }),
    title: z.string().nullable(),
    found: count,
    taken: count,
    known: count,
    createdAt: time,
  })
  .meta({ id: 'HarvestSummary' });
export const harvest = harvestSummary
  .extend({ items: z.array(harvestItem), findings: z.array(pageFinding) })
  .meta({ id: 'Harvest' });

export type Harvest = z.infer<typeof harvest>;
export type HarvestItem = z.infer<typeof harvestItem>;
export type HarvestSummary = z.infer<typeof harvestSummary>;
