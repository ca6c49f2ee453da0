import { auditChecked, auditPage, auditQuery, chainHead } from '../audit.ts';
import { z } from '../zod.ts';
import { paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Audit';

/** Who did what, from where: written down for good, each entry holding the hash of the one before. */
export const auditRoutes = {
  'audit.list': route({
    ...paths['audit.list'],
    summary: 'Who did what or was refused, the newest first',
    tag,
    query: auditQuery,
    answer: auditPage,
    statuses: [200],
    errors: [],
  }),
  'audit.export': route({
    ...paths['audit.export'],
    summary: 'The whole log, the oldest first, as a JSON text in each line',
    tag,
    stream: 'application/x-ndjson',
    statuses: [200],
    errors: [],
  }),
  'audit.check': route({
    ...paths['audit.check'],
    summary: 'Hold the log against its own chain, and against a place of it that was noted before',
    tag,
    readOnly: true,
    body: z.strictObject({
      head: chainHead
        .optional()
        .meta({ description: 'The newest place of the chain as it was told earlier' }),
    }),
    answer: auditChecked,
    statuses: [200],
    errors: [],
  }),
};
