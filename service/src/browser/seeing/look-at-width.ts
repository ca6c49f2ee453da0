import type { Page } from 'playwright-core';
import type { SeenAtWidth, SeenBox, SeenPlaying } from '@orbis/core';
import type { Tab } from '../browser.ts';
import { tallest } from '../photograph.ts';
import { atRest, untilQuiet } from '../show.ts';
import { askers, framesOn, isWithin, type Asker } from './attribute.ts';
import { hearComplaints, type Complaint } from './complaints.ts';
import { drawOutlines, eraseOutlines } from './outline.ts';
import { playIn, type AskedClip } from './playing.ts';
import { awaitPopUps } from './pop-ups.ts';
import { logRequests, type Logged, type RequestLog } from './request-log.ts';
import { sendIn, type SentForm } from './sending.ts';
import { watch, type Sought, type Standing, type Watched } from './watching.ts';

/** What is looked for on a page. */
export interface LookedFor extends Sought {
  name: string;
  clip: AskedClip;
}

/** How closely a page is looked at. */
export interface HowClosely {
  width: number;
  /** Whether films are started and stopped. */
  plays: boolean;
  /** Whether pop-ups are waited for. */
  waitsForPopUps: boolean;
  /** Whether forms are filled in and sent, to a stand-in. */
  sendsForms: boolean;
}

/** What a browser saw in a window of one width. */
export interface PageSeenAt {
  width: number;
  height: number;
  /** How far anything has moved what visitors see. */
  moved: number;
  /** How far the page is wider than its window, in px. */
  over: number;
  /** As it is, and with what is placed outlined and named: both as PNG. */
  plain: Buffer;
  outlined: Buffer;
  placed: PlacedSeenAt[];
  requests: (Omit<Logged, 'frame'> & { of: string | null })[];
  complaints: Complaint[];
  popUp: Buffer | null;
}

/** What it saw of something placed. */
export interface PlacedSeenAt extends Omit<SeenAtWidth, 'shows' | 'width'> {
  id: string;
  isThere: boolean;
  /** Whether a frame in it shows nothing but that the browser was refused. */
  isRefused: boolean;
  waits: boolean;
  playing: SeenPlaying | null;
  sent: SentForm | null;
}

/* Of the window; and how long a page may take to load, in ms. */
const [height, loading] = [800, 15_000];
/* So many films are started, and forms sent, of one page. */
const mostTried = 6;

/**
 * Looks at a published page in a window of one width, as a visitor does: reads it to its end, allows what
 * waits for that, and presses what plays.
 */
export async function lookAtWidth(
  { page, context, gate }: Tab,
  url: string,
  sought: readonly LookedFor[],
  { width, plays, waitsForPopUps, sendsForms }: HowClosely,
): Promise<PageSeenAt> {
  await page.setViewportSize({ width, height });
  const session = await context.newCDPSession(page);
  const watched = await watch(session, sought);
  const complaints = hearComplaints(page);
  const log = await logRequests(page, context, session);
  await untilQuiet(page, async () => {
    await page.goto(url, { waitUntil: 'commit', timeout: loading });
    await page.waitForLoadState('load', { timeout: loading }).catch(() => undefined);
  });
  await readOn(page, watched);
  const waiting = await allow(page, watched, log);
  const moved = await watched.moved();
  const movedBy = new Map((await watched.standing()).map(({ id, moved: by }) => [id, by]));
  const { standing, refused, ...shot } = await pictures(page, watched, sought, width);
  const logged = await log.all();
  const asker = await askers(page, watched, {
    standing,
    addresses: await watched.addresses(),
    requests: logged,
  });
  const heard = complaints();
  const popUp = waitsForPopUps ? await awaitPopUps(page, watched) : null;
  const now = await atRest(() => watched.standing());
  const playing = plays ? await playAll(page, watched, now, sought) : new Map<string, SeenPlaying>();
  const sent = sendsForms ? await sendAll({ page, gate }, watched, url, now) : new Map<string, SentForm>();
  return {
    ...{ width, ...shot, moved, popUp, complaints: heard },
    requests: logged.map((each) => withAsker(each, asker)),
    placed: standing.map((each) => ({
      ...each,
      moved: movedBy.get(each.id) ?? 0,
      isRefused: each.box !== null && refused.some((box) => isWithin(box, each.box!)),
      waits: waiting.has(each.id),
      playing: playing.get(each.id) ?? null,
      sent: sent.get(each.id) ?? null,
    })),
  };
}

const withAsker = (logged: Logged, asker: Asker): PageSeenAt['requests'][number] => {
  const { frame: _, ...rest } = logged;
  return { ...rest, of: asker(logged) };
};

/* What is loaded when it comes near is loaded on the way. */
async function readOn(page: Page, watched: Watched): Promise<void> {
  const end = Math.min(tallest, await watched.ask<number>('document.documentElement.scrollHeight'));
  await untilQuiet(page, async () => {
    for (let top = 0; top <= end; top += height / 2) {
      await watched.ask(`scrollTo({ top: ${top}, behavior: 'instant' })`);
      await page.waitForTimeout(60);
    }
    await watched.ask(`scrollTo({ top: 0, behavior: 'instant' })`);
  });
}

/* Says yes as a visitor would: to the page, and with each button that waits. */
async function allow(page: Page, watched: Watched, log: RequestLog): Promise<Set<string>> {
  const waiting = await watched.waiting();
  log.allow();
  if (waiting.length === 0) return new Set();
  await untilQuiet(page, async () => {
    await watched.ask(`document.documentElement.setAttribute('data-orbis-allow', 'all');
      document.dispatchEvent(new Event('orbis-allow'))`);
    // Each press may move the others.
    for (let pressed = 0; pressed < waiting.length; pressed += 1) {
      const [next] = await watched.waiting();
      if (!next) break;
      await page.mouse.click(next.x, next.y);
    }
  });
  return new Set(waiting.map(({ id }) => id));
}

/* How long what stands below the window may take to be drawn once it is large enough, in ms. */
const drawing = 600;

/* In a window as high as the page, as what is below one is not drawn. */
async function pictures(
  page: Page,
  watched: Watched,
  sought: readonly LookedFor[],
  width: number,
): Promise<
  Pick<PageSeenAt, 'height' | 'over' | 'plain' | 'outlined'> & { standing: Standing[]; refused: SeenBox[] }
> {
  const [whole, wide] = await watched.ask<[number, number]>(
    '[document.documentElement.scrollHeight, document.documentElement.scrollWidth]',
  );
  const high = Math.min(tallest, Math.max(height, whole));
  await page.setViewportSize({ width, height: high });
  await page.waitForTimeout(drawing);
  const standing = await atRest(() => watched.standing());
  const refused = (await framesOn(page, watched)).filter(({ frame }) => isErrorPage(frame.url()));
  const take = (): Promise<Buffer> =>
    page.screenshot({ clip: { x: 0, y: 0, width, height: high }, animations: 'disabled' });
  const plain = await take();
  const names = new Map(sought.map(({ id, name }) => [id, name]));
  const outlined = standing.flatMap(({ id, box }) => (box ? [{ box, name: names.get(id)! }] : []));
  await drawOutlines(watched, outlined);
  const drawn = await take();
  await eraseOutlines(watched);
  await page.setViewportSize({ width, height });
  return {
    ...{ height: high, over: Math.max(0, wide - width), plain, outlined: drawn, standing },
    refused: refused.map(({ box }) => box),
  };
}

/* What Chromium shows in the place of what it was refused. */
const isErrorPage = (url: string): boolean => url.startsWith('chrome-error:');

async function playAll(
  page: Page,
  watched: Watched,
  standing: readonly Standing[],
  sought: readonly LookedFor[],
): Promise<Map<string, SeenPlaying>> {
  const played = new Map<string, SeenPlaying>();
  const shown = standing.filter((each): each is Standing & { box: SeenBox } => each.box !== null);
  for (const { id, box } of shown.slice(0, mostTried)) {
    const { clip } = sought.find((each) => each.id === id)!;
    const seen = await playIn(page, watched, box, clip);
    if (seen) played.set(id, seen);
  }
  return played;
}

/* Each on the page as it comes, since a form leads away from it. */
async function sendAll(
  { page, gate }: Pick<Tab, 'page' | 'gate'>,
  watched: Watched,
  url: string,
  standing: readonly Standing[],
): Promise<Map<string, SentForm>> {
  const sent = new Map<string, SentForm>();
  const shown = standing.filter((each): each is Standing & { box: SeenBox } => each.box !== null);
  for (const { id, box } of shown.slice(0, mostTried)) {
    // What is typed in leaves by no way, whether it is asked for anew or was opened before.
    gate.shut();
    const seen = await sendIn(page, watched, box);
    if (seen) sent.set(id, seen);
    await page.context().unrouteAll({ behavior: 'ignoreErrors' });
    gate.open();
    if (seen)
      await untilQuiet(page, async () => {
        await page.goto(url, { waitUntil: 'load', timeout: loading });
      });
  }
  return sent;
}
