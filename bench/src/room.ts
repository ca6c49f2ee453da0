import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { chromium, type Browser } from 'playwright-core';
import { createClient, type Client } from '@orbis/contract';
import { compose, documentText, openCode, type Options } from '@orbis/core';
import { demoCodes, loopbackFetch, startDemoServer } from '@orbis/demo';
import { findChromium, readSettings, startOrbis } from '@orbis/service';
import { builtInSheets } from '@orbis/sheets';
import { line, median } from './figures.ts';

const rounds = 5;
/* So long, in ms, everything but the page itself takes beside what it takes anyway. */
const delay = 250;
const width = 752;
const sheets = builtInSheets();

/**
 * How far what stands below a code moves while that comes (Layout Instability, section 2): each kind of the
 * demo as it was pasted, and with its room kept as it was measured.
 */
export async function room(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const settings = readSettings(
    { ORBIS_DATA: folder, ORBIS_PORT: '0', ORBIS_FRAMES_PORT: '0', ORBIS_ALLOW_PRIVATE: 'yes' },
    folder,
  );
  const orbis = await startOrbis(settings, { log: pino({ level: 'silent' }), durable: false });
  const world = await startDemoServer({ port: 0, folder });
  const browser = await chromium.launch({
    executablePath: findChromium(undefined) ?? undefined,
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const client = await signedIn(orbis);
    const rows: string[] = [];
    for (const [kind, code] of codesByKind(world.port)) {
      const kept = await roomOf(client, code);
      const bare = await moved(browser, code, {});
      const reserved = kept ? await moved(browser, code, kept.options) : null;
      rows.push(line(kind, bare, reserved ?? '–', kept?.by ?? 'none'));
    }
    return `Moves of the layout at ${width} px (medians of ${rounds}; all that is loaded comes ${delay} ms late)\n${line('', 'as pasted', 'with room', 'room by')}${rows.join('')}`;
  } finally {
    await browser.close();
    await world.stop();
    await orbis.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function signedIn({ origins, link }: Awaited<ReturnType<typeof startOrbis>>): Promise<Client> {
  const connection = { url: origins.console, fetch: loopbackFetch() };
  const password = 'seven owls over the fell';
  const secret = new URL(await link('password')).hash.slice(1);
  const nobody = createClient(connection);
  await nobody.call('password.set', { body: { secret, password, name: 'Bench' } });
  const { data } = await nobody.call('tokens.exchange', { body: { password, name: 'bench' } });
  return createClient({ ...connection, headers: { authorization: `Bearer ${data.token}` } });
}

const film =
  '<iframe src="https://play.kinorill.localhost/film/nB4moorNight" width="560" height="315" title="Talk"></iframe>';
const form =
  '<div class="formwold-letter" data-letter="hf-monthly"></div>\n<script async src="https://formwold.localhost/form.js"></script>';

function codesByKind(port: number): Map<string, string> {
  const onPort = (text: string): string =>
    text.replaceAll(/https:\/\/([a-z.-]+\.localhost)/g, `http://$1:${port}`);
  const codes = new Map([
    ['video', film],
    ['form', form],
  ]);
  for (const { kind, text } of demoCodes) if (kind && !codes.has(kind)) codes.set(kind, text);
  return new Map([...codes].map(([kind, text]) => [kind, onPort(text)]));
}

/* As it was measured; where it has no height of its own, by its shape; null where it stands over the page. */
async function roomOf(client: Client, text: string): Promise<{ by: string; options: Options } | null> {
  const { data } = await client.call('measurements.create', { body: { text, widths: [width] } });
  const [found] = data.heights;
  const options: Options = found ? { heights: `${width}:${found.height}` } : { fit: 'shape' };
  const { problems } = compose(openCode(text, { sheets }), options);
  return problems.length > 0 ? null : { by: found ? `${found.height} px` : 'shape', options };
}

async function moved(browser: Browser, code: string, options: Options): Promise<string> {
  const text = documentText(compose(openCode(code, { sheets }), options).snippets);
  const shifts: number[] = [];
  for (let i = 0; i < rounds; i++) shifts.push(await shiftOf(browser, text));
  return median(shifts).toFixed(3);
}

async function shiftOf(browser: Browser, text: string): Promise<number> {
  const context = await browser.newContext({ viewport: { width: width + 48, height: 900 } });
  const page = await context.newPage();
  const html = `<!doctype html><html lang="en"><title>Page</title><style>body{margin:24px;font:16px/1.5 sans-serif}</style><h1>A night on the moor</h1>${text}${'<p>Words below it, which should stay where they are.</p>'.repeat(12)}`;
  // Browsers let a page ask on loopback only where it comes from there itself.
  const server = createServer((_, response) =>
    response.setHeader('Content-Type', 'text/html').end(html),
  ).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const address = `http://site.localhost:${(server.address() as AddressInfo).port}/`;
  await page.route('**/*', async (route) => {
    if (route.request().url() === address) return route.continue();
    await new Promise((done) => setTimeout(done, delay));
    return route.continue();
  });
  await page.addInitScript(watch);
  await page.goto(address);
  await page.waitForTimeout(1500);
  const shift = await page.evaluate<number>('window.shift');
  await context.close();
  server.close();
  return shift;
}

const watch = `window.shift = 0;
new PerformanceObserver((list) => {
  for (const { value } of list.getEntries()) window.shift += value;
}).observe({ type: 'layout-shift', buffered: true });`;
