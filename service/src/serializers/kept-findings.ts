import { serializeDetails, serializeFinding, writePlace, type KeptFinding } from '@orbis/contract';
import { levelsByRank } from '../store/findings.ts';
import type { ShownFinding } from '../store/list-findings.ts';
import { pageUrl } from './places.ts';

/** A finding, with what it is about and what was decided, as it crosses the wire. */
export function serializeKeptFinding(shown: ShownFinding): KeptFinding {
  const { finding, site } = shown;
  const { rule, facts, list } = finding;
  return {
    id: finding.publicId,
    ...{ rule, list, level: levelsByRank[finding.rank]! },
    isNew: list === 'open' && finding.noticedAt === null,
    site: site?.key ?? null,
    host: shown.host,
    ...pageOf(shown),
    times: finding.times,
    ...placementOf(shown),
    ...serializeFinding({ rule, facts: { ...facts } }),
    details: serializeDetails(finding.details),
    ...timesOf(shown),
    until: iso(finding.until),
    reason: finding.reason,
    decidedAt: iso(finding.decidedAt),
    solvedAt: iso(finding.solvedAt),
    solvedBy: list !== 'solved' ? null : finding.decidedAt === null ? 'itself' : 'hand',
  };
}

const pageOf = ({ page, site }: ShownFinding) =>
  page && site ? { page: `${site.key}/${page.path}`, url: pageUrl(site, page) } : { page: null, url: null };

const placementOf = ({ placed, embed, site }: ShownFinding) =>
  placed === null || site === null
    ? { embed: embed?.key ?? null, embedName: embed?.name ?? null, placement: null, place: null }
    : {
        ...{ embed: placed.embed, embedName: placed.name, placement: placed.id },
        place: writePlace({ site: site.key, path: placed.path, spot: placed.spot }),
      };

/* What is open was there when its page was last read, also where nothing was written down then. */
function timesOf({ finding: { list, firstSeenAt, lastSeenAt }, page }: ShownFinding) {
  const readAt = list === 'solved' ? null : (page?.checkedAt ?? null);
  const last = readAt !== null && readAt > lastSeenAt ? readAt : lastSeenAt;
  return { firstSeenAt: firstSeenAt.toISOString(), lastSeenAt: last.toISOString() };
}

const iso = (time: Date | null): string | null => time?.toISOString() ?? null;
