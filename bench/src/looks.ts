import { chromium, type Browser, type Page } from 'playwright-core';
import { findChromium } from '@orbis/service';
import { compose, documentText, loaderTag, openCode, type Options } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { line, median } from './figures.ts';

const film =
  '<iframe width="560" height="315" src="https://play.kinorill.localhost/film/nB4" title="A night" allow="fullscreen"></iframe>';
const calendar =
  '<div class="slotsedge-calendar" data-calendar="x"></div><script async src="https://cdn.slotsedge.localhost/booking.js"></script>';

/* As high as the stand-in below makes itself. */
const room = '320:300, 1280:300';

const cases: readonly [label: string, code: string, options: Options][] = [
  ['a film as it was pasted', film, {}],
  ['a responsive film', film, { 'fit': 'shape', 'max-width': 720 }],
  ['a film with heading and caption', film, { fit: 'shape', heading: 'Tonight', caption: 'On the moor' }],
  ['a film near the screen', film, { fit: 'shape', load: 'near' }],
  ['a film at a press', film, { fit: 'shape', load: 'click' }],
  ['a film when allowed', film, { fit: 'shape', load: 'allow' }],
  ['a calendar as it was pasted', calendar, {}],
  ['a calendar at a press', calendar, { load: 'click' }],
  ['a calendar with its room', calendar, { heights: room }],
  ['the same at a press', calendar, { load: 'click', heights: room }],
];
const rounds = 5;
/* So long, in ms, a provider takes to answer. */
const answersAfter = 250;

/** What a look costs a page: bytes, moves of what stands below it, the largest paint, and who is asked. */
export async function looks(): Promise<string> {
  const sheets = builtInSheets();
  const browser = await chromium.launch({
    executablePath: findChromium(undefined) ?? undefined,
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update'],
  });
  try {
    const rows: string[] = [];
    for (const [label, code, options] of cases) {
      const text = documentText(compose(openCode(code, { sheets }), options).snippets);
      const seen: Seen[] = [];
      for (let i = 0; i < rounds; i++) seen.push(await look(browser, text));
      const bytes = Buffer.byteLength(text.replace(loaderTag, '')) - Buffer.byteLength(code);
      rows.push(
        line(
          label,
          String(bytes),
          median(seen.map(({ shift }) => shift)).toFixed(3),
          median(seen.map(({ paint }) => paint)).toFixed(0),
          String(seen[0]!.askedBefore),
          String(seen[0]!.askedAfter),
        ),
      );
    }
    return `What a look costs a page (medians of ${rounds}; a provider answers after ${answersAfter} ms)\n${line('', 'bytes', 'shift', 'paint, ms', 'asked', 'pressed')}${rows.join('')}The loader, once a page: ${Buffer.byteLength(loaderTag)} bytes\n`;
  } finally {
    await browser.close();
  }
}

interface Seen {
  /** Moves of the layout, from the beginning to after the press (Layout Instability, section 2). */
  shift: number;
  /** The largest paint, in ms from the beginning (Largest Contentful Paint, section 2). */
  paint: number;
  /** Requests to others than the site before the button is pressed, and in all. */
  askedBefore: number;
  askedAfter: number;
}

async function look(browser: Browser, text: string): Promise<Seen> {
  const page = await (await browser.newContext({ viewport: { width: 800, height: 700 } })).newPage();
  let asked = 0;
  const html = `<!doctype html><html lang="en"><title>Page</title><style>body{margin:24px;font:18px/1.6 serif}</style><h1>A night on the moor</h1>${text}${'<p>Words below it, which should stay where they are.</p>'.repeat(8)}`;
  await page.route('**/*', async (route) => {
    const url = route.request().url();
    if (url === 'https://site.example/') return route.fulfill({ contentType: 'text/html', body: html });
    asked++;
    await new Promise((done) => setTimeout(done, answersAfter));
    return route.fulfill(
      url.endsWith('.js')
        ? {
            contentType: 'text/javascript',
            body: 'document.querySelector(".slotsedge-calendar").innerHTML="<div style=\'height:300px\'>Nights</div>"',
          }
        : { contentType: 'text/html', body: '<p>The film</p>' },
    );
  });
  await page.addInitScript(watch);
  await page.goto('https://site.example/');
  await page.waitForTimeout(600);
  const askedBefore = asked;
  await press(page);
  await page.waitForTimeout(600);
  const { shift, paint } = await page.evaluate(
    () => (window as unknown as { seen: { shift: number; paint: number } }).seen,
  );
  await page.context().close();
  return { shift, paint, askedBefore, askedAfter: asked };
}

const press = async (page: Page): Promise<void> => {
  const button = page.locator('[data-orbis-load]>button');
  // By a script, as what moves within half a second of a press counts as expected.
  if ((await button.count()) > 0) await button.evaluate((each: HTMLButtonElement) => each.click());
};

/* Runs in the page. */
function watch(): void {
  const seen = { shift: 0, paint: 0 };
  (window as unknown as { seen: typeof seen }).seen = seen;
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) seen.shift += (entry as unknown as { value: number }).value;
  }).observe({ type: 'layout-shift', buffered: true });
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) seen.paint = entry.startTime;
  }).observe({ type: 'largest-contentful-paint', buffered: true });
}
