import type { RenderContext } from '../usecases/render-context.ts';
import { OrbisError } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import type { Fetching } from '../fetching/client.ts';
import { FetchFailure } from '../fetching/failure.ts';
import type { Reader } from '../reading/reader.ts';
import { groupBy } from '../store/group.ts';
import { digest } from '../digest.ts';
import { nextPage, recordPage, type JobRow, type PageOfSweep, type PageResult } from '../store/jobs.ts';
import { declaredAddresses } from '../store/places.ts';
import { deliveriesOf, placementsOn } from '../store/placements.ts';
import { isOutOfDate, outOfDateFinding, pageUrl } from '../usecases/placements.ts';

export interface SweepTools {
  db: Database;
  fetching: Fetching;
  reader: Pick<Reader, 'reconcilePage'>;
  renderContext: () => RenderContext;
  /** Reads the sheets again where somebody has changed them. */
  refresh: () => Promise<void>;
  /** Where a placement's document is served. */
  placementUrl: (id: string) => string;
  now: () => Date;
}

/** Reads the next page of a sweep and writes down what it shows, as long as the sweep is this owner's. */
export async function sweepOnePage(job: JobRow, owner: string, tools: SweepTools): Promise<'more' | 'none' | 'lost'> {
  const next = await nextPage(tools.db, job.id);
  if (!next) return 'none';
  await tools.refresh();
  return (await recordPage(tools.db, owner, next, await lookAt(next, tools), tools.now())) ? 'more' : 'lost';
}

async function lookAt(row: PageOfSweep, { db, fetching, reader, renderContext, placementUrl }: SweepTools): Promise<PageResult> {
  const placements = await placementsOn(db, row.page.id);
  try {
    const answer = await fetching.readPage(pageUrl(row.site, row.page), await declaredAddresses(db));
    const issued = groupBy(
      await deliveriesOf(
        db,
        placements.map((p) => p.id),
      ),
      (d) => d.delivery.placementId,
    );
    const expected = placements.map((p) => ({
      placement: p.placement.publicId,
      seenBefore: p.placement.lastSeenAt !== null,
      served: placementUrl(p.placement.publicId),
      issued: new Map((issued.get(p.id) ?? []).map(({ delivery }) => [delivery.number, delivery.text])),
    }));
    const scanned = await reader.reconcilePage(answer.text, expected);
    const results = scanned.map(async (result, i) => {
      const placed = placements[i]!;
      const carried = (issued.get(placed.id) ?? []).find((d) => d.delivery.number === result.delivery);
      const old = result.state === 'live' && carried !== undefined && (await isOutOfDate(db, placed, carried, renderContext()));
      const { delivery, line, served, findings } = result;
      // What is out of date is worked out anew whenever somebody asks, so only the sighting keeps it.
      return {
        placementId: placed.id,
        state: old ? ('out-of-date' as const) : result.state,
        delivery,
        line,
        served,
        findings: old ? [...findings, outOfDateFinding(placed, carried)] : findings,
      };
    });
    const seen = await Promise.all(results);
    return { state: 'read', status: answer.status, why: null, digest: digest(answer.text), seen };
  } catch (error) {
    const failure = error instanceof OrbisError && unreadable.has(error.code) ? new FetchFailure(error.message, 'See what makes the page so large.') : error;
    if (!(failure instanceof FetchFailure)) throw error;
    const finding = { rule: 'page-unreachable', level: 'error' as const, facts: { why: failure.message, remedy: failure.remedy } };
    return {
      state: 'unreachable',
      status: failure.status,
      why: failure.message,
      digest: null,
      seen: placements.map((p) => ({ placementId: p.id, state: 'unreachable' as const, delivery: null, line: null, served: false, findings: [finding] })),
    };
  }
}

/* A page that is too much for the reader is one that could not be read. */
const unreadable: ReadonlySet<string> = new Set(['reading-too-slow', 'reading-too-large']);
