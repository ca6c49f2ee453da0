import { isCurrency, pricePeriods } from '@orbis/core';
import { count, key, pageOf, time } from './common.ts';
import { shouldBe } from './misfit.ts';
import { placementFinding } from './register.ts';
import { providerId } from './resources.ts';
import { z } from './zod.ts';

const price = z
  .strictObject({
    amount: z.number().min(0).max(999_999_999).multipleOf(0.01),
    currency: z
      .string()
      .refine(isCurrency, shouldBe('three capital letters of ISO 4217, such as EUR'))
      .meta({ description: 'As ISO 4217 has it', example: 'EUR' }),
    every: z.enum(pricePeriods),
  })
  .meta({ example: { amount: 12.5, currency: 'EUR', every: 'month' } });

const licence = z
  .string()
  .trim()
  .max(300)
  .regex(/^[^\p{Cc}\p{Cs}]*$/u, shouldBe('without control characters'));

/** What has been agreed upon, as an owner writes it down; what is left out is not said. */
export const termsValues = z.strictObject({
  viewsAMonth: z.number().int().min(1).max(2_000_000_000).nullable().default(null).meta({
    description: 'How many views a month the plan has',
  }),
  price: price.nullable().default(null),
  licence: licence.default('').meta({ description: 'Under what the content may be shown' }),
  ends: z.iso.date().nullable().default(null).meta({ description: 'The last day of the contract' }),
  personalData: z.boolean().nullable().default(null).meta({
    description: 'Whether it may process personal data; null where that is not said',
  }),
});

/** What has been agreed upon for an embed or with a provider, beside what has happened so far. */
export const terms = z
  .object({
    embed: key.nullable().meta({ description: 'Either an embed' }),
    provider: providerId.nullable().meta({ description: 'or a provider' }),
    name: z.string().meta({ description: 'What that is called' }),
    ...termsValues.shape,
    views: z
      .object({
        month: z.string().meta({ description: 'This month, in UTC', example: '2026-11' }),
        times: count,
      })
      .meta({ description: 'How often it was shown this month, in frames that Orbis serves' }),
    findings: z.array(placementFinding),
    changedAt: time.nullable().meta({ description: 'When it was last written; null where it never was' }),
  })
  .meta({ id: 'Terms' });

/** What all of it costs in a year, by currency; of contracts that are over nothing is counted. */
export const yearlyCost = z
  .object({ currency: z.string(), amount: z.number().meta({ description: 'In a year' }) })
  .meta({ id: 'YearlyCost' });

export const termsPage = pageOf(terms).meta({ id: 'TermsPage' });

export const yearlyCosts = z.object({ costs: z.array(yearlyCost) }).meta({ id: 'YearlyCosts' });

export type Terms = z.infer<typeof terms>;
export type TermsValues = z.infer<typeof termsValues>;
export type YearlyCost = z.infer<typeof yearlyCost>;
