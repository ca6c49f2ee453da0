import type { BrowserContext } from 'playwright-core';

/** One answer, with its size as it came over the wire: headers and packed body. */
export interface Transferred {
  name: string;
  bytes: number;
}

/**
 * Everything that is loaded for an address by a browser that has nothing yet, until the network has been
 * quiet for a while.
 */
export async function transferredFor(context: BrowserContext, url: string): Promise<Transferred[]> {
  const page = await context.newPage();
  const devtools = await context.newCDPSession(page);
  await devtools.send('Network.enable');
  await devtools.send('Network.setCacheDisabled', { cacheDisabled: true });
  const names = new Map<string, string>();
  const loaded: Transferred[] = [];
  // What follows events never ends.
  const asked = new Set<string>();
  devtools.on('Network.requestWillBeSent', ({ requestId, request }) => {
    if (!request.url.endsWith('/events')) asked.add(requestId);
  });
  for (const ended of ['Network.loadingFinished', 'Network.loadingFailed'] as const)
    devtools.on(ended, ({ requestId }) => void asked.delete(requestId));
  devtools.on('Network.responseReceived', ({ requestId, response }) =>
    names.set(requestId, new URL(response.url).pathname),
  );
  devtools.on('Network.loadingFinished', ({ requestId, encodedDataLength }) =>
    loaded.push({ name: names.get(requestId) ?? '', bytes: encodedDataLength }),
  );
  await page.goto(url);
  await untilQuiet(() => asked.size);
  await page.close();
  return loaded.sort((a, b) => b.bytes - a.bytes);
}

/* Until nothing has been on its way for half a second. */
async function untilQuiet(onItsWay: () => number): Promise<void> {
  for (let since = Date.now(); Date.now() - since < 500;) {
    if (onItsWay() > 0) since = Date.now();
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
