import { blockStands, mostStyle, pastedLanguages, wrongInStyle, type PastedLanguage } from '@orbis/core';
import { mostReached, mostStanding } from './counting.ts';
import { count, factRecord, hexColour, key, publicId, time } from './common.ts';
import { editorRules } from './editor-rules.ts';
import { snippet } from './edits.ts';
import { spoken, type PlacementState } from './language/index.ts';
import { kindDefaults, optionsSchema } from './options/schema.ts';
import { pageKey, pagePath, siteKey, spotKey, spotName } from './place.ts';
import { level } from './reading.ts';
import { spot } from './spot.ts';
import { schedule } from './schedule.ts';
import { z } from './zod.ts';

/** Every state that a placement can be in. */
export const placementStates = Object.keys(spoken.states) as [PlacementState, ...PlacementState[]];

/** States in which a placement wants something done, the worst first. */
export const wantingStates = [
  'missing',
  'altered',
  'out-of-date',
  'unreachable',
  'planned',
] as const satisfies PlacementState[];

const state = z.enum(placementStates);

/** So many blocks are there for a site at most. */
export const mostBlocks = 50;

const blockUnder = pagePath.nullable().meta({
  description:
    'How the paths of the pages begin that show it; empty for every page of the site, null for those on which a sweep sees it',
  example: 'talks/',
});
const blockStand = z
  .enum(blockStands)
  .meta({ description: 'Before the own content of these pages, or after it' });

/** Where a block stands, which is pasted once and shown by many pages. */
export const blockPlacing = z
  .strictObject({ under: blockUnder.default(''), stands: blockStand.default('after') })
  .meta({ id: 'BlockPlacing', example: { under: '', stands: 'after' } });

/** What of that is said anew. */
export const blockChange = z.strictObject({
  under: blockUnder.optional(),
  stands: blockStand.optional(),
});

export const page = z
  .object({
    key: pageKey,
    path: z.string(),
    title: z.string(),
    url: z.string(),
    spots: z.array(spot),
    block: blockPlacing.nullable().meta({
      description: 'Of a block, which pages show it; null for a page. Its address is where to see it',
    }),
    checkedAt: time.nullable(),
  })
  .meta({ id: 'Page' });
/** The language of a site’s pages, among those that visitors are spoken to in. */
export const siteLanguage = z.enum(pastedLanguages as [PastedLanguage, ...PastedLanguage[]]).meta({
  description: 'The language of its pages (BCP 47), for words that visitors read',
});

/** Where a site is to be seen beside its address. */
export const furtherAddresses = z
  .array(z.string().max(500))
  .max(10)
  .meta({
    description:
      'Where it is to be seen as well: with and without www, a preview. Its frames are shown there too',
    example: ['https://www.hollinfell.example'],
  });

/** The colours of a site, of which its embeds can have some. */
export const siteColours = z
  .array(hexColour)
  .max(10)
  .meta({ description: 'Its colours, as #rrggbb: they are offered where an embed can have one' });

/** A site’s style for what is in its frames. */
export const frameStyle = z
  .string()
  .max(mostStyle)
  .refine((style) => wrongInStyle(style) === null, {
    error: ({ input }) => `a style without “${wrongInStyle(String(input))}”`,
  })
  .meta({ description: 'Its style for what is in frames of their own (CSS); empty for none' });

/** The colours that stand most often in the styles of a site’s pages. */
export const coloursFound = z
  .object({
    colours: z.array(
      z.object({
        colour: z.string(),
        uses: count.meta({ description: 'How often it stands there' }),
        where: z.array(z.string()).meta({ description: 'Where it stands, in words' }),
      }),
    ),
    font: z.string().nullable().meta({ description: 'The font of the whole page, as font-family names it' }),
    page: z.string().meta({ description: 'The page that was read' }),
    sheets: count.meta({ description: 'How many style sheets were read beside what stands in the page' }),
    unread: z
      .array(z.object({ sheet: z.string(), why: z.string() }))
      .meta({ description: 'Style sheets that could not be read' }),
  })
  .meta({ id: 'ColoursFound' });

export type ColoursFound = z.infer<typeof coloursFound>;

export const site = z
  .object({
    key: siteKey,
    name: z.string(),
    address: z.string(),
    defaults: kindDefaults.meta({ description: 'What is asked of every embed on it, by what kind it is of' }),
    head: z.boolean().meta({ description: 'Whether it has a way into the heads of its pages' }),
    language: siteLanguage,
    furtherAddresses,
    colours: siteColours,
    frameStyle,
    editor: editorRules.meta({ description: 'What its editor lets through, and how one works with it' }),
    schedule: schedule
      .nullable()
      .meta({ description: 'When its pages are read by themselves; null for never' }),
    nextSweepAt: time.nullable(),
    rendered: z.boolean().meta({
      description: 'Whether a page on which something is not seen is read with a browser as well',
    }),
    pages: count,
    createdAt: time,
  })
  .meta({ id: 'Site' });

/** What goes along with a page or a site when it goes. */
export const standing = z
  .object({
    pages: count,
    placements: count.meta({ description: `At most ${mostStanding}: then there may be more` }),
    seen: count.meta({ description: 'How many of these were last seen on their pages' }),
  })
  .meta({ id: 'Standing' });
export type Standing = z.infer<typeof standing>;

/** On how many places, pages and sites a change shows. */
export const reach = z
  .object({
    placements: count.meta({ description: `At most ${mostReached}: then there may be more` }),
    pages: count,
    sites: count,
  })
  .meta({ id: 'Reach' });
export type Reach = z.infer<typeof reach>;

export const placementFinding = z
  .object({
    rule: z.string(),
    level,
    facts: factRecord,
    message: z.string(),
    remedy: z.string(),
  })
  .meta({ id: 'PlacementFinding' });
/** What a sweep found, with what exactly is otherwise. */
export const seenFinding = placementFinding
  .extend({
    details: z.array(z.string()).meta({ description: 'What exactly is otherwise, piece by piece' }),
  })
  .meta({ id: 'SeenFinding' });
export const placement = z
  .object({
    id: publicId,
    served: z
      .boolean()
      .meta({ description: 'Whether the page showed it by that link when it was last seen' }),
    embed: key,
    embedName: z.string(),
    options: optionsSchema.meta({ description: 'What is asked of it at this place only' }),
    note: z.string().meta({ description: 'What is to be remembered about it here' }),
    pausedAt: time.nullable().meta({ description: 'Since when nothing of it is to stand there' }),
    place: spotKey,
    site: siteKey,
    page: pageKey,
    spot: spotName,
    url: z.string(),
    state,
    stateSince: time
      .nullable()
      .meta({ description: 'Since when it is in that state; null where that is not known' }),
    revision: z.number().int().meta({ description: 'The embed’s newest revision' }),
    carries: z
      .object({ delivery: z.number().int(), revision: z.number().int().nullable() })
      .nullable()
      .meta({ description: 'What the page carried when it was last seen' }),
    issued: z.object({ delivery: z.number().int(), revision: z.number().int(), at: time }).nullable(),
    lastSeenAt: time.nullable(),
    checkedAt: time.nullable(),
    findings: z.array(seenFinding),
    createdAt: time,
  })
  .meta({ id: 'Placement' });
export const placementMade = placement
  .extend({ beside: z.array(key).meta({ description: 'The other embeds in the same spot' }) })
  .meta({ id: 'PlacementMade' });

/** The link to a placement's document, for site editors that take a link only (oEmbed 1.0). */
export const placementLink = z
  .object({
    link: z
      .string()
      .meta({ description: 'Where its document is served; what is changed later shows there by itself' }),
  })
  .meta({ id: 'PlacementLink' });
export const delivery = z
  .object({
    placement: publicId,
    number: z.number().int(),
    revision: z.number().int(),
    options: optionsSchema,
    snippets: z.array(snippet),
    text: z.string(),
    digest: z.string(),
    issuedAt: time,
  })
  .meta({ id: 'Delivery' });

export const sweepStates = ['waiting', 'running', 'paused', 'done', 'stopped', 'failed'] as const;
export const sweep = z
  .object({
    id: publicId,
    state: z.enum(sweepStates),
    scope: z.string().nullable().meta({ description: 'A site or page key; null for everything' }),
    at: z.string().nullable().meta({
      description:
        'The further address of the site at which it read; what is seen there says nothing of what is published. Null where it read the published pages',
    }),
    pages: count,
    read: count,
    unreachable: count,
    counts: z
      .partialRecord(state, count)
      .meta({ description: 'Placements on the pages that were read, by state' }),
    waitsFor: z
      .array(z.object({ host: z.string(), until: time }))
      .meta({ description: 'Hosts that said that they are too busy, and when they are asked again' }),
    createdAt: time,
    startedAt: time.nullable(),
    endedAt: time.nullable(),
  })
  .meta({ id: 'Sweep' });
export const sweepPage = z
  .object({
    page: pageKey,
    url: z.string(),
    state: z.enum(['waiting', 'read', 'unreachable']),
    status: z.number().int().nullable(),
    why: z.string().nullable(),
    readAt: time.nullable(),
    findings: z.array(seenFinding).meta({ description: 'What was found on the page as a whole' }),
    seen: z.array(
      z.object({
        placement: publicId,
        embed: key,
        spot: z.string().meta({
          description:
            'The name of the spot that it was placed in; with the block where it is in one: {footer}#main',
        }),
        state,
        findings: z.array(seenFinding),
      }),
    ),
  })
  .meta({ id: 'SweepPage' });

/** Something new that a sweep saw on a page. */
export const pageNews = z
  .object({
    sweep: publicId,
    at: time,
    state: z.enum(['read', 'unreachable']),
    why: z.string().nullable().meta({ description: 'Why the page could not be read' }),
    seen: z
      .array(
        z.object({
          placement: publicId,
          embed: key,
          spot: z.string(),
          was: state.nullable().meta({ description: 'What it was before; null where it was not there yet' }),
          state,
          findings: z.array(seenFinding),
        }),
      )
      .meta({ description: 'What was seen otherwise than before; nothing where the page was not read' }),
    findings: z
      .array(placementFinding)
      .meta({ description: 'What was found on the page as a whole that was not found there before' }),
    solved: z
      .array(placementFinding)
      .meta({ description: 'What had been found on the page as a whole, and is not there any more' }),
    gone: count.meta({ description: 'How many of what was seen before are not placed there any more' }),
  })
  .meta({ id: 'PageNews' });

export type PageNews = z.infer<typeof pageNews>;
export type Site = z.infer<typeof site>;
export type Page = z.infer<typeof page>;
export type BlockPlacing = z.infer<typeof blockPlacing>;
export type Placement = z.infer<typeof placement>;
export type PlacementMade = z.infer<typeof placementMade>;
export type PlacementFinding = z.infer<typeof placementFinding>;
export type SeenFinding = z.infer<typeof seenFinding>;
export type Delivery = z.infer<typeof delivery>;
export type Sweep = z.infer<typeof sweep>;
export type SweepPage = z.infer<typeof sweepPage>;
