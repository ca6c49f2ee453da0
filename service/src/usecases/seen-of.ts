import type { LookWidth } from '@orbis/contract';
import type { PageSeenAt } from '../browser/seeing/look-at-width.ts';
import type { StoredLook } from '../store/tables/looks.ts';

/** What was seen in a window of one width, and by the placement whether anything shows there. */
export interface SeenAt extends PageSeenAt {
  width: LookWidth;
  shows: ReadonlyMap<string, boolean | null>;
}

type Placed = StoredLook['placed'][number];
/** What is placed, as the register names it. */
export type Named = Pick<Placed, 'placement' | 'embed' | 'embedName' | 'kind' | 'place' | 'clip'>;

/* So many hosts and complaints are kept of one look. */
const [mostHosts, mostComplaints] = [80, 40];

/**
 * What was seen in windows of several widths, together: pictures and sizes of each, all else of the widest
 * one, which was looked at most closely.
 * @param own the page’s host
 */
export function seenOf(
  seen: readonly SeenAt[],
  placed: readonly Named[],
  own: string,
): Omit<StoredLook, 'url'> {
  const widest = seen.at(-1)!;
  return {
    widths: seen.map(({ width, height, moved, over }) => ({ width, height, moved: rounded(moved), over })),
    placed: inOrder(placed.map((each) => placedIn(each, seen, own))),
    hosts: hostsIn(widest, own),
    complaints: widest.complaints
      .slice(0, mostComplaints)
      .map(({ code, host, text, times }) => ({ code, host, facts: { host, text }, times })),
    hasPopUp: widest.popUp !== null,
  };
}

/* As they stand on the page, what is not to be seen last. */
const inOrder = (placed: readonly Placed[]): Placed[] => {
  const top = ({ widths }: Placed): number => widths.at(-1)?.box?.top ?? Infinity;
  return [...placed].sort((a, b) => (top(a) === top(b) ? 0 : top(a) - top(b)));
};

const rounded = (moved: number): number => Math.round(moved * 1000) / 1000;

function placedIn(named: Named, seen: readonly SeenAt[], own: string): Placed {
  const widest = seen.at(-1)!;
  const closely = widest.placed.find(({ id }) => id === named.placement)!;
  const requests = widest.requests.filter(({ of }) => of === named.placement);
  const [before, after] = [true, false].map((isEarly) => {
    const asked = requests.filter((each) => each.isEarly === isEarly);
    const hosts = [...new Set(asked.map(({ host }) => host))].filter((host) => host !== own).sort();
    return { ...loadOf(asked), hosts };
  });
  const { isThere, waits, playing, sent } = closely;
  return {
    ...named,
    ...{ isThere, waits, playing, sent, before: before!, after: after! },
    widths: seen.map(({ width, placed, shows }) => {
      const { box, moved } = placed.find(({ id }) => id === named.placement)!;
      return { width, box, shows: shows.get(named.placement) ?? null, moved: rounded(moved) };
    }),
  };
}

function hostsIn({ requests }: SeenAt, own: string): StoredLook['hosts'] {
  const hosts = [...new Set(requests.map(({ host }) => host))].map((host) => {
    const [before, after] = [true, false].map((isEarly) =>
      loadOf(requests.filter((each) => each.host === host && each.isEarly === isEarly)),
    );
    return { host, isOwn: host === own, before: before!, after: after! };
  });
  const bytes = ({ before, after }: (typeof hosts)[number]): number => before.bytes + after.bytes;
  return hosts.sort((a, b) => bytes(b) - bytes(a)).slice(0, mostHosts);
}

const loadOf = (requests: readonly { bytes: number }[]): { requests: number; bytes: number } => ({
  requests: requests.length,
  bytes: requests.reduce((sum, { bytes }) => sum + bytes, 0),
});
