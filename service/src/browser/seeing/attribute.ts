import type { Frame, Page } from 'playwright-core';
import type { SeenBox } from '@orbis/core';
import type { Logged } from './request-log.ts';
import type { Standing, Watched } from './watching.ts';

/** Who asked for what: placements by their ids, and nobody for what is the page’s own. */
export type Asker = (logged: Logged) => string | null;

/**
 * Tells which placement something was asked for: what happens in its frames, what its code names, what a
 * script of it asked for in turn; and what is of a host that its code alone names.
 */
export async function askers(
  page: Page,
  watched: Pick<Watched, 'ask'>,
  {
    standing,
    addresses,
    requests,
  }: {
    standing: readonly Standing[];
    addresses: Readonly<Record<string, string[]>>;
    requests: readonly Logged[];
  },
): Promise<Asker> {
  const named = new Map<string, string>();
  const hosts = new Map<string, Set<string>>();
  for (const [id, all] of Object.entries(addresses))
    for (const address of all) {
      if (!named.has(address)) named.set(address, id);
      const { host } = new URL(address);
      hosts.set(host, (hosts.get(host) ?? new Set()).add(id));
    }
  const frames = frameOwners(await framesOn(page, watched), standing, named, requests);
  const own = new URL(page.url()).host;
  const initiators = new Map(requests.map(({ url, initiator }) => [url, initiator]));
  const asker = (url: string, host: string, depth: number): string | null => {
    const known = named.get(bare(url));
    if (known !== undefined) return known;
    const by = initiators.get(url);
    if (by && by !== url && bare(by) !== bare(page.url()) && depth < deepest) {
      const of = asker(by, hostOf(by), depth + 1);
      if (of !== null) return of;
    }
    const only = host === own ? undefined : hosts.get(host);
    return only?.size === 1 ? [...only][0]! : null;
  };
  return ({ url, host, frame, isNavigation }) => {
    const top = topFrame(frame);
    // What a frame shows is asked for by who has put it there.
    if (top !== null && frames.has(top)) return frames.get(top)!;
    if (top !== null && !isNavigation) return asker(top.url(), hostOf(top.url()), 0);
    return asker(url, host, 0);
  };
}

/* Scripts that load scripts that load … */
const deepest = 20;

const bare = (url: string): string => url.split('#', 1)[0]!;
const hostOf = (url: string): string => (URL.canParse(url) ? new URL(url).host : '');

/** The frame right on the page in which a frame is; null for the page itself. */
export function topFrame(frame: Frame): Frame | null {
  for (let at: Frame | null = frame; at; at = at.parentFrame())
    if (at.parentFrame() !== null && at.parentFrame()!.parentFrame() === null) return at;
  return null;
}

/* Frames are of who has them where they stand, or whose code names what they showed first. */
function frameOwners(
  frames: readonly { frame: Frame; box: SeenBox }[],
  standing: readonly Standing[],
  named: ReadonlyMap<string, string>,
  requests: readonly Logged[],
): Map<Frame, string> {
  const owners = new Map<Frame, string>();
  for (const { frame, url, isNavigation } of requests) {
    const id = named.get(bare(url));
    if (isNavigation && id !== undefined && topFrame(frame) === frame) owners.set(frame, id);
  }
  for (const { frame, box } of frames) {
    const at = standing.find((each) => each.box !== null && isWithin(box, each.box));
    if (at) owners.set(frame, at.id);
  }
  return owners;
}

/** The frames right on a page, where they stand: from its upper left corner. */
export async function framesOn(
  page: Page,
  watched: Pick<Watched, 'ask'>,
): Promise<{ frame: Frame; box: SeenBox }[]> {
  const found: { frame: Frame; box: SeenBox }[] = [];
  const scroll = await watched.ask<{ x: number; y: number }>('({ x: scrollX, y: scrollY })');
  for (const frame of page.frames()) {
    if (topFrame(frame) !== frame) continue;
    // One that goes meanwhile stands nowhere.
    const at = await frame
      .frameElement()
      .then((element) => element.boundingBox())
      .catch(() => null);
    if (at)
      found.push({
        frame,
        box: { left: at.x + scroll.x, top: at.y + scroll.y, width: at.width, height: at.height },
      });
  }
  return found;
}

/** Whether the middle of one is in the other. */
export function isWithin(inner: SeenBox, outer: SeenBox): boolean {
  const [x, y] = [inner.left + inner.width / 2, inner.top + inner.height / 2];
  return x >= outer.left && x <= outer.left + outer.width && y >= outer.top && y <= outer.top + outer.height;
}

/** The middle of a box, in the window: it is scrolled to. */
export async function middleOf(watched: Pick<Watched, 'ask'>, box: SeenBox): Promise<[number, number]> {
  const [x, y] = [box.left + box.width / 2, box.top + box.height / 2];
  const scrolled = `(() => { scrollTo({ top: ${Math.round(y - 300)}, behavior: 'instant' }); return [scrollX, scrollY]; })()`;
  const [left, top] = await watched.ask<[number, number]>(scrolled);
  return [x - left, y - top];
}

/** An expression of a function that tells whether the middle of an element is in a box of its page. */
export const isInBox = (box: SeenBox | null): string =>
  box === null
    ? '(() => true)'
    : `((element) => {
  const { left, top, width, height } = element.getBoundingClientRect();
  const [x, y] = [left + scrollX + width / 2, top + scrollY + height / 2];
  return x >= ${box.left} && x <= ${box.left + box.width} && y >= ${box.top} && y <= ${box.top + box.height};
})`;
