import type { Tab } from './browser.ts';
import { untilQuiet } from './show.ts';

/* How long a page may take to load, in milliseconds; what takes longer is read as far as it is. */
const loading = 15_000;

/** What a page consists of once its scripts have run, as HTML, and where it was found in the end. */
export async function readRendered({ page }: Tab, url: string): Promise<{ url: string; text: string }> {
  await untilQuiet(page, async () => {
    await page.goto(url, { waitUntil: 'commit', timeout: loading });
    await page.waitForLoadState('load', { timeout: loading }).catch(() => undefined);
  });
  return { url: page.url(), text: await page.content() };
}
