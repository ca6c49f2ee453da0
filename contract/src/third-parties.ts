import { kinds } from '@orbis/core';
import { count } from './common.ts';
import { siteKey } from './place.ts';
import { z } from './zod.ts';

/** When browsers contact a third party: as the page is opened, once a visitor agrees, or either. */
export const loadTimes = ['at-once', 'waits', 'both'] as const;
export type LoadTime = (typeof loadTimes)[number];

export const thirdParty = z
  .object({
    name: z.string().meta({ description: 'As its sheet calls it; else its domain' }),
    provider: z.string().nullable().meta({ description: 'The id of its sheet; null where there is none' }),
    purposes: z.array(z.enum(kinds)).meta({ description: 'What its embeds are' }),
    hosts: z
      .array(z.string())
      .meta({ description: 'What browsers contact for them, as far as the codes say' }),
    loads: z.enum(loadTimes),
    embeds: count,
    places: count.meta({ description: 'How many placements there are of them' }),
    sites: z.array(siteKey),
  })
  .meta({ id: 'ThirdParty' });

/** Whom the browsers of visitors contact for what is placed. */
export const thirdParties = z
  .object({ site: siteKey.nullable(), parties: z.array(thirdParty).meta({ description: 'By name' }) })
  .meta({ id: 'ThirdParties' });

export type ThirdParty = z.infer<typeof thirdParty>;
export type ThirdParties = z.infer<typeof thirdParties>;
