import type { CDPSession, Frame, Page } from 'playwright-core';
import type { NoHeight } from '@orbis/contract';
import { inPageMarks, type HeightAt } from '@orbis/core';
import type { Tab } from './browser.ts';
import { contentHeight } from './photograph.ts';
import { ask, atRest, show, type ShownDocument } from './show.ts';

/** What is measured. */
export interface Measuring {
  widths: readonly number[];
  /** Whether something stands in its place until a script fills that: then the room is for both. */
  isFilled: boolean;
}

/**
 * Measures how high the content of a document is at several widths.
 * @param inFrame whether the content is that of a frame in it, which has no height of its own there.
 * @param told the member of its messages in which that frame says how high it is: what it says counts before
 * what is found in it.
 */
export async function measure(
  tab: Tab,
  document: ShownDocument,
  { widths, isFilled, inFrame, told }: Measuring & { inFrame: boolean; told: string | null },
): Promise<HeightAt[] | NoHeight> {
  const { page, context } = tab;
  const before = isFilled ? await unfilled(tab, document, widths, contentHeight) : [];
  if (told !== null) await page.addInitScript(hearing(told));
  await show(page, document, { width: widths[0] ?? 1280, height });
  const session = await context.newCDPSession(page);
  const heights: HeightAt[] = [];
  for (const [at, width] of widths.entries()) {
    await page.setViewportSize({ width, height });
    const found = inFrame
      ? await heightInFrame(page, session, told !== null)
      : await atRest(() => contentHeight(session));
    if (found === null) return 'follows-its-frame';
    if (found < 1) return 'nothing-shown';
    heights.push({ width, height: Math.ceil(Math.max(found, before[at] ?? 0)) });
  }
  return heights;
}

/* Of the window; what is in it may be higher. */
const height = 800;

/* How high it is at each width before any script runs. */
async function unfilled(
  { page, context }: Tab,
  document: ShownDocument,
  widths: readonly number[],
  look: (session: CDPSession) => Promise<number>,
): Promise<number[]> {
  const session = await context.newCDPSession(page);
  const scripts = (areOff: boolean): Promise<unknown> =>
    session.send('Emulation.setScriptExecutionDisabled', { value: areOff });
  await scripts(true);
  await show(page, document, { width: widths[0] ?? 1280, height });
  // What is for visitors without scripts is not seen by those who wait for one.
  await ask(session, `for (const each of document.querySelectorAll('noscript')) each.remove()`);
  const heights: number[] = [];
  for (const width of widths) {
    await page.setViewportSize({ width, height });
    heights.push(await atRest(() => look(session)));
  }
  await scripts(false);
  await session.detach();
  return heights;
}

/**
 * Measures how wide and high a code is in a page, in windows of several widths: with the page’s fonts and
 * styles. The code stands between two comments of ours.
 * @returns a height for each width that its place had, the narrowest first.
 */
export async function measureInPage(
  tab: Tab,
  document: ShownDocument,
  { widths, isFilled }: Measuring,
): Promise<HeightAt[] | NoHeight> {
  const { page, context } = tab;
  const look = (session: CDPSession): Promise<number> => ask<number>(session, betweenComments('height'));
  const before = isFilled ? await unfilled(tab, document, widths, look) : [];
  await show(page, document, { width: widths[0] ?? 1280, height });
  const session = await context.newCDPSession(page);
  const heights = new Map<number, number>();
  for (const [at, width] of widths.entries()) {
    await page.setViewportSize({ width, height });
    const found = await atRest(() => look(session));
    if (found < 1) return 'nothing-shown';
    const place = Math.round(await ask<number>(session, betweenComments('width')));
    heights.set(place, Math.ceil(Math.max(found, before[at] ?? 0)));
  }
  return [...heights].sort(([a], [b]) => a - b).map(([width, height]) => ({ width, height }));
}

/* The height of what stands between them, and the width of what it stands in, without that one’s padding. */
const betweenComments = (side: 'width' | 'height'): string => `(() => {
  const comments = document.createTreeWalker(document, NodeFilter.SHOW_COMMENT);
  const found = {};
  for (let node; (node = comments.nextNode()); ) found[node.data] ??= node;
  const [begin, end] = [found['${inPageMarks[0]}'], found['${inPageMarks[1]}']];
  if (!begin || !end) return 0;
  if ('${side}' === 'width') {
    const style = getComputedStyle(begin.parentElement);
    return begin.parentElement.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight);
  }
  const range = document.createRange();
  range.setStartAfter(begin);
  range.setEndBefore(end);
  return range.getBoundingClientRect().height;
})()`;

/*
 * What is in a frame is never lower than the frame, so the frame is made low. Content whose height goes by
 * that of its frame has none of its own: it is null.
 */
async function heightInFrame(page: Page, session: CDPSession, saysIt: boolean): Promise<number | null> {
  const frame = page.frames().find((each) => each.parentFrame() === page.mainFrame());
  if (!frame) return 0;
  const heights: number[] = [];
  for (const low of [60, 180]) {
    await ask(
      session,
      `for (const frame of document.querySelectorAll('iframe')) for (const [name, value] of [['width', '100%'], ['max-width', 'none'], ['aspect-ratio', 'auto'], ['min-height', '0'], ['height', '${low}px']]) frame.style.setProperty(name, value, 'important')`,
    );
    heights.push(await atRest(() => innerHeight(frame)));
  }
  const said = saysIt ? await ask<number>(session, heard) : 0;
  if (said > 0) return said;
  return Math.abs(heights[0]! - heights[1]!) <= 1 ? heights[0]! : null;
}

/* What the document remembers of what the frame said last, in px. */
const heard = 'Number(window.orbisHeard ?? 0)';
const hearing = (member: string): string => `addEventListener('message', ({ data }) => {
  try {
    let said = typeof data === 'string' ? JSON.parse(data) : data;
    for (const name of ${JSON.stringify(member)}.split('.')) said = said[name];
    if (parseFloat(said) > 0) window.orbisHeard = Math.min(Math.ceil(parseFloat(said)), 10000);
  } catch {
    // It was no message of this kind.
  }
})`;

const innerHeight = (frame: Frame): Promise<number> =>
  frame.evaluate<number>('document.documentElement.scrollHeight').catch(() => 0);
