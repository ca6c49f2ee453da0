import { setTimeout as wait } from 'node:timers/promises';
import { OrbisError, type Sweep, type SweepPage } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { groupBy } from '../../store/group.ts';
import { askToStop, findJob, listJobs, type JobRow } from '../../store/jobs.ts';
import { insertSweep, listSweepPages, runningSweep, sightingsOf } from '../../store/sweeps.ts';
import { keyset } from '../../store/pages.ts';
import { pagesToSweep } from '../../store/places.ts';
import { serializeFindings } from '../../usecases/placements.ts';
import { pageUrl } from '../../serializers/places.ts';
import { pageByKey, siteByKey } from '../../usecases/places.ts';
import type { Handlers, Named } from '../reply.ts';
import { isDuplicate } from '../../database/errors.ts';
import { inTransaction } from '../../database/transaction.ts';

/* How often a watched sweep is looked at; another process may be doing it, so only the database knows. */
const watchEvery = 250;

/** Sweeps: beginning, watching and stopping them, and what they saw. */
export function sweepHandlers(deps: Deps): Handlers<Named<'sweeps'>> {
  const { db } = deps.connection;
  const byId = async (id: string): Promise<JobRow> => {
    const job = await findJob(db, id);
    if (job?.kind !== 'sweep')
      throw new OrbisError('not-found', {
        what: 'sweep',
        key: id,
        remedy: '“orbis list sweeps” shows them.',
      });
    return job;
  };
  const tell = (job: JobRow): Sweep => ({
    id: job.publicId,
    state: job.state,
    scope: job.scope,
    pages: job.pages,
    read: job.pagesRead,
    unreachable: job.pagesUnreachable,
    counts: job.counts ?? {},
    createdAt: job.createdAt.toISOString(),
    startedAt: job.startedAt?.toISOString() ?? null,
    endedAt: job.endedAt?.toISOString() ?? null,
  });
  async function* watch(id: string, signal: AbortSignal): AsyncGenerator<Sweep> {
    for (let last = ''; !signal.aborted;) {
      const sweep = tell(await byId(id));
      const now = JSON.stringify(sweep);
      if (now !== last) yield sweep;
      last = now;
      if (sweep.endedAt !== null) return;
      await wait(watchEvery, undefined, { signal }).catch(() => {});
    }
  }
  return {
    'sweeps.create': async ({ body, actor }) => {
      const scope = body.page ?? body.site ?? null;
      const pageIds = await pagesToSweep(db, {
        ...(body.page === undefined ? {} : { pageId: (await pageByKey(db, body.page)).page.id }),
        ...(body.site === undefined ? {} : { siteId: (await siteByKey(db, body.site)).id }),
      });
      if (pageIds.length === 0) throw new OrbisError('nothing-to-sweep');
      const id = await inTransaction(db, (tx) => insertSweep(tx, scope, pageIds, actor)).catch(
        async (error: unknown) => {
          if (!isDuplicate(error)) throw error;
          const running = await runningSweep(db, scope);
          throw running ? new OrbisError('job-running', { sweep: running.publicId }) : error;
        },
      );
      deps.runner.nudge();
      return { status: 202, data: tell(await byId(id)) };
    },
    'sweeps.list': async ({ query }) => {
      return { data: keyset(await listJobs(db, 'sweep', query.limit, query.after), query.limit, tell) };
    },
    'sweeps.read': async ({ params }) => ({ data: tell(await byId(params.sweep)) }),
    'sweeps.pages': async ({ params, query }) => {
      const job = await byId(params.sweep);
      const page = keyset(
        await listSweepPages(db, job.id, query.limit, query.after),
        query.limit,
        (row) => row,
      );
      const seen = groupBy(
        await sightingsOf(
          db,
          page.items.map((row) => row.id),
        ),
        (row) => row.sighting.sweepPageId,
      );
      const items = page.items.map((row): SweepPage => ({
        page: `${row.site.key}/${row.page.path}`,
        url: pageUrl(row.site, row.page),
        state: row.sweepPage.state,
        status: row.sweepPage.status,
        why: row.sweepPage.why,
        readAt: row.sweepPage.readAt?.toISOString() ?? null,
        seen: (seen.get(row.id) ?? []).map(({ sighting, placement, embed }) => ({
          placement,
          embed,
          state: sighting.state,
          findings: serializeFindings(sighting.findings),
        })),
      }));
      return { data: { items, next: page.next } };
    },
    'sweeps.events': async ({ params, signal }) => {
      await byId(params.sweep);
      return { events: watch(params.sweep, signal) };
    },
    'sweeps.stop': async ({ params, actor }) => {
      const job = await byId(params.sweep);
      if (!(await askToStop(db, job.id, actor.now))) throw new OrbisError('sweep-ended');
      return { data: tell(await byId(params.sweep)) };
    },
  };
}
