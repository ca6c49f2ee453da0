import { listQuery, problem, publicId } from '../common.ts';
import { lookWidths } from '../look-widths.ts';
import { look, lookPicture, looks, pageWeights } from '../looks.ts';
import { pageKey, siteKey } from '../place.ts';
import { z } from '../zod.ts';
import { paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Looking';

const lookEvent = z
  .union([z.object({ width: z.literal(lookWidths) }), z.object({ done: look }), z.object({ problem })])
  .meta({ id: 'LookEvent', description: 'At which width the page is looked at now; at last what was seen' });
export type LookEvent = z.infer<typeof lookEvent>;

/** What browsers saw of published pages, kept with pictures. */
export const lookRoutes = {
  'looks.take': route({
    ...paths['looks.take'],
    summary:
      'Look at a published page with a browser, as a visitor does: pictures at three widths, and what became of what is placed there',
    tag,
    params: z.object({ page: pageKey }),
    body: z.strictObject({
      sendForms: z.boolean().default(false).meta({
        description: 'Fill in forms and send them, to a stand-in: nothing of that reaches anybody',
      }),
    }),
    answer: lookEvent,
    events: true,
    statuses: [200],
    errors: [
      'not-found',
      'nothing-to-sweep',
      'page-unreadable',
      'browser-missing',
      'browser-failed',
      'browser-too-slow',
      'browser-busy',
    ],
  }),
  'looks.list': route({
    ...paths['looks.list'],
    summary: 'What was seen of a page, the newest look first',
    tag,
    params: z.object({ page: pageKey }),
    query: listQuery,
    answer: looks,
    statuses: [200],
    errors: ['not-found'],
  }),
  'looks.heaviest': route({
    ...paths['looks.heaviest'],
    summary: 'The pages that load most from others, as they were last looked at, the heaviest first',
    tag,
    query: z.strictObject({
      site: siteKey.optional(),
      limit: z.coerce.number().int().min(1).max(200).default(12),
    }),
    answer: pageWeights,
    statuses: [200],
    errors: ['not-found'],
  }),
  'looks.read': route({
    ...paths['looks.read'],
    summary: 'One look at a page',
    tag,
    params: z.object({ look: publicId }),
    answer: look,
    statuses: [200],
    errors: ['not-found'],
  }),
  'looks.picture': route({
    ...paths['looks.picture'],
    summary: 'A picture of a look: by the width of its window, or of the pop-up',
    tag,
    params: z.object({ look: publicId, picture: lookPicture }),
    file: 'image/webp',
    etag: true,
    statuses: [200],
    errors: ['not-found'],
  }),
};
