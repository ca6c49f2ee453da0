import { listQuery, publicId } from '../common.ts';
import { inspection, inspections, losses, newInspection } from '../inspections.ts';
import { siteKey } from '../place.ts';
import { z } from '../zod.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Looking';
const params = z.object({ inspection: publicId });

/** Whole sites, read and looked at, and held against how they were. */
export const inspectionRoutes = {
  'inspections.create': route({
    ...paths['inspections.create'],
    summary:
      'Check everything of a site, as when its editor or theme was renewed: its pages are read, some are looked at with a browser, and what works no longer is told',
    tag,
    body: newInspection,
    answer: inspection,
    statuses: [202],
    location: ({ id }) => pathOf('inspections.read', { inspection: id }),
    errors: ['not-found', 'nothing-to-sweep', 'inspection-running'],
  }),
  'inspections.list': route({
    ...paths['inspections.list'],
    summary: 'When everything of a site was checked, the newest first',
    tag,
    params: z.object({ site: siteKey }),
    query: listQuery,
    answer: inspections,
    statuses: [200],
    errors: ['not-found'],
  }),
  'inspections.read': route({
    ...paths['inspections.read'],
    summary: 'How far it is, and how it ended',
    tag,
    params,
    answer: inspection,
    statuses: [200],
    errors: ['not-found'],
  }),
  'inspections.events': route({
    ...paths['inspections.events'],
    summary: 'Watch how far it is (Server-Sent Events); ends when it ends',
    tag,
    params,
    answer: inspection,
    statuses: [200],
    events: true,
    errors: ['not-found'],
  }),
  'inspections.losses': route({
    ...paths['inspections.losses'],
    summary: 'What works no longer',
    tag,
    params,
    query: listQuery,
    answer: losses,
    statuses: [200],
    errors: ['not-found'],
  }),
  'inspections.stop': route({
    ...paths['inspections.stop'],
    summary: 'Stop it; what was found until then stays',
    tag,
    params,
    answer: inspection,
    statuses: [200],
    errors: ['not-found', 'inspection-ended'],
  }),
};
