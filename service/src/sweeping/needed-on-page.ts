import type { PageFinding, PlacementSeen } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { foundAt } from '../store/findings.ts';
import { elsewhereUnder, textOf, type ElsewhereUnder } from '../store/issued.ts';
import type { LeavingRow, SweptPlacement } from '../store/placements.ts';

/** What codes need beside what stands in their spots, and what of that may be left over. */
export interface NeededOnPage {
  /** Under the numbers that the page may carry. */
  rows: ElsewhereUnder[];
  /** Of what was found to be left over before. */
  leftOver: Needed[];
}

type Needed = Pick<ElsewhereUnder, 'digest' | 'position' | 'text'>;

/** What was handed out for other positions of a page, by all that it may carry. */
export async function neededOnPage(
  db: Handle,
  pageId: number,
  placements: readonly Pick<SweptPlacement, 'id' | 'seenDelivery' | 'issued'>[],
  leaving: readonly Pick<LeavingRow, 'id' | 'seenDelivery'>[],
): Promise<NeededOnPage> {
  const numbers = [
    ...placements.flatMap(({ id, seenDelivery, issued }) => [
      { placementId: id, number: seenDelivery },
      ...(issued === seenDelivery ? [] : [{ placementId: id, number: issued }]),
    ]),
    ...leaving.map(({ id, seenDelivery }) => ({ placementId: id, number: seenDelivery })),
  ];
  const rows = await elsewhereUnder(
    db,
    numbers.flatMap(({ placementId, number }) => (number === null ? [] : [{ placementId, number }])),
  );
  const before = await foundAt(db, `page:${pageId}`, leftOverRule);
  const leftOver = await Promise.all(
    before.map(async ({ facts }): Promise<Needed[]> => {
      const digest = String(facts['digest']);
      const text = await textOf(db, digest);
      return text === null ? [] : [{ digest, position: facts['position'] as Needed['position'], text }];
    }),
  );
  return { rows, leftOver: leftOver.flat() };
}

/** All of it, each text once. */
export const allNeeded = ({ rows, leftOver }: NeededOnPage): Needed[] =>
  [...new Map([...leftOver, ...rows].map((each) => [each.digest, each])).values()].map(
    ({ digest, position, text }) => ({ digest, position, text }),
  );

/** What a placement needs beside its code, and is not on the page: a finding for each. */
export const lacking = (
  { id }: Pick<SweptPlacement, 'id'>,
  { delivery }: Pick<PlacementSeen, 'delivery'>,
  { rows }: NeededOnPage,
  times: Readonly<Record<string, number>>,
): PageFinding[] =>
  rows
    .filter(({ placementId, number }) => placementId === id && number === delivery)
    .filter(({ digest }) => times[digest] === 0)
    .map((each) => ({ rule: 'head-missing', level: 'error', facts: factsOf(each) }));

const leftOverRule = 'head-left-over';

/**
 * What stands on the page and is needed by nothing there any more: what had been handed out with codes that
 * have gone, or was left over before.
 * @param carried of what is on the page, under which number.
 */
export function leftOver(
  { rows, leftOver: before }: NeededOnPage,
  carried: readonly { id: number; delivery: number | null }[],
  gone: readonly number[],
  times: Readonly<Record<string, number>>,
): { digest: string; facts: ReturnType<typeof factsOf> & { digest: string } }[] {
  const needed = new Set(
    rows
      .filter(({ placementId, number }) =>
        carried.some(({ id, delivery }) => id === placementId && delivery === number),
      )
      .map(({ digest }) => digest),
  );
  const once = new Map(
    [...before, ...rows.filter(({ placementId }) => gone.includes(placementId))].map((each) => [
      each.digest,
      each,
    ]),
  );
  return [...once.values()]
    .filter(
      ({ digest, position }) => position !== 'site-head' && !needed.has(digest) && (times[digest] ?? 0) > 0,
    )
    .map((each) => ({ digest: each.digest, facts: { ...factsOf(each), digest: each.digest } }));
}

/* What it is, for whoever knows no HTML: its first tag, and from whom it comes. */
function factsOf({ position, text }: Needed): { position: string; what: string; host: string } {
  const what = position === 'page-style' ? 'style' : position === 'page-script' ? 'script' : tagOf(text);
  const address = /(?:src|href)="((?:https?:)?\/\/[^"\s]{1,500})"/i.exec(text)?.[1];
  const full = address?.startsWith('//') ? `https:${address}` : address;
  return { position, what, host: full !== undefined && URL.canParse(full) ? new URL(full).hostname : '' };
}

const tagOf = (text: string): string => /<([a-z][a-z-]{0,30})/i.exec(text)?.[1]?.toLowerCase() ?? '';
