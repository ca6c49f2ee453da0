import { hostOf } from '../reading/addresses.ts';
import type { Mark } from '../compose/mark.ts';
import { standingInHead } from './in-head.ts';
import { othersOn, type Others } from './others.ts';
import { reconcile, type Expected, type PlacementSeen } from './reconcile.ts';
import { scanPage } from './scan-page.ts';
import { timesStanding, type Needed } from './standing.ts';

/** What is looked for on a published page. */
export interface LookedFor {
  /** Where it was read. */
  address: string;
  expected: readonly Expected[];
  /** What is looked for in its head for the whole site. */
  inHead: readonly { digest: string; text: string }[];
  /** What was handed out for other positions than spots. */
  needed: readonly Needed[];
}

/** What is on a published page. */
export interface PageLook extends Others {
  /** In the order in which they are expected. */
  placements: PlacementSeen[];
  /** The digests of what is looked for in its head, and is there. */
  inHead: string[];
  /** How often what is needed stands there, by its digest. */
  times: Record<string, number>;
  /** Codes of placements that are not expected here, each once. */
  strangers: { mark: Mark; line: number }[];
  /** Whether it is empty until its scripts have run. */
  isShell: boolean;
}

/**
 * Holds a published page against what the register expects on it.
 * @example lookAtPage(html, { address, expected: [{ placement, issued, seenBefore: true }], inHead, needed })
 */
export function lookAtPage(html: string, { address, expected, inHead, needed }: LookedFor): PageLook {
  const seen = scanPage(html, hostOf(address));
  const placements = reconcile(seen, expected);
  const own = new Set(expected.map(({ placement }) => placement));
  const strangers = seen.marked.filter(({ mark }) => !own.has(mark.placement));
  return {
    placements,
    inHead: standingInHead(seen, inHead),
    times: timesStanding(seen, needed),
    strangers: [...new Map(strangers.map(({ mark, line }) => [mark.placement, { mark, line }])).values()],
    isShell: seen.isShell,
    ...othersOn(html, seen, { known: placements.flatMap(({ spans }) => spans), address }),
  };
}
