import type { Database } from '../database/connect.ts';
import { issuedElsewhere } from '../store/issued.ts';
import type { HeadSeen } from '../store/site-heads.ts';

/** What a page says of the head of its site: nothing of what its own head has for what it carries. */
export async function headSeen(
  db: Database,
  { sought, inHead }: { sought: readonly { digest: string }[]; inHead: readonly string[] },
  carried: readonly { placementId: number; delivery: number | null }[],
): Promise<HeadSeen[]> {
  if (sought.length === 0) return [];
  const own = await issuedElsewhere(
    db,
    carried.flatMap(({ placementId, delivery }) =>
      delivery === null ? [] : [{ placementId, number: delivery }],
    ),
  );
  const ofPage = new Set(
    [...own.values()].flat().flatMap(({ position, digest }) => (position === 'page-head' ? [digest] : [])),
  );
  return sought
    .filter(({ digest }) => !ofPage.has(digest))
    .map(({ digest }) => ({ digest, stands: inHead.includes(digest) }));
}
