import { expect } from 'chai';
import {
  chromium,
  type Browser,
  type BrowserContext,
  type FrameLocator,
  type Locator,
  type Page,
} from 'playwright-core';
import { findChromium } from '@orbis/service';

/* How long is waited for something to show, in milliseconds. */
const patience = 120_000;

let running: Promise<Browser> | null = null;

/** One headless Chromium for the whole run. */
const browser = (): Promise<Browser> =>
  (running ??= chromium.launch({
    executablePath: findChromium(undefined) ?? undefined,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  }));

export async function closeBrowser(): Promise<void> {
  if (running) await (await running).close();
  running = null;
}

/** What a window keeps of who is signed in. */
export type SignedIn = Awaited<ReturnType<BrowserContext['storageState']>>;

/**
 * A window of its own, with a clipboard, of somebody who is signed in or of nobody; what the pages complain
 * about is kept.
 */
export async function newWindow(
  size = { width: 1280, height: 800 },
  storageState?: SignedIn,
): Promise<{ context: BrowserContext; page: Page; complaints: string[] }> {
  const context = await (
    await browser()
  ).newContext({
    viewport: size,
    // No menu that is still closing stands beside what is looked for.
    reducedMotion: 'reduce',
    permissions: ['clipboard-read', 'clipboard-write'],
    ...(storageState && { storageState }),
  });
  // A busy machine is no fault of what is tested.
  context.setDefaultTimeout(patience);
  const page = await context.newPage();
  const complaints: string[] = [];
  page.on('pageerror', (error) => complaints.push(error.message));
  page.on('console', (message) => {
    // What foreign frames say is theirs; a refused sign-in is what some tests are after.
    const own = new URL(message.location().url || 'about:blank').hostname === 'orbis.localhost';
    if (message.type() === 'error' && own && !message.text().includes('Failed to load resource'))
      complaints.push(message.text());
  });
  return { context, page, complaints };
}

const video = (frame: FrameLocator) => frame.locator('video');
/** Where the player in a frame stands, in seconds; a frame that just goes is at none. */
export const time = async (frame: FrameLocator): Promise<number> =>
  video(frame)
    .evaluate((v: HTMLVideoElement) => v.currentTime)
    .catch(() => NaN);

/** On a published page: the player begins at 1:52 when it is started, and, jumped to 3:02, stops at 3:04. */
export async function expectClip(page: Page, frame: FrameLocator): Promise<void> {
  await frame.getByRole('button', { name: /^Play/ }).click();
  await expectSoon(async () => !(await video(frame).evaluate((v: HTMLVideoElement) => v.paused)), 'it plays');
  expect(await time(frame)).to.be.within(111.9, 116);
  await video(frame).evaluate((v: HTMLVideoElement) => void (v.currentTime = 182));
  await expectSoon(async () => (await time(frame)) > 183, 'it plays on after the jump');
  await expectSoon(async () => video(frame).evaluate((v: HTMLVideoElement) => v.paused), 'it stops');
  expect(await time(frame)).to.be.within(183.9, 184.2);
  await page.waitForTimeout(600);
  expect(await time(frame), 'it stays stopped').to.be.within(183.9, 184.2);
}

/** Waits for something to become true; fails with what it was. */
export async function expectSoon(check: () => Promise<boolean>, what: string, ms = patience): Promise<void> {
  for (const end = Date.now() + ms; Date.now() < end;) {
    if (await check()) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  expect.fail(`not in time: ${what}`);
}

/**
 * Waits until something shows in a preview, whose frames are replaced with each change: a wait inside one
 * that goes is ended with an error, so it is looked for anew until it is there.
 */
export const expectShown = (inside: Locator): Promise<void> =>
  expectSoon(() => inside.isVisible().catch(() => false), `${inside.toString()} shows`);
