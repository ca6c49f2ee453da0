import { isSelector } from '@orbis/core';
import { z } from './zod.ts';
import { picture } from './browsing.ts';
import { count, time } from './common.ts';
import { pagePath, sharedSpotKey, spotKey, spotName } from './place.ts';

const px = z.number().int().min(1).max(9999);

export const widths = z.strictObject({ phone: px, tablet: px, desktop: px }).meta({
  id: 'Widths',
  description: 'How wide the spot is on each, in px',
  example: { phone: 358, tablet: 704, desktop: 760 },
});

/** How high a spot is where it has a size that does not give way, as a place for an advertisement has. */
export const heights = z
  .strictObject({ phone: px.optional(), tablet: px.optional(), desktop: px.optional() })
  .meta({
    id: 'Heights',
    description: 'How high the spot is at most on each, in px; as high as it must be where nothing is said',
    example: { phone: 50, desktop: 90 },
  });

/** Where a spot is on its page. */
export const spotSelector = z
  .string()
  .trim()
  .min(1)
  .max(300)
  .refine(isSelector, { error: 'is not a CSS selector: write one such as main, #content or .side-column' })
  .meta({
    description: 'The element that the spot is in, as a CSS selector (Selectors Level 4)',
    example: 'main > .column',
  });

const usualWidths = { phone: 358, tablet: 704, desktop: 760 };

/** What a spot is, but for its name. */
export const spotValues = z.strictObject({
  widths: widths.default(usualWidths),
  heights: heights.default({}),
  selector: spotSelector.nullable().default(null),
});

export const spot = z
  .object({
    key: spotKey,
    name: spotName,
    widths,
    heights,
    selector: spotSelector.nullable().meta({
      description: 'The element that it is in, as a CSS selector; null where nobody said it',
    }),
    shared: z.boolean().meta({
      description: 'Whether that is said for all pages of its site that have it, and not for this one',
    }),
    placements: count,
  })
  .meta({ id: 'Spot' });

/** So many spots that many pages have are there for a site at most. */
export const mostSharedSpots = 50;

/** How the paths of the pages begin that have a spot. */
export const sharedUnder = pagePath.meta({
  description: 'How the paths of the pages begin that have it; empty for every page of the site',
  example: 'talks/',
});

/** A spot that many pages of a site have, said once for all of them. */
export const sharedSpot = z
  .object({
    key: sharedSpotKey,
    name: spotName,
    under: sharedUnder,
    widths,
    heights,
    selector: spotSelector.nullable().meta({
      description: 'The element that it is in on each page, as a CSS selector; null where nobody said it',
    }),
  })
  .meta({ id: 'SharedSpot' });

const side = z.number().int().min(0);
const measured = px.nullable();

/** An element of a published page, and how much room is in it. */
export const pageArea = z
  .object({
    selector: spotSelector,
    words: z.string().max(120).meta({ description: 'How the text in it begins; empty where it has none' }),
    box: z
      .object({ left: side, top: side, width: side, height: side })
      .meta({ description: 'Where it is in the picture, in px' }),
    widths: z.object({ phone: measured, tablet: measured, desktop: measured }).meta({
      description: 'How wide what stands in it can be on each, in px; null where it does not show',
    }),
  })
  .meta({ id: 'PageArea' });

/** A published page as a browser shows it: its picture, and the elements that spots can be in. */
export const pageSurvey = z
  .object({
    at: time,
    url: z.string(),
    picture: picture.meta({ description: 'As it is on a desktop' }),
    areas: z.array(pageArea).meta({ description: 'In the order of the page' }),
    spots: z
      .array(z.object({ key: spotKey, area: pageArea.nullable() }))
      .meta({ description: 'The spots that say where they are; null where there is no such element' }),
  })
  .meta({ id: 'PageSurvey' });

export type Spot = z.infer<typeof spot>;
export type SharedSpot = z.infer<typeof sharedSpot>;
export type Widths = z.infer<typeof widths>;
export type Heights = z.infer<typeof heights>;
export type SpotValues = z.infer<typeof spotValues>;
export type PageArea = z.infer<typeof pageArea>;
export type PageSurvey = z.infer<typeof pageSurvey>;
