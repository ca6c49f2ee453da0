import { setTimeout as wait } from 'node:timers/promises';
import type { CDPSession, Frame } from 'playwright-core';
import { OrbisError } from '@orbis/contract';
import type { Tab } from './browser.ts';
import { ask, show, type ShownDocument, type WindowSize } from './show.ts';

/** A picture of what a document shows, as a PNG. */
export interface Photograph {
  png: Buffer;
  /** In pixels of CSS; the picture has as many as its scale says. */
  width: number;
  height: number;
}

export interface PhotographOptions {
  window: WindowSize;
  /** The second of the film at which it is taken; null where it is taken as it comes. */
  at: number | null;
}

/** How high a picture is at most, in px of CSS: nobody looks at more than that, and it is much to hold. */
export const tallest = 6000;

/**
 * Photographs what a document shows, as high as it is.
 * @throws OrbisError `nothing-to-photograph` where it shows nothing.
 */
export async function photograph(
  { page, context }: Tab,
  document: ShownDocument,
  { window, at }: PhotographOptions,
): Promise<Photograph> {
  await show(page, document, window);
  await Promise.all(page.frames().map((frame) => filmIsThere(frame, at)));
  const session = await context.newCDPSession(page);
  const height = Math.min(tallest, Math.ceil(await contentHeight(session)));
  if (height === 0) throw new OrbisError('nothing-to-photograph');
  // What stands below the window is drawn once it is large enough.
  if (height > window.height) await page.setViewportSize({ width: window.width, height });
  const clip = { x: 0, y: 0, width: window.width, height };
  return { png: await page.screenshot({ clip, animations: 'disabled' }), width: window.width, height };
}

/** How high the content of the shown document is, in pixels of CSS. */
export const contentHeight = (session: CDPSession): Promise<number> =>
  ask<number>(session, 'document.body.getBoundingClientRect().height');

/* How long a film may take to be where it shall be, in milliseconds. */
const [filmWait, step] = [6000, 100];

/* Waits until a film in a frame shows the picture that is asked for, for a few seconds at most. The frame
   itself cannot be asked to wait: scripts may be shut off in it. */
async function filmIsThere(frame: Frame, at: number | null): Promise<void> {
  const isThere = `[...document.querySelectorAll('video')].every(({ readyState, seeking, currentTime, error }) =>
    error !== null || (readyState >= 2 && !seeking && currentTime >= ${(at ?? 0) - 0.5}))`;
  for (let waited = 0; waited < filmWait; waited += step) {
    // A frame that has gone meanwhile has no film.
    if (await frame.evaluate<boolean>(isThere).catch(() => true)) return;
    await wait(step);
  }
}
