import { serializeDetails, serializeFinding, writePlace, type KeptFinding } from '@orbis/contract';
import { levelsByRank } from '../store/findings.ts';
import type { ShownFinding } from '../store/list-findings.ts';
import { pageUrl } from './places.ts';

/** A finding, with what it is about and what was decided, as it crosses the wire. */
export function serializeKeptFinding({ finding, site, page, placed }: ShownFinding): KeptFinding {
  const { rule, facts, list, lastSeenAt, solvedAt, decidedAt } = finding;
  const { message, remedy } = serializeFinding({ rule, facts: { ...facts } });
  // What is open was there when its page was last read, also where nothing was written down then.
  const isThere = list !== 'solved' && page?.checkedAt && page.checkedAt > lastSeenAt;
  return {
    id: finding.publicId,
    rule,
    level: levelsByRank[finding.rank]!,
    list,
    isNew: list === 'open' && finding.noticedAt === null,
    site: site.key,
    page: page && `${site.key}/${page.path}`,
    url: page && pageUrl(site, page),
    times: finding.times,
    embed: placed?.embed ?? null,
    embedName: placed?.name ?? null,
    placement: placed?.id ?? null,
    place: placed && writePlace({ site: site.key, path: placed.path, spot: placed.spot }),
    ...{ message, remedy, facts: { ...facts } },
    details: serializeDetails(finding.details),
    firstSeenAt: finding.firstSeenAt.toISOString(),
    lastSeenAt: (isThere ? page.checkedAt! : lastSeenAt).toISOString(),
    until: finding.until?.toISOString() ?? null,
    reason: finding.reason,
    decidedAt: decidedAt?.toISOString() ?? null,
    solvedAt: solvedAt?.toISOString() ?? null,
    solvedBy: list !== 'solved' ? null : decidedAt === null ? 'itself' : 'hand',
  };
}
