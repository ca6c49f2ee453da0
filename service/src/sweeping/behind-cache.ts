import type { Expected, PlacementSeen } from '@orbis/core';
import { digest } from '../digest.ts';
import type { Fetching } from '../fetching/client.ts';
import type { Reader } from '../reading/reader.ts';
import type { SweptPlacement } from '../store/placements.ts';
import type { PageOfSweep } from '../store/sweeps.ts';
import { addressOfPage } from './address-of-page.ts';

/**
 * Asks for a page once more as visitors do, and says of what is news on it where a cache still hands out an
 * earlier version.
 * @returns what was seen, with that finding where it holds, and whether it does anywhere.
 */
export async function behindCache(
  row: PageOfSweep,
  {
    content,
    scanned,
    expected,
    isNews,
  }: {
    content: string;
    scanned: readonly PlacementSeen[];
    expected: readonly Expected[];
    isNews: (seen: PlacementSeen, at: number) => boolean;
  },
  {
    reader,
    fetching,
    declared,
  }: {
    reader: Pick<Reader, 'reconcilePage'>;
    fetching: Pick<Fetching, 'readPageAsVisitors'>;
    declared: readonly string[];
  },
): Promise<{ seen: readonly PlacementSeen[]; isAny: boolean }> {
  const asItIs = { seen: scanned, isAny: false };
  // What was there before is there for visitors as well; a preview has none.
  if (row.address !== null || !scanned.some(isNews)) return asItIs;
  // That it cannot be read so says nothing of what was just read.
  const page = await fetching.readPageAsVisitors(addressOfPage(row), declared).catch(() => null);
  if (page === null || digest(page.text) === content) return asItIs;
  const before = await reader.reconcilePage(page.text, expected);
  const seen = scanned.map((each, i) => {
    const isLate =
      isNews(each, i) && (each.delivery !== before[i]?.delivery || each.served !== before[i].served);
    return isLate ? { ...each, findings: [...each.findings, stillCached] } : each;
  });
  return { seen, isAny: seen.some(({ findings }) => findings.includes(stillCached)) };
}

const stillCached: PlacementSeen['findings'][number] = { rule: 'still-cached', level: 'note', facts: {} };

/** Whether something stands on a page that was not there before, or of which visitors had an earlier form. */
export const isNewsOn =
  (placements: readonly SweptPlacement[]) =>
  ({ delivery, served }: PlacementSeen, at: number): boolean => {
    const placed = placements[at];
    if (placed === undefined || (delivery === null && !served)) return false;
    const wasLate = placed.findings.some(({ rule }) => rule === stillCached.rule);
    return wasLate || placed.lastSeenAt === null || placed.seenDelivery !== delivery;
  };
