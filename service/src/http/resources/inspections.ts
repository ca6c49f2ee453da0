import type { Deps } from '../../deps.ts';
import { serializeLoss } from '../../serializers/inspections.ts';
import { listInspections, listLosses } from '../../store/inspections.ts';
import { keyset } from '../../store/pages.ts';
import {
  beginInspection,
  inspectionById,
  stopInspection,
  tellInspections,
  watchInspection,
} from '../../usecases/inspections.ts';
import { siteByKey } from '../../usecases/places.ts';
import type { Handlers, Named } from '../reply.ts';

/** Whole sites held against how they were. */
export function inspectionHandlers(deps: Deps): Handlers<Named<'inspections'>> {
  const { db } = deps.connection;
  const tell = async (id: string) => (await tellInspections(db, [await inspectionById(db, id)]))[0]!;
  return {
    'inspections.create': async ({ body, actor }) => {
      const id = await beginInspection(db, body, actor);
      deps.runner.nudge();
      return { status: 202, data: await tell(id) };
    },
    'inspections.list': async ({ params, query }) => {
      const { id } = await siteByKey(db, params.site);
      const rows = await listInspections(db, id, query.limit, query.after);
      const page = keyset(rows, query.limit, (row) => row);
      return { data: { items: await tellInspections(db, page.items), next: page.next } };
    },
    'inspections.read': async ({ params }) => ({ data: await tell(params.inspection) }),
    'inspections.events': async ({ params, signal }) => {
      await inspectionById(db, params.inspection);
      return { events: watchInspection(db, params.inspection, signal) };
    },
    'inspections.losses': async ({ params, query }) => {
      const { inspection } = await inspectionById(db, params.inspection);
      const rows = await listLosses(db, inspection.id, query.limit, query.after);
      return { data: keyset(rows, query.limit, serializeLoss) };
    },
    'inspections.stop': async ({ params, actor }) => {
      await stopInspection(db, params.inspection, actor);
      return { data: await tell(params.inspection) };
    },
  };
}
