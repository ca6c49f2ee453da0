import type { PageNews } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import type { Deps } from '../../deps.ts';
import { groupBy } from '../../store/group.ts';
import { listJobs } from '../../store/jobs.ts';
import { keyset } from '../../store/pages.ts';
import { listNewsOf, listSweepPages, sightingsOf, type PageOfSweep } from '../../store/sweeps.ts';
import { serializePageNews, serializeSweepPage } from '../../serializers/sweeps.ts';
import {
  beginSweep,
  holdSweep,
  stopSweep,
  sweepById,
  tellSweeps,
  watchSweep,
} from '../../usecases/sweeps.ts';
import { pageByKey } from '../../usecases/places.ts';
import type { Handlers, Named } from '../reply.ts';

/** Sweeps: beginning, watching and stopping them, and what they saw. */
export function sweepHandlers(deps: Deps): Handlers<Named<'sweeps'>> {
  const { db } = deps.connection;
  const tell = async (id: string) => (await tellSweeps(db, [await sweepById(db, id)]))[0]!;
  return {
    'sweeps.create': async ({ body, actor }) => {
      const id = await beginSweep(db, body, actor);
      deps.runner.nudge();
      return { status: 202, data: await tell(id) };
    },
    'sweeps.list': async ({ query }) => {
      const rows = await listJobs(db, 'sweep', query.limit, query.after);
      const page = keyset(rows, query.limit, (row) => row);
      return { data: { items: await tellSweeps(db, page.items), next: page.next } };
    },
    'sweeps.read': async ({ params }) => ({ data: await tell(params.sweep) }),
    'sweeps.pages': async ({ params, query }) => {
      const job = await sweepById(db, params.sweep);
      const rows = await listSweepPages(db, job.id, query.limit, query.after);
      const page = keyset(rows, query.limit, (row) => row);
      // What was as it had been before was written down then.
      const told = (row: PageOfSweep): number => row.sweepPage.sameAs ?? row.id;
      const seen = groupBy(await sightingsOf(db, page.items.map(told)), (row) => row.sighting.sweepPageId);
      const items = page.items.map((row) => serializeSweepPage(row, seen.get(told(row)) ?? []));
      return { data: { items, next: page.next } };
    },
    'sweeps.onPage': async ({ params, query }) => {
      const { page } = await pageByKey(db, params.page);
      return { data: await newsOf(db, page.id, query) };
    },
    'sweeps.events': async ({ params, signal }) => {
      await sweepById(db, params.sweep);
      return { events: watchSweep(db, params.sweep, signal) };
    },
    'sweeps.stop': async ({ params, actor }) => {
      await stopSweep(db, params.sweep, actor);
      return { data: await tell(params.sweep) };
    },
    'sweeps.pause': async ({ params }) => {
      await holdSweep(db, params.sweep, true);
      return { data: await tell(params.sweep) };
    },
    'sweeps.resume': async ({ params }) => {
      await holdSweep(db, params.sweep, false);
      deps.runner.nudge();
      return { data: await tell(params.sweep) };
    },
  };
}

/* What sweeps saw on a page, where it was something new. */
async function newsOf(
  db: Handle,
  pageId: number,
  { limit, after }: { limit: number; after?: string | undefined },
): Promise<{ items: PageNews[]; next: string | null }> {
  const rows = await listNewsOf(db, pageId, limit, after);
  const ids = rows.map(({ id }) => id);
  const seen = groupBy(await sightingsOf(db, ids), (row) => row.sighting.sweepPageId);
  const at = new Map(rows.map(({ id }, i) => [id, i]));
  return keyset(rows, limit, (row) => {
    const earlier = rows[at.get(row.id)! + 1];
    const before = { seen: seen.get(earlier?.id ?? 0) ?? [], findings: earlier?.findings ?? [] };
    return serializePageNews(row, seen.get(row.id) ?? [], before);
  });
}
