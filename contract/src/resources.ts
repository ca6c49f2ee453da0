import { shouldBe } from './misfit.ts';
import { z } from './zod.ts';
import { openSession, token } from './account.ts';
import { keptFinding } from './attention.ts';
import { changeList, changeListPage } from './change-lists.ts';
import { change } from './change-log.ts';
import { harvestSummary } from './harvest.ts';
import { frameWays, keptThings, kinds, levels } from '@orbis/core';
import { mostCounted, mostWaiting } from './counting.ts';
import { count, key, label, pageOf, tag, time } from './common.ts';
import { edit, snippet } from './edits.ts';
import { channel, message, newsItem } from './news.ts';
import { level, reading } from './reading.ts';
import { delivery, page, pageNews, placement, site, sweep, sweepPage } from './register.ts';
import { sheetSchema } from './sheet.ts';
import { optionsSchema } from './options/schema.ts';
import { savedSearch } from './saved-searches.ts';
import { sharedSpot } from './spot.ts';

/** Why a revision was saved, in the owner’s own words. */
export const revisionNote = label(200).meta({ description: 'Why it was saved, in your own words' });

export const revision = z
  .object({
    number: z.number().int().min(1),
    source: z.number().int().min(1),
    options: optionsSchema,
    reason: z.string().meta({ description: 'Why it was saved: a note of yours, or what was done' }),
    createdAt: time,
  })
  .meta({ id: 'Revision' });

/** Why an embed is purged. */
export const purge = z.strictObject({
  reason: label(500).meta({ description: 'Why, in your own words; it is kept' }),
});

/** What was found out about a link when it was collected. */
export const found = z
  .object({
    how: z.enum(['sheet', 'oembed', 'file', 'page']).meta({
      description:
        'By its provider’s sheet, by oEmbed that its page names, as a file, or as a page in a frame',
    }),
    link: z.string(),
    url: z.string().meta({ description: 'Where it led in the end' }),
    endpoint: z.string().nullable().meta({ description: 'The oEmbed answer that was asked for' }),
    title: z.string().nullable(),
    author: z.string().nullable(),
    provider: z.string().nullable(),
    thumbnail: z
      .object({ url: z.string(), width: z.number().nullable(), height: z.number().nullable() })
      .nullable(),
    width: z.number().nullable(),
    height: z.number().nullable(),
    length: z.number().nullable().meta({ description: 'Seconds' }),
    type: z.string().nullable().meta({ description: 'Of a file, by its first bytes' }),
    bytes: z.number().nullable(),
    ranges: z
      .boolean()
      .nullable()
      .meta({ description: 'Whether its host answers in ranges, so that people can jump in it' }),
    at: time,
  })
  .meta({ id: 'Found' });
export const linkAnswer = z
  .object({
    link: z.string(),
    asks: z
      .array(z.object({ host: z.string(), what: z.string() }))
      .meta({ description: 'Whom Orbis asks about it, and for what' }),
    code: z.string().nullable().meta({ description: 'The code that it would be collected as' }),
    found: found.nullable().meta({ description: 'Null where nobody was asked' }),
  })
  .meta({ id: 'LinkAnswer' });

export const linksCollected = z
  .object({
    taken: z.array(
      z.object({
        item: count.meta({ description: 'Which of the links, from 1' }),
        link: z.string(),
        name: z.string(),
        embed: key,
      }),
    ),
    refused: z.array(z.object({ item: count, link: z.string(), detail: z.string() })),
  })
  .meta({ id: 'LinksCollected' });

export const embedSummary = z
  .object({
    key,
    name: z.string(),
    kind: z.enum(kinds),
    provider: z.string().nullable(),
    providerName: z.string().nullable().meta({ description: 'What its provider is called' }),
    tags: z.array(z.string()),
    retired: z.boolean(),
    revision: z.number().int(),
    level: level.nullable().meta({ description: 'The worst level among the findings' }),
    placements: count,
    picture: z
      .string()
      .nullable()
      .meta({ description: 'Where a small picture of it is; null where none was taken' }),
    pictured: z.number().int().nullable().meta({ description: 'The revision of which that was taken' }),
    createdAt: time,
    changedAt: time,
  })
  .meta({ id: 'EmbedSummary' });

export const embed = embedSummary
  .extend({
    notes: z.string(),
    source: z.number().int(),
    pasted: z.string(),
    base: z.string(),
    reading,
    found: found
      .nullable()
      .meta({ description: 'What was found out about the link, where it was collected by one' }),
    direct: z
      .string()
      .nullable()
      .meta({ description: 'Where people can see the item itself, at its provider' }),
    kept: z
      .array(
        z.object({
          what: z.enum(keptThings),
          address: z.string(),
          isInstant: z
            .boolean()
            .meta({ description: 'Whether what is changed there shows without a new paste' }),
        }),
      )
      .meta({
        description:
          'Where its provider keeps what belongs to it: how it is set, what visitors chose or sent, how often it was seen',
      }),
    same: key
      .nullable()
      .meta({ description: 'The first other embed that holds the very same code; null where none does' }),
    inCode: optionsSchema.meta({
      description: 'What the code itself says of the options, with nothing asked',
    }),
    current: revision,
    purged: z
      .object({ at: time, by: z.string(), reason: z.string() })
      .nullable()
      .meta({ description: 'When its code and its texts were taken out for good, by whom, and why' }),
  })
  .meta({ id: 'Embed' });

export const sheetOrigins = ['built-in', 'own', 'override'] as const;
export const providerId = z
  .string()
  .regex(/^[a-z0-9]+(?:-[a-z0-9]+)*$/, shouldBe('lower-case letters, digits and hyphens'))
  .max(60);
export const provider = z
  .object({
    id: providerId,
    from: z
      .enum(sheetOrigins)
      .meta({ description: 'Built in, your own, or your own in the place of a built-in one' }),
    embeds: count.meta({
      description: `How many embeds are read with it; the list counts no more than ${mostCounted}`,
    }),
    changedAt: time.nullable().meta({ description: 'When your own was last saved' }),
    sheet: sheetSchema,
  })
  .meta({ id: 'Provider' });
const sheetDifference = z
  .object({
    embed: key,
    name: z.string(),
    placements: count,
    before: z.string(),
    after: z.string(),
    provider: z.object({ before: z.string().nullable(), after: z.string().nullable() }),
    problems: z
      .array(z.object({ option: z.string(), detail: z.string() }))
      .meta({ description: 'Options that could no longer be fulfilled: they would be left out' }),
  })
  .meta({ id: 'SheetDifference' });
export const sheetComparison = z
  .object({
    id: providerId,
    exists: z.boolean(),
    from: z.enum(sheetOrigins).meta({ description: 'What the sheet would be afterwards' }).nullable(),
    embeds: count.meta({ description: 'Embeds that were held against it' }),
    differs: z.array(sheetDifference),
  })
  .meta({ id: 'SheetComparison' });
export const importAnswer = z
  .object({
    taken: z.array(
      z.object({
        item: count,
        name: z.string(),
        embed: key.nullable().meta({ description: 'Null in a dry run' }),
      }),
    ),
    doubled: z
      .array(
        z.object({
          item: count,
          name: z.string(),
          embed: key.nullable().meta({ description: 'The embed that has the same code' }),
          sameAs: count.nullable().meta({ description: 'An earlier one among these' }),
        }),
      )
      .meta({ description: 'Taken as well: the same content under another name' }),
    refused: z.array(z.object({ item: count, name: z.string(), detail: z.string() })),
  })
  .meta({ id: 'ImportAnswer', description: 'Items are counted from 1' });
export const preset = z
  .object({
    key,
    meaning: z.string(),
    options: optionsSchema,
    own: z.boolean().meta({ description: 'False for those that come with Orbis' }),
  })
  .meta({ id: 'Preset' });
export const composition = z
  .object({
    base: z.string(),
    edits: z.array(edit),
    snippets: z.array(snippet),
    text: z.string(),
    implied: z
      .array(z.object({ option: z.string(), by: z.string(), value: z.string(), reason: z.string() }))
      .meta({ description: 'Options that came with others' }),
    losses: z
      .array(z.object({ option: z.string(), to: z.string() }))
      .meta({ description: 'Options that gave way to stronger ones' }),
    uncarried: z
      .array(z.object({ option: z.string(), code: z.string(), detail: z.string() }))
      .meta({ description: 'Options that this form of the code cannot carry' }),
    editor: z
      .array(z.object({ level, message: z.string(), remedy: z.string() }))
      .meta({ description: 'What the editor of the site where it is placed means for it' }),
    effective: optionsSchema.meta({ description: 'The values that hold' }),
    levels: z
      .record(z.string(), z.enum(levels))
      .meta({ description: 'Where the value of each option comes from' }),
    overridden: z
      .array(z.object({ option: z.string(), level: z.enum(levels), value: z.string() }))
      .meta({ description: 'Values that a nearer level overrides' }),
    passedOver: z
      .array(z.object({ option: z.string(), code: z.string(), detail: z.string() }))
      .meta({ description: 'Values for many embeds that this one cannot have' }),
    problems: z.array(z.object({ option: z.string(), code: z.string(), detail: z.string() })),
    frame: z
      .object({
        way: z.enum(frameWays),
        recommended: z.enum(frameWays),
        reasons: z.array(z.string()).meta({ description: 'What speaks for the recommended way' }),
        refused: z
          .array(z.object({ way: z.enum(frameWays), detail: z.string() }))
          .meta({ description: 'The ways that this code cannot have, and why' }),
        powers: z
          .array(z.object({ option: z.string(), allowed: z.boolean(), reason: z.string().nullable() }))
          .meta({
            description:
              'What its frame lets it do, by the options that say otherwise; where it stands in the page, what a served frame would',
          }),
        contacts: z
          .object({
            fixed: z.boolean().meta({ description: 'Whether any other host is blocked' }),
            hosts: z.array(z.string()),
            leftOut: z
              .array(z.string())
              .meta({ description: 'Hosts that the code names, and that are blocked' }),
          })
          .meta({ description: 'Whom it contacts: as contacts=… fixes it, else as the code tells' }),
        document: z
          .string()
          .nullable()
          .meta({ description: 'What stands in the file, where it is put into a file of yours' }),
      })
      .meta({ description: 'How it stands on its page: in the page itself, or in a frame of ours' }),
  })
  .meta({ id: 'Composition' });
export const groupOutcome = z
  .object({
    change: change
      .nullable()
      .meta({ description: 'Null where nothing was done: a dry run, or nothing differs' }),
    found: count,
    changed: z
      .array(
        z.object({
          embed: key,
          name: z.string(),
          placements: count,
          before: z.string().optional(),
          after: z.string().optional(),
          edits: z.array(edit).optional(),
        }),
      )
      .meta({
        description:
          'Each embed that is or would be changed; in a dry run with its code before and after and every edit',
      }),
    same: count.meta({ description: 'Embeds that ask for it already' }),
    impossible: z.array(
      z.object({
        embed: key,
        name: z.string(),
        problems: z.array(z.object({ option: z.string(), detail: z.string() })),
      }),
    ),
  })
  .meta({ id: 'GroupOutcome' });

export const comparison = z
  .object({
    from: revision,
    to: revision,
    options: z
      .array(z.object({ option: z.string(), from: z.string().nullable(), to: z.string().nullable() }))
      .meta({ description: 'Options that differ, as people type them; null where not asked for' }),
    sourceDiffers: z.boolean(),
    runs: z
      .array(z.object({ kind: z.enum(['same', 'gone', 'new']), text: z.string() }))
      .meta({ description: 'The two codes as they go out, word by word' }),
  })
  .meta({ id: 'Comparison' });
export const health = z
  .object({
    status: z.literal('ok'),
    version: z.string(),
    lastCopyAt: time.nullable().optional().meta({
      description: 'Of which moment the last safety copy is that was read back; with readiness only',
    }),
  })
  .meta({ id: 'Health' });

export const lists = {
  embeds: pageOf(embedSummary).meta({ id: 'EmbedPage' }),
  revisions: pageOf(revision).meta({ id: 'RevisionPage' }),
  sites: pageOf(site).meta({ id: 'SitePage' }),
  pages: pageOf(page).meta({ id: 'PagePage' }),
  placements: pageOf(placement)
    .extend({
      waiting: count.meta({
        description: `Of how many placements of the register it is still being worked out whether they are out of date; no more than ${mostWaiting} are counted`,
      }),
    })
    .meta({ id: 'PlacementPage' }),
  deliveries: pageOf(delivery).meta({ id: 'DeliveryPage' }),
  findings: pageOf(keptFinding).meta({ id: 'KeptFindingPageList' }),
  news: pageOf(newsItem).meta({ id: 'NewsPage' }),
  channels: pageOf(channel).meta({ id: 'ChannelPage' }),
  messages: pageOf(message).meta({ id: 'MessagePage' }),
  sweeps: pageOf(sweep).meta({ id: 'SweepPageList' }),
  sweepPages: pageOf(sweepPage).meta({ id: 'SweptPages' }),
  pageNews: pageOf(pageNews).meta({ id: 'PageNewsPage' }),
  presets: pageOf(preset).meta({ id: 'PresetPage' }),
  sharedSpots: pageOf(sharedSpot).meta({ id: 'SharedSpotPage' }),
  savedSearches: pageOf(savedSearch).meta({ id: 'SavedSearchPage' }),
  changeLists: pageOf(changeList).meta({ id: 'ChangeListPageList' }),
  changeListPages: pageOf(changeListPage).meta({ id: 'ListedPages' }),
  changes: pageOf(change).meta({ id: 'ChangePage' }),
  providers: pageOf(provider).meta({ id: 'ProviderPage' }),
  tokens: pageOf(token).meta({ id: 'TokenPage' }),
  sessions: pageOf(openSession).meta({ id: 'OpenSessionPage' }),
  harvests: pageOf(harvestSummary).meta({ id: 'HarvestPage' }),
};

export const embedName = label(120);
export const tags = z.array(tag).max(20);

export type LinksCollected = z.infer<typeof linksCollected>;
export type Embed = z.infer<typeof embed>;
export type EmbedSummary = z.infer<typeof embedSummary>;
export type Revision = z.infer<typeof revision>;
export type Composition = z.infer<typeof composition>;
export type Found = z.infer<typeof found>;
export type LinkAnswer = z.infer<typeof linkAnswer>;
export type ImportAnswer = z.infer<typeof importAnswer>;
export type Preset = z.infer<typeof preset>;
export type GroupOutcome = z.infer<typeof groupOutcome>;
export type Provider = z.infer<typeof provider>;
export type SheetComparison = z.infer<typeof sheetComparison>;
export type Comparison = z.infer<typeof comparison>;

export * from './account.ts';
export * from './harvest.ts';
export * from './preview.ts';
export * from './browsing.ts';
export * from './contacts.ts';
export * from './hits.ts';
export * from './rules.ts';
