import type { Expected, PlacementSeen } from '@orbis/core';
import { digest } from '../digest.ts';
import type { Fetching } from '../fetching/client.ts';
import type { Reader } from '../reading/reader.ts';
import type { PageOfSweep } from '../store/sweeps.ts';
import { addressOfPage } from './address-of-page.ts';

/**
 * Asks for a page once more as visitors do, and says of what is new on it where a cache still hands out an
 * earlier version.
 * @returns what was seen, with that finding where it holds, and whether it does anywhere.
 */
export async function behindCache(
  row: PageOfSweep,
  {
    content,
    scanned,
    expected,
  }: { content: string; scanned: readonly PlacementSeen[]; expected: readonly Expected[] },
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
  // Where nothing of ours stands, nothing of it can be late; a preview has no visitors.
  if (row.address !== null || !scanned.some(stands)) return asItIs;
  // That it cannot be read so says nothing of what was just read.
  const page = await fetching.readPageAsVisitors(addressOfPage(row), declared).catch(() => null);
  if (page === null || digest(page.text) === content) return asItIs;
  const { placements: before } = await reader.reconcilePage(page.text, expected, []);
  const seen = scanned.map((each, i) => {
    const isLate =
      stands(each) && (each.delivery !== before[i]?.delivery || each.served !== before[i].served);
    return isLate ? { ...each, findings: [...each.findings, stillCached] } : each;
  });
  return { seen, isAny: seen.some(({ findings }) => findings.includes(stillCached)) };
}

const stands = ({ delivery, served }: PlacementSeen): boolean => delivery !== null || served;

const stillCached: PlacementSeen['findings'][number] = { rule: 'still-cached', level: 'note', facts: {} };
