import { setTimeout as wait } from 'node:timers/promises';
import type { Page } from 'playwright-core';
import type { Watched } from './watching.ts';

/* How long is waited for one, in ms: most come after seconds, or when somebody reads on or turns away. */
const [patience, step] = [25_000, 500];

/* What covers a part of the window, in front of the page. */
const covering = `(() => {
  const shown = [];
  for (const element of document.querySelectorAll('body *')) {
    const style = getComputedStyle(element);
    const isAbove = style.position === 'fixed' || element.matches('dialog[open],:popover-open');
    if (!isAbove || !element.checkVisibility({ visibilityProperty: true, opacityProperty: true })) continue;
    const { width, height } = element.getBoundingClientRect();
    if (width * height >= innerWidth * innerHeight * 0.03) shown.push(Math.round(width) + 'x' + Math.round(height));
  }
  return shown.length;
})()`;

/**
 * Waits for pop-ups as a visitor meets them: reads on to the end of the page, and turns away from it.
 * @returns the window with what has come up, as a PNG; null where nothing has.
 */
export async function awaitPopUps(page: Page, watched: Watched): Promise<Buffer | null> {
  const before = await watched.ask<number>(covering);
  await watched.ask(`scrollTo({ top: document.documentElement.scrollHeight, behavior: 'instant' })`);
  await page.mouse.move(400, 300);
  await page.mouse.move(400, 0);
  for (let waited = 0; waited < patience; waited += step) {
    await wait(step);
    if ((await watched.ask<number>(covering)) > before) return page.screenshot({ animations: 'disabled' });
  }
  return null;
}
