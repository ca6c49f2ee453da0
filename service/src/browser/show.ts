import { setTimeout as wait } from 'node:timers/promises';
import { isDeepStrictEqual } from 'node:util';
import type { CDPSession, Page, Request } from 'playwright-core';

/** A document that is shown in the browser as if its server had sent it. */
export interface ShownDocument {
  /** On a host of its own, which nobody can guess. */
  url: string;
  html: string;
  /** The value of its Content-Security-Policy header. */
  policy: string;
}

/** How large the window is, in pixels of CSS. */
export interface WindowSize {
  width: number;
  height: number;
}

/* How long a document may take to load, and to come to rest behind that, in milliseconds. */
const [loading, resting] = [15_000, 6000];

/** Shows a document and waits until it has loaded and no request of it is on its way any more. */
export async function show(
  page: Page,
  { url, html, policy }: ShownDocument,
  size: WindowSize,
): Promise<void> {
  await page.setViewportSize(size);
  const { host } = new URL(url);
  // The document is ours and need not be fetched; what else it asks of its own host is not there.
  await page.route(
    (asked) => asked.host === host,
    (route) =>
      route.request().url() === url
        ? route.fulfill({
            contentType: 'text/html; charset=utf-8',
            headers: { 'Content-Security-Policy': policy, 'Referrer-Policy': 'no-referrer' },
            body: html,
          })
        : route.fulfill({ status: 404, body: '' }),
  );
  await untilQuiet(page, async () => {
    await page.goto(url, { waitUntil: 'commit', timeout: loading });
    await unlessLate(page.waitForLoadState('load', { timeout: loading }));
  });
}

/* These go on as long as they are looked at. */
const endless: ReadonlySet<string> = new Set(['media', 'websocket', 'eventsource']);
const [quiet, step] = [500, 50];

/**
 * Does something with a page, and waits until nothing that it asks for has been on its way for half a second;
 * but not for ever, as some pages never rest.
 */
export async function untilQuiet(page: Page, work: () => Promise<void>): Promise<void> {
  const onTheWay = new Set<Request>();
  let last = 0;
  const began = (request: Request): void => {
    last = performance.now();
    if (!endless.has(request.resourceType())) onTheWay.add(request);
  };
  const ended = (request: Request): void => {
    last = performance.now();
    onTheWay.delete(request);
  };
  page.on('request', began).on('requestfinished', ended).on('requestfailed', ended);
  await work();
  const done = performance.now();
  for (let waited = 0; waited < resting; waited += step) {
    if (onTheWay.size === 0 && performance.now() - Math.max(done, last) >= quiet) break;
    await wait(step);
  }
  page.off('request', began).off('requestfinished', ended).off('requestfailed', ended);
}

/* What takes longer is shown as far as it is. */
const unlessLate = (waiting: Promise<void>): Promise<void> => waiting.catch(() => undefined);

/**
 * Asks the shown document something, as nobody who has touched it: by the driver’s own way a page would think
 * that its visitor had clicked.
 */
export async function ask<T>(session: CDPSession, expression: string): Promise<T> {
  const { result } = await session.send('Runtime.evaluate', {
    expression,
    returnByValue: true,
    awaitPromise: true,
    userGesture: false,
  });
  return result.value as T;
}

/**
 * What a look sees once it sees the same twice: layout is done a moment after a width changed; scripts may
 * take a few more.
 */
export async function atRest<T>(look: () => Promise<T>): Promise<T> {
  const [pause, most] = [150, 3000];
  let last: T | undefined;
  for (let waited = 0; ; waited += pause) {
    await wait(pause);
    const now = await look();
    if (isDeepStrictEqual(now, last) || waited >= most) return now;
    last = now;
  }
}
