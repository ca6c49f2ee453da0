import type { Options } from '../options/values.ts';

/**
 * How a code stands on a page: in the page itself, in a document within the pasted markup (HTML, section
 * 4.8.5: srcdoc), in a document that is served for it, or in a file on the owner’s own server.
 */
export const frameWays = ['none', 'enclosed', 'served', 'file'] as const;
export type FrameWay = (typeof frameWays)[number];

/** A way with a document of its own. */
export type FramedWay = Exclude<FrameWay, 'none'>;

/** The way that is asked for; null where the code stands in the page itself. */
export function framedWay(options: Options): FramedWay | null {
  const way = options['frame'] as FrameWay | undefined;
  return way === undefined || way === 'none' ? null : way;
}

/**
 * Whether a document gets no origin of its own (HTML, section 7.1.5: sandboxed without allow-same-origin).
 * It would have the page’s otherwise, or that of the server that the page is on, or of all others that are
 * served where they share a host.
 */
export const isOpaque = (way: FramedWay, sharesHost = false): boolean => way !== 'served' || sharesHost;
