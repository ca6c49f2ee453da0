import { mostFindingsCounted } from './counting.ts';
import { count, factRecord, key, label, publicId, time } from './common.ts';
import { pageKey, siteKey, spotKey } from './place.ts';
import { level } from './reading.ts';
import { z } from './zod.ts';

/**
 * The lists that findings are on: what wants doing, what waits until a day, what is not to be told again, and
 * what is solved.
 */
export const findingLists = ['open', 'later', 'muted', 'solved'] as const;
export type FindingList = (typeof findingLists)[number];

/** Something that wants attention. */
export const keptFinding = z
  .object({
    id: publicId,
    rule: z.string().meta({ description: 'What was found, as programs know it', example: 'missing' }),
    level,
    list: z.enum(findingLists),
    isNew: z.boolean().meta({ description: 'Whether nobody has taken notice of it yet' }),
    site: siteKey.nullable().meta({
      description: 'Null where it is of no site alone: of what embeds load from elsewhere',
    }),
    host: z.string().nullable().meta({ description: 'The host that it is about, where it is about one' }),
    page: pageKey
      .nullable()
      .meta({ description: 'Where it was found first; null where it is about no page' }),
    url: z.string().nullable().meta({ description: 'The address of that page' }),
    times: count.meta({ description: 'On how many pages it is found, or of how many addresses of a host' }),
    embed: key.nullable(),
    embedName: z.string().nullable(),
    placement: publicId.nullable(),
    place: spotKey.nullable().meta({ description: 'Where that embed is placed' }),
    message: z.string(),
    remedy: z.string(),
    details: z.array(z.string()).meta({ description: 'What exactly is otherwise, piece by piece' }),
    facts: factRecord,
    firstSeenAt: time,
    lastSeenAt: time,
    until: time.nullable().meta({ description: 'Until when it waits' }),
    reason: z.string().meta({ description: 'Why it waits, or is not to be told again' }),
    decidedAt: time.nullable(),
    solvedAt: time.nullable(),
    solvedBy: z.enum(['itself', 'hand']).nullable(),
  })
  .meta({ id: 'KeptFinding' });
export type KeptFinding = z.infer<typeof keptFinding>;

/** The same with the code that it is about, where the register does not have that. */
export const findingWithCode = keptFinding
  .extend({ code: z.string().nullable() })
  .meta({ id: 'FindingWithCode' });

/** How much wants attention. */
export const attention = z
  .object({
    open: z
      .object({ error: count, warning: count, note: count })
      .meta({ description: `Open findings by their level, each counted up to ${mostFindingsCounted}` }),
    rules: z
      .array(z.object({ rule: z.string(), title: z.string(), count }))
      .meta({ description: 'Open findings by what was found' }),
    sites: z
      .array(z.object({ site: siteKey, name: z.string(), count }))
      .meta({ description: 'The sites with most open findings; of one rule where that is asked' }),
  })
  .meta({ id: 'Attention' });
export type Attention = z.infer<typeof attention>;

/** What can be decided about findings. */
export const decisions = ['seen', 'later', 'muted', 'solved', 'open'] as const;
export type Decision = (typeof decisions)[number];

/** So many are decided about at once. */
export const mostDecided = 200;

/** What is decided about some findings. */
export const decision = z
  .strictObject({
    findings: z.array(publicId).min(1).max(mostDecided),
    as: z.enum(decisions).meta({
      description:
        'Taken notice of; to wait until a day; not to be told again; solved; or open and new again',
    }),
    until: time.optional().meta({ description: 'Of what is to wait: until when' }),
    reason: label(500).optional().meta({ description: 'Why; asked of what is not to be told again' }),
  })
  .refine(({ as, until }) => (as === 'later') === (until !== undefined), {
    path: ['until'],
    error: 'goes with “later”, and only with that',
  })
  .refine(({ as, reason }) => as !== 'muted' || reason !== undefined, {
    path: ['reason'],
    error: 'says why it is not to be told again',
  })
  .meta({ id: 'Decision' });

/** What became of an embed that the register did not know. */
export const registered = z
  .object({
    embed: key,
    placements: z.array(z.object({ id: publicId, place: spotKey })),
    left: count.meta({ description: 'On how many further pages it is found' }),
  })
  .meta({ id: 'Registered' });
export type Registered = z.infer<typeof registered>;
