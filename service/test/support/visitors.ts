import { chromium, type Browser, type Page } from 'playwright-core';
import { findChromium } from '../../src/browser/find.ts';

/** How long a visitor waits for something to show, in milliseconds: a busy machine is nobody’s fault. */
export const patience = 120_000;

/** The browser of those who visit published pages. */
export const launchBrowser = (): Promise<Browser> =>
  chromium.launch({ executablePath: findChromium(process.env['ORBIS_CHROMIUM'])! });

/** A window of somebody who was never there, and who is patient. */
export async function newVisitor(browser: Browser): Promise<Page> {
  const page = await browser.newPage();
  page.setDefaultTimeout(patience);
  return page;
}

/** Where each frame of a page stands has been the same for a second: nothing moves any more under a click. */
export async function standsStill(page: Page): Promise<void> {
  const boxes = async (): Promise<string> => {
    const found = await page.locator('iframe').all();
    return JSON.stringify(await Promise.all(found.map((frame) => frame.boundingBox())));
  };
  let [before, since] = [await boxes(), Date.now()];
  for (const end = Date.now() + patience; Date.now() - since < 1000;) {
    if (Date.now() > end) throw new Error('the frames of the page do not come to rest');
    await page.waitForTimeout(100);
    const now = await boxes();
    if (now !== before) [before, since] = [now, Date.now()];
  }
}
