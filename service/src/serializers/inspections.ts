import { writePlace, type Inspection, type Loss } from '@orbis/contract';
import type { listLosses, LookedAt, ShownInspection } from '../store/inspections.ts';
import { serializeFindings } from './findings.ts';
import { pageKeyOf } from './places.ts';

/** An inspection as it crosses the wire. */
export function serializeInspection(
  { inspection: { readAt, well, lost }, job, site, sweep }: ShownInspection,
  pages: readonly LookedAt[],
): Inspection {
  const failed = pages.filter(({ state }) => state === 'failed');
  return {
    ...{ id: job.publicId, site: site.key, state: job.state },
    sweep: sweep?.publicId ?? null,
    readAt: readAt?.toISOString() ?? null,
    pages: { of: sweep?.pages ?? 0, done: sweep ? sweep.pagesRead + sweep.pagesUnreachable : 0 },
    looks: {
      of: pages.length,
      done: pages.filter(({ state }) => state !== 'waiting').length,
      failed: failed.map(({ page, why }) => ({ page, why: why ?? '' })),
    },
    ...{ well, lost, unknown: pages.reduce((sum, { unknown }) => sum + unknown, 0) },
    createdAt: job.createdAt.toISOString(),
    endedAt: job.endedAt?.toISOString() ?? null,
  };
}

type LossRow = Awaited<ReturnType<typeof listLosses>>[number];

/** Something that works no longer, as it crosses the wire. */
export function serializeLoss({ loss, embed, site, page, spot }: LossRow): Loss {
  const { rule, level, facts, details, goodAt, goodLook, look } = loss;
  const [told] = serializeFindings([{ rule, level, facts: { ...facts }, details }]);
  return {
    ...told!,
    ...{ embed: embed.key, embedName: embed.name },
    place: writePlace({ site: site.key, path: page.path, spot: spot.name }),
    page: pageKeyOf({ site, page }),
    goodAt: goodAt?.toISOString() ?? null,
    ...{ goodLook, look },
  };
}
