import { setTimeout as wait } from 'node:timers/promises';
import type { Page } from 'playwright-core';
import type { Watched } from './watching.ts';

/* How long is waited for one, in ms: most come after seconds, or when somebody reads on or turns away. */
const [patience, step] = [25_000, 500];

/**
 * Waits for pop-ups as a visitor meets them: reads on to the end of the page, and turns away from it.
 * @returns the window with what has come up, as a PNG; null where nothing has.
 */
export async function awaitPopUps(page: Page, watched: Watched): Promise<Buffer | null> {
  await watched.ask(`scrollTo({ top: document.documentElement.scrollHeight, behavior: 'instant' })`);
  await page.mouse.move(400, 300);
  await page.mouse.move(400, 0);
  for (let waited = 0; waited < patience; waited += step) {
    if (await watched.popUp()) return page.screenshot({ animations: 'disabled' });
    await wait(step);
  }
  return null;
}
