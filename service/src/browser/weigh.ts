import type { CDPSession, Page } from 'playwright-core';
import type { Weight } from '@orbis/contract';
import type { Tab } from './browser.ts';
import { ask, show, untilQuiet, type ShownDocument } from './show.ts';

const window = { width: 1280, height: 800 };

/* What is observed before anything of the document runs (Long Tasks API). */
const observe = `self.orbisBlocked = 0; new PerformanceObserver((list) => {
  for (const { duration } of list.getEntries()) self.orbisBlocked += Math.max(0, duration - 50);
}).observe({ type: 'longtask', buffered: true });`;

/** Weighs a document as it is loaded, and again after a click on what it shows. */
export async function weigh(
  { page, context, gate }: Tab,
  document: ShownDocument,
): Promise<{ loaded: Weight; clicked: Weight }> {
  const hosts = new Set<string>();
  let requests = 0;
  const own = new URL(document.url).host;
  context.on('request', (request) => {
    const { protocol, host } = new URL(request.url());
    if (!/^https?:$/.test(protocol) || host === own) return;
    requests++;
    hosts.add(host);
  });
  await page.addInitScript(observe);
  const session = await context.newCDPSession(page);
  await show(page, document, window);
  const weight = async (): Promise<Weight> => ({
    requests,
    hosts: [...hosts],
    bytes: gate.received(),
    blocked: Math.round(await ask<number>(session, 'self.orbisBlocked ?? 0')),
    cookies: (await context.cookies()).length,
  });
  const loaded = await weight();
  await click(page, session);
  return { loaded, clicked: await weight() };
}

/* In the middle of what it shows, where a play button is, and the button of what waits for a click. */
async function click(page: Page, session: CDPSession): Promise<void> {
  const { x, y } = await ask<{ x: number; y: number }>(
    session,
    `(() => { const shown = document.querySelector('[data-orbis-load]>button') ?? document.querySelector('iframe, video, audio, form') ?? document.body;
      const { left, top, width, height } = shown.getBoundingClientRect(); return { x: left + width / 2, y: top + height / 2 }; })()`,
  );
  await untilQuiet(page, () => page.mouse.click(x, Math.min(y, window.height - 1)));
}
