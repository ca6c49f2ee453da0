import type { CDPSession, Page } from 'playwright-core';

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
  await page.goto(url, { waitUntil: 'commit', timeout: loading });
  await unlessLate(page.waitForLoadState('load', { timeout: loading }));
  await rest(page);
}

/** Waits until no request is on its way for half a second, but not for ever: some pages never rest. */
export const rest = (page: Page): Promise<void> =>
  unlessLate(page.waitForLoadState('networkidle', { timeout: resting }));

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
