import { z } from '../zod.ts';
import { inquiry, measurement, picture, still, weighing } from '../browsing.ts';
import { key } from '../common.ts';
import { optionErrors } from '../options/index.ts';
import { view } from '../preview.ts';
import { embedSummary } from '../resources.ts';
import { subject } from './embeds.ts';
import { paths } from './paths.ts';
import { mostWithCode, route } from './route.ts';

const width = z.number().int().min(160).max(2560);
const errors = [
  'not-found',
  'browser-missing',
  'browser-failed',
  'browser-too-slow',
  'browser-busy',
  ...optionErrors,
] as const;
const usual = {
  tag: 'Looking',
  readOnly: true,
  most: mostWithCode,
  statuses: [200],
} as const;

const params = z.object({ embed: key });

/** What is done with a browser, where one is installed: pictures, heights, weights. */
export const browsingRoutes = {
  'inquiries.create': route({
    ...paths['inquiries.create'],
    summary:
      'Ask whether the frames, scripts and style sheets of a code are there, and let themselves be shown',
    tag: usual.tag,
    readOnly: true,
    most: mostWithCode,
    statuses: [200],
    body: z.strictObject(subject),
    answer: inquiry,
    errors: ['not-found', ...optionErrors],
  }),
  'pictures.create': route({
    ...paths['pictures.create'],
    ...usual,
    summary: 'Photograph a preview at a width, as high as it is',
    body: z.strictObject({ ...subject, ...view, width: width.default(1280) }),
    answer: picture,
    errors: [...errors, 'nothing-to-photograph', 'page-unreadable', 'place-not-on-page', 'nothing-to-sweep'],
  }),
  'embeds.picture': route({
    ...paths['embeds.picture'],
    summary: 'A small picture of what an embed shows, for lists',
    tag: usual.tag,
    params,
    file: 'image/webp',
    etag: true,
    statuses: [200],
    errors: ['not-found'],
  }),
  'embeds.photograph': route({
    ...paths['embeds.photograph'],
    summary: 'Take that picture anew: what it shows, or what its provider named',
    tag: usual.tag,
    params,
    body: z.strictObject({
      of: z.enum(['embed', 'provider']).optional().meta({
        description: 'Without it: what its provider named, where it named one',
      }),
    }),
    answer: embedSummary,
    statuses: [200],
    errors: [...errors, 'nothing-to-photograph', 'no-picture-named'],
  }),
  'stills.create': route({
    ...paths['stills.create'],
    ...usual,
    summary: 'Take a still picture of what an embed shows, for its place until it loads; nothing is kept',
    body: z.strictObject({
      ...subject,
      at: z.number().min(0).lt(360_000).optional().meta({ description: 'The second of a film' }),
      of: z.enum(['embed', 'provider']).default('embed').meta({
        description:
          'What the embed shows, or the picture that its provider named when its link was collected',
      }),
      width: width.optional().meta({
        description:
          'How wide it stands on the page, in px; the picture has twice as many. Without it: as its options or its code say, else 640',
      }),
    }),
    answer: still,
    errors: [...errors, 'nothing-to-photograph', 'no-picture-named'],
  }),
  'measurements.create': route({
    ...paths['measurements.create'],
    ...usual,
    summary: 'Measure how high an embed is at several widths; nothing is kept',
    body: z.strictObject({
      ...subject,
      on: view.on,
      widths: z.array(width).min(1).max(10).default([320, 480, 640, 800, 1280]),
    }),
    answer: measurement,
    errors: [...errors, 'page-unreadable', 'place-not-on-page', 'nothing-to-sweep'],
  }),
  'weighings.create': route({
    ...paths['weighings.create'],
    ...usual,
    // What an embed weighs as it is kept is kept with it.
    readOnly: false,
    summary:
      'Count what a visitor’s browser does for an embed, before and after a click, and for the code as it was pasted; of an embed as it is kept that is kept, and held against what a page may weigh',
    body: z.strictObject(subject),
    answer: weighing,
    errors: [...errors],
  }),
};
