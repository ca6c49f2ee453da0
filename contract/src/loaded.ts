import { resourceUses } from '@orbis/core';
import { count, key, pageOf, publicId, time } from './common.ts';
import { resourceStates } from './resource-states.ts';
import { providerId } from './resources.ts';
import { z } from './zod.ts';

/** For so many days it is told how a host answered. */
export const daysTold = 30;

/** A host, with its port where it has one of its own (URL, section 4.1). */
export const hostName = z.string().trim().toLowerCase().min(1).max(300).meta({
  description: 'With its port where it has one of its own',
  example: 'play.kinorill.localhost:7430',
});

/** A host that placed embeds load something from. */
export const askedHost = z
  .object({
    host: hostName,
    provider: providerId
      .nullable()
      .meta({ description: 'The id of the sheet of an embed that loads from it; null where there is none' }),
    providerName: z.string().nullable().meta({ description: 'What that provider is called' }),
    resources: count.meta({ description: 'How many addresses of it placed embeds load' }),
    faulty: count.meta({ description: 'With how many of them something is wrong' }),
    askedAt: time.nullable().meta({ description: 'When it was last asked; null where it never was' }),
    took: count.nullable().meta({ description: 'How long it takes to answer, in ms: of the last few times' }),
    certificateEnds: time
      .nullable()
      .meta({ description: 'When its certificate ends; null where it has none, or that is not known' }),
    days: z
      .array(
        z.object({
          day: z.iso.date(),
          asked: count,
          answered: count.meta({ description: 'How often something came, whatever it was' }),
        }),
      )
      .meta({
        description: `How it answered on each day on which it was asked, of the last ${daysTold} (UTC)`,
      }),
  })
  .meta({ id: 'AskedHost' });
export type AskedHost = z.infer<typeof askedHost>;

/** Something that placed embeds load or lead to. */
export const resource = z
  .object({
    id: publicId,
    host: hostName,
    use: z.enum(resourceUses),
    address: z.string(),
    state: z.enum(resourceStates),
    askedAt: time.nullable(),
    nextAt: time.meta({ description: 'When it is asked for next, where anything is by itself' }),
    status: count.nullable().meta({ description: 'The status that came; null where nothing did' }),
    why: z.string().meta({
      description: 'Why nothing came of it, or why it is not asked for; empty where something came',
    }),
    took: count.nullable().meta({ description: 'In ms' }),
    type: z.string().meta({ description: 'As its host states it' }),
    bytes: count.nullable(),
    width: count.nullable().meta({ description: 'Of a film, in px' }),
    height: count.nullable(),
    length: z.number().nullable().meta({ description: 'Of a film or sound, in seconds' }),
    movedTo: z.string().nullable().meta({ description: 'Where it leads on to for good' }),
    embeds: z
      .array(z.object({ key, name: z.string() }))
      .meta({ description: 'Placed embeds that load it, the first of them' }),
    embedCount: count.meta({ description: 'How many load it, counted up to 200' }),
  })
  .meta({ id: 'Resource' });
export type Resource = z.infer<typeof resource>;

/** What came of asking for what placed embeds load. */
export const askedOutcome = z
  .object({
    asked: count.meta({ description: 'How many addresses were asked for' }),
    faulty: count.meta({ description: 'With how many of them something is wrong' }),
  })
  .meta({ id: 'AskedOutcome' });
export type AskedOutcome = z.infer<typeof askedOutcome>;

export const askedHosts = pageOf(askedHost).meta({ id: 'AskedHostPage' });
export const resources = pageOf(resource).meta({ id: 'ResourcePage' });
