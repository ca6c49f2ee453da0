import { isBlockPath, type PageNews, type Sweep, type SweepPage } from '@orbis/contract';
import type { JobRow } from '../store/jobs.ts';
import type { StoredFinding } from '../store/schema.ts';
import type { listSweepPages, sightingsOf, SweepPageRow } from '../store/sweeps.ts';
import type { WaitedFor } from '../store/sweep-turns.ts';
import { serializeFindings } from './findings.ts';
import { pageUrl } from './places.ts';

type PageRow = Awaited<ReturnType<typeof listSweepPages>>[number];
type SightingRow = Awaited<ReturnType<typeof sightingsOf>>[number];

/** A sweep, as it crosses the wire, with the hosts that it waits for. */
export const serializeSweep = (job: JobRow, waitsFor: readonly WaitedFor[] = []): Sweep => ({
  id: job.publicId,
  state: job.state,
  scope: job.scope,
  at: job.address,
  pages: job.pages,
  read: job.pagesRead,
  unreachable: job.pagesUnreachable,
  counts: job.counts ?? {},
  waitsFor: waitsFor.map(({ host, until }) => ({ host, until: until.toISOString() })),
  createdAt: job.createdAt.toISOString(),
  startedAt: job.startedAt?.toISOString() ?? null,
  endedAt: job.endedAt?.toISOString() ?? null,
});

/** What had been seen on a page before. */
export interface SeenBefore {
  seen: readonly SightingRow[];
  /** On the page as a whole. */
  findings: readonly StoredFinding[];
}

/* Findings of the one list that are not in the other. */
function without(all: readonly StoredFinding[], others: readonly StoredFinding[]): StoredFinding[] {
  const known = new Set(others.map((each) => JSON.stringify(each)));
  return all.filter((each) => !known.has(JSON.stringify(each)));
}

/** Something new that was seen on a page, and what that was before. */
export function serializePageNews(
  row: SweepPageRow & { sweep: string },
  seen: readonly SightingRow[],
  { seen: before, findings: found }: SeenBefore,
): PageNews {
  const was = new Map(before.map((each) => [each.placement, each.sighting]));
  const isRead = row.state !== 'unreachable';
  const news = isRead ? seen.filter((each) => isNews(each.sighting, was.get(each.placement))) : [];
  const still = new Set(seen.map(({ placement }) => placement));
  return {
    sweep: row.sweep,
    at: (row.readAt ?? new Date(0)).toISOString(),
    state: isRead ? 'read' : 'unreachable',
    why: row.why,
    seen: news.map((each) => ({ ...serializeSighting(each), was: was.get(each.placement)?.state ?? null })),
    findings: serializeFindings(without(row.findings ?? [], found)),
    solved: isRead ? serializeFindings(without(found, row.findings ?? [])) : [],
    gone: isRead ? before.filter(({ placement }) => !still.has(placement)).length : 0,
  };
}

type Sighted = SightingRow['sighting'];

const isNews = (now: Sighted, was: Sighted | undefined): boolean =>
  now.state !== was?.state ||
  now.delivery !== was.delivery ||
  JSON.stringify(now.findings) !== JSON.stringify(was.findings);

const serializeSighting = ({ sighting, placement, embed, spot, path }: SightingRow) => ({
  placement,
  embed,
  spot: isBlockPath(path) ? `${path}#${spot}` : spot,
  state: sighting.state,
  findings: serializeFindings(sighting.findings),
});

/** One page of a sweep, with what was seen on it. */
export const serializeSweepPage = (row: PageRow, seen: readonly SightingRow[]): SweepPage => ({
  page: `${row.site.key}/${row.page.path}`,
  url: pageUrl({ address: row.address ?? row.site.address }, row.page),
  state: row.sweepPage.state,
  status: row.sweepPage.status,
  why: row.sweepPage.why,
  readAt: row.sweepPage.readAt?.toISOString() ?? null,
  findings: serializeFindings(row.sweepPage.findings ?? []),
  seen: seen.map(serializeSighting),
});
