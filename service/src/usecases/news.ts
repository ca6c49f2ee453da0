import { setTimeout as wait } from 'node:timers/promises';
import { eventTypes, type KeptFinding, type NewsEvent, type NewsItem } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { serializeKeptFinding } from '../serializers/kept-findings.ts';
import { shownFindings } from '../store/list-findings.ts';
import { lastTurn, listNews, newsAfter, type NewsRow } from '../store/news.ts';
import { afterId } from '../store/pages.ts';

/** News as it crosses the wire, each with its finding as that is now. */
export async function tellNews(db: Handle, rows: readonly NewsRow[]): Promise<NewsItem[]> {
  const ids = [...new Set(rows.map(({ findingId }) => findingId))];
  const shown = new Map((await shownFindings(db, ids)).map((each) => [each.finding.id, each]));
  return rows.flatMap(({ id, kind, findingId, at, turn }) => {
    const found = shown.get(findingId);
    if (!found) return [];
    const finding = serializeKeptFinding(found);
    return [{ id: `${finding.id}-${id}`, kind, at: at.toISOString(), turn: turn ?? 0, finding }];
  });
}

/** A part of the news, the newest first. */
export async function readNews(
  db: Handle,
  siteId: number | undefined,
  { limit, after }: { limit: number; after?: string | undefined },
): Promise<{ items: NewsItem[]; next: string | null }> {
  const rows = await listNews(db, siteId, limit, afterId(after));
  const kept = rows.slice(0, limit);
  const next = rows.length > limit ? String(kept.at(-1)!.turn) : null;
  return { items: await tellNews(db, kept), next };
}

/* How often it is looked whether there is news, in ms, so that it is heard of within a second; and how much
   is told in one go. */
const [lookEvery, together] = [800, 100];

/**
 * News as it comes, until nobody listens any more.
 * @param seen behind what it begins, as it was told last; from now on where that is not known.
 */
export async function* followNews(
  db: Handle,
  siteId: number | undefined,
  seen: string | undefined,
  signal: AbortSignal,
): AsyncGenerator<{ id: string; event: NewsItem }> {
  let turn = afterId(seen) ?? (await lastTurn(db));
  while (!signal.aborted) {
    const rows = await newsAfter(db, siteId, turn, together);
    // One after the other, so that each goes with the turn behind which it is taken up again.
    for (const row of rows)
      for (const event of await tellNews(db, [row])) yield { id: String(row.turn), event };
    turn = rows.at(-1)?.turn ?? turn;
    if (rows.length < together) await wait(lookEvery, undefined, { signal }).catch(() => undefined);
  }
}

/** A piece of news as an event (CloudEvents 1.0). @param source the address of the interface. */
export const eventOf = ({ id, kind, at, finding }: NewsItem, source: string): NewsEvent => ({
  ...{ specversion: '1.0', id, source, type: eventTypes[kind], time: at },
  subject: subjectOf(finding),
  datacontenttype: 'application/json',
  data: finding,
});

const subjectOf = ({ page, host, site }: KeptFinding): string => page ?? host ?? site ?? '';
