import { onceKinds, positions, stages } from '@orbis/core';
import { count, key, label, publicId, tag, time } from './common.ts';
import { editorRules } from './editor-rules.ts';
import { kindDefaults, optionsSchema } from './options/schema.ts';
import { pageKey, sharedSpotKey, siteKey, spotKey } from './place.ts';
import { level } from './reading.ts';
import {
  blockPlacing,
  frameStyle,
  furtherAddresses,
  placementStates,
  siteColours,
  siteLanguage,
} from './register.ts';
import { searchName } from './saved-searches.ts';
import { heights, sharedUnder, spotSelector, widths } from './spot.ts';
import { spoken } from './language/index.ts';
import { embedName, found, providerId, revisionNote } from './resources.ts';
import { rules } from './rules.ts';
import { headDigest } from './site-head.ts';
import { termsValues } from './terms.ts';
import { schedule } from './schedule.ts';
import { z } from './zod.ts';

/** The media type of a register file: a JSON text in each line. */
export const registerType = 'application/x-ndjson';

/** The form of register files that this Orbis writes and reads. */
export const registerFormat = 1;

const number = z.number().int().min(1);
/* What an owner pasted, of at most 1 MiB. */
const code = z.string().max(1_048_576);
const digest = headDigest;
const fact = z.union([z.string(), z.number(), z.boolean(), z.null()]);
const findingFacts = z.record(z.string(), fact);
const difference = z.strictObject({
  code: z.enum(Object.keys(spoken.differences)),
  facts: findingFacts,
});
const range = z.strictObject({ start: count, end: count });

/** A run of a snippet: of a source, or of Orbis with its reasons. */
const run = z.discriminatedUnion('from', [
  range.extend({ from: z.literal('source'), text: z.string(), of: publicId.optional() }),
  z.strictObject({
    from: z.literal('orbis'),
    text: z.string(),
    stage: z.enum(stages),
    options: z.array(z.string()),
    reasons: z.array(
      z.strictObject({
        stage: z.enum(stages),
        option: z.string(),
        code: z.string(),
        facts: z.record(z.string(), fact),
      }),
    ),
    instead: range.nullable(),
  }),
]);

/**
 * What stands in the lines of a register file, in the order in which they come: whatever a line names stands
 * in a line before it.
 */
export const registerRecords = {
  register: z
    .strictObject({
      type: z.literal('register'),
      format: z.literal(registerFormat),
      orbis: z.string(),
      at: time,
    })
    .meta({ description: 'The first line' }),
  rules: z.strictObject({ type: z.literal('rules'), rules }),
  sheet: z.strictObject({
    type: z.literal('sheet'),
    id: z.string().max(60),
    text: z.string().max(1_048_576),
    at: time,
  }),
  endpoint: z.strictObject({
    type: z.literal('endpoint'),
    provider: z.string().max(120),
    site: z.string().max(500),
    url: z.string().max(500),
    schemes: z.array(z.string().max(500)).max(500),
    formats: z.array(z.enum(['json', 'xml'])),
    at: time,
  }),
  preset: z.strictObject({
    type: z.literal('preset'),
    key,
    meaning: z.string().max(300),
    options: optionsSchema,
    at: time,
  }),
  search: z.strictObject({
    type: z.literal('search'),
    name: searchName,
    where: z.string().max(2000),
    at: time,
  }),
  site: z.strictObject({
    type: z.literal('site'),
    key: siteKey,
    name: label(120),
    address: z.url({ protocol: /^https?$/ }).max(500),
    furtherAddresses,
    defaults: kindDefaults,
    head: z.boolean(),
    headKept: z.array(digest).max(1000),
    language: siteLanguage,
    colours: siteColours,
    frameStyle,
    editor: editorRules.extend({
      styleField: z.boolean().default(false),
      scriptField: z.boolean().default(false),
      mostKilobytes: editorRules.shape.mostKilobytes.default(null),
    }),
    schedule: schedule.nullable().default(null),
    rendered: z.boolean().default(false),
    goneAt: time.nullable().default(null).meta({ description: 'Since when it is removed' }),
    at: time,
  }),
  sharedSpot: z
    .strictObject({
      type: z.literal('sharedSpot'),
      key: sharedSpotKey,
      under: sharedUnder,
      widths,
      heights: heights.default({}),
      selector: spotSelector.nullable().default(null),
      at: time,
    })
    .meta({ description: 'A spot that many pages of a site have' }),
  page: z.strictObject({
    type: z.literal('page'),
    key: pageKey,
    title: label(200),
    block: blockPlacing.nullable().default(null).meta({ description: 'Of a block, which pages show it' }),
    checkedAt: time.nullable(),
    goneAt: time.nullable().default(null).meta({ description: 'Since when it is removed' }),
    at: time,
  }),
  spot: z.strictObject({
    type: z.literal('spot'),
    key: spotKey,
    widths,
    heights: heights.default({}),
    selector: spotSelector.nullable().default(null),
    shared: z.boolean().default(false).meta({
      description: 'Whether it is as the shared spot of its name on its site says, where there is one',
    }),
    goneAt: time.nullable().default(null).meta({ description: 'Since when it is removed' }),
    at: time,
  }),
  embed: z.strictObject({
    type: z.literal('embed'),
    key,
    name: embedName,
    notes: z.string().max(20_000),
    tags: z.array(tag).max(20),
    retiredAt: time.nullable(),
    purged: z
      .strictObject({ at: time, reason: z.string().max(500) })
      .nullable()
      .default(null)
      .meta({ description: 'When its code and its texts were taken out for good, and why' }),
    changedAt: time,
    at: time,
  }),
  source: z.strictObject({
    type: z.literal('source'),
    embed: key,
    number,
    pasted: code,
    base: code,
    found: found.nullable(),
    at: time,
  }),
  revision: z.strictObject({
    type: z.literal('revision'),
    embed: key,
    number,
    source: number,
    leftOut: z.array(count),
    options: optionsSchema,
    sheet: z.strictObject({ id: z.string().max(60), digest: digest.nullable() }).nullable(),
    reason: revisionNote,
    at: time,
  }),
  terms: z
    .strictObject({
      type: z.literal('terms'),
      embed: key.nullable(),
      provider: providerId.nullable(),
      ...termsValues.shape,
      changedAt: time,
      at: time,
    })
    .meta({ description: 'What has been agreed upon, either for an embed or with a provider' }),
  placement: z.strictObject({
    type: z.literal('placement'),
    id: publicId,
    embed: key,
    place: spotKey,
    options: optionsSchema,
    note: z.string().max(2000).default(''),
    pausedAt: time.nullable().default(null),
    seen: z.enum(['planned', 'live', 'altered', 'missing', 'unreachable']),
    state: z.enum(placementStates).optional(),
    stateSince: time.nullable().default(null),
    seenDelivery: number.nullable(),
    carried: digest.nullable(),
    findings: z.array(
      z.strictObject({
        ...{ rule: z.string(), level, facts: findingFacts },
        details: z.array(difference).optional(),
      }),
    ),
    lastSeenAt: time.nullable(),
    checkedAt: time.nullable(),
    linkedAt: time.nullable(),
    endedAt: time.nullable(),
    at: time,
  }),
  delivery: z.strictObject({
    type: z.literal('delivery'),
    placement: publicId,
    number,
    revision: number,
    options: optionsSchema,
    snippets: z
      .array(z.strictObject({ position: z.enum(positions), runs: z.array(run) }))
      .refine((all) => all.filter(({ position }) => position === 'spot').length === 1, {
        error: 'has a code for its spot, and only one',
      }),
    asFound: z
      .boolean()
      .default(false)
      .meta({ description: 'Whether it stood on the page without a mark, and was not handed out' }),
    at: time,
  }),
  need: z
    .strictObject({
      type: z.literal('need'),
      site: siteKey,
      what: z.enum(onceKinds),
      name: z.string().max(200),
      text: z.string(),
      after: z.array(digest),
      issued: number.nullable(),
      stands: z.enum(['unknown', 'yes', 'no']),
      standsOn: pageKey.nullable(),
      standsSince: time.nullable(),
      unneededSince: time.nullable(),
    })
    .meta({
      description: 'What pages of a site need once, and what is known of it in the head of all of them',
    }),
  headDelivery: z.strictObject({
    type: z.literal('headDelivery'),
    site: siteKey,
    number,
    texts: z.array(digest),
    at: time,
  }),
  changeList: z.strictObject({
    type: z.literal('changeList'),
    id: publicId,
    name: label(120),
    where: z.string().max(2000),
    at: time,
  }),
  changeListPage: z.strictObject({
    type: z.literal('changeListPage'),
    list: publicId,
    page: pageKey,
    ticked: z
      .strictObject({ at: time, work: digest })
      .nullable()
      .meta({ description: 'When it was ticked, and for what was to be done there then' }),
    again: z.boolean(),
  }),
  end: z
    .strictObject({ type: z.literal('end'), lines: count })
    .meta({ description: 'The last line: how many there are before it' }),
};

/** A line of a register file. */
export const registerRecord = z.discriminatedUnion(
  'type',
  Object.values(registerRecords) as [
    (typeof registerRecords)['register'],
    ...(typeof registerRecords)[keyof typeof registerRecords][],
  ],
);
export type RegisterRecord = z.infer<typeof registerRecord>;
export type RecordType = RegisterRecord['type'];
export type RecordOf<T extends RecordType> = Extract<RegisterRecord, { type: T }>;

/** In the order in which they come. */
export const recordTypes = Object.keys(registerRecords) as RecordType[];

/** How many lines of each kind there are. */
export const registerCounts = z
  .object({ lines: z.partialRecord(z.enum(recordTypes as [RecordType, ...RecordType[]]), count) })
  .meta({ id: 'RegisterTaken', description: 'What was taken in, by what it is' });
export type RegisterTaken = z.infer<typeof registerCounts>;

/** A line of a register file that cannot be taken in; the message is a clause that says why. */
export class RecordUnfit extends Error {}

/** The JSON Schema of a line of a register file. */
export const registerJsonSchema = (): object =>
  z.toJSONSchema(registerRecord, { io: 'input', unrepresentable: 'any' });
