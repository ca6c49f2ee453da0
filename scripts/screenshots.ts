// Draws the pictures in docs/screenshots from the demo's data. Needs the demo's ports, so the
// demo must not be running.
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { readdir, readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { chromium, type Page } from 'playwright-core';
import { filesBelow, openFile, orbis as commandLine } from '@orbis/cli';
import { createClient } from '@orbis/contract';
import { loadDemo, loopbackFetch, peopleOfDemo, startDemoServer } from '@orbis/demo';
import type { Sheet } from '@orbis/core';
import { findChromium, readSettings, startOrbis } from '@orbis/service';
import { builtInSheets } from '@orbis/sheets';
import { looksPage } from './looks/page.ts';

const top = fileURLToPath(new URL('../', import.meta.url));
const out = join(top, 'docs/screenshots');
const folder = mkdtempSync(join(tmpdir(), 'orbis-pictures-'));
const port = 7430;
const fetch = loopbackFetch();
/** A code of several parts, with something wrong in it. */
const collected =
  '<link rel="stylesheet" href="https://cdn.slotsedge.localhost/booking.css">\n<div id="nights" class="slotsedge-calendar" data-calendar="YOUR-CALENDAR-ID"></div>\n<script src="https://cdn.slotsedge.localhost/booking.js"></script>\n<script>\n  slotsedge.mount(document.getElementById("nights"));\n</script>';
mkdirSync(out, { recursive: true });

const sheets = builtInSheets().map((sheet): Sheet =>
  sheet.hosts.length > 0 ? { ...sheet, answers: { scheme: 'http', port } } : sheet,
);
const settings = { ORBIS_DATA: folder, ORBIS_ALLOW_PRIVATE: 'yes', ORBIS_COPIES_TO: join(folder, 'copies') };
const orbis = await startOrbis(readSettings(settings, folder), {
  sheets,
  log: pino({ level: 'silent' }),
  durable: false,
});
const world = await startDemoServer({ port, folder });
const browser = await chromium.launch({
  executablePath: findChromium(undefined) ?? undefined,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update'],
});
try {
  const { console: url } = orbis.origins;
  const password = 'only for pictures';
  await createClient({ url, fetch }).call('password.set', {
    body: { secret: new URL(await orbis.link('password')).hash.slice(1), password, name: 'Hollin Fell' },
  });
  const { data } = await createClient({ url, fetch }).call('tokens.exchange', {
    body: { password, name: 'the laptop' },
  });
  const owner = createClient({ url, fetch, headers: { authorization: `Bearer ${data.token}` } });
  await loadDemo(owner, port);
  await peopleOfDemo(owner);
  const page = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })
  ).newPage();
  await page.goto(await orbis.link('sign-in'));
  await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();

  await page.setViewportSize({ width: 1280, height: 1180 });
  await at(page, '/', 'today', { height: 1000 });
  await page.goto(`${url}/collect`);
  await page.getByLabel('Code or link').fill(collected);
  await page.getByLabel('Name').fill('Book a night');
  await shoot(page, 'collect');
  await page.setViewportSize({ width: 1280, height: 1180 });
  await page.goto(`${url}/harvests`);
  await page.getByRole('link', { name: /^Twelve winters/ }).click();
  await shoot(page, 'harvest');
  await page.goto(`${url}/collection`);
  await page.getByRole('button', { name: /^Bring \d+ pictures up to date$/ }).click();
  await page.getByText(/^\d+ pictures taken/).waitFor({ timeout: 300_000 });
  await at(page, '/collection?view=pictures', 'collection', { height: 1000 });
  await at(page, '/collection/opening-talk', 'embed');
  await at(page, '/providers/kinorill', 'provider', { height: 1000 });
  await page.setViewportSize({ width: 1280, height: 1000 });
  await page.goto(`${url}/changes?where=${encodeURIComponent('kind=video -tag=mistakes')}`);
  await page.getByLabel('A preset').click();
  await page.getByRole('option', { name: 'fills its place' }).click();
  await page.getByRole('button', { name: 'See what it would do' }).click();
  await page.getByRole('button', { name: 'Do it' }).waitFor();
  await shoot(page, 'group');
  await page.setViewportSize({ width: 1280, height: 1400 });
  await page.goto(`${url}/providers/learn`);
  await page.getByLabel('Code or link 1').fill(sample('red-torches'));
  await page.getByLabel('Code or link 2').fill(sample('comet-sketches'));
  await page.getByRole('button', { name: 'See what they have in common' }).click();
  await page.getByRole('heading', { name: '2 questions for you' }).waitFor();
  await shoot(page, 'learn');
  await at(page, '/places', 'places');
  await page.setViewportSize({ width: 1280, height: 1000 });
  await page.goto(`${url}/plan?page=hollinfell/talks`);
  await page.getByRole('button', { name: 'Show the page in a picture' }).click();
  await page.getByRole('group', { name: 'Picture of Talks' }).getByRole('img').waitFor({ timeout: 60_000 });
  await shoot(page, 'plan');
  await editorLearned(page);
  await at(page, '/register', 'register', { height: 1000 });
  await at(page, '/sweeps', 'sweeps', { height: 900 });
  await together(page, 'keeping', ['/people', '/audit', '/copies', '/health']);
  await page.emulateMedia({ colorScheme: 'dark' });
  await at(page, '/attention', 'attention');
  await page.emulateMedia({ colorScheme: 'light' });
  await page.setViewportSize({ width: 1280, height: 1100 });
  await page.goto(`http://hollinfell.localhost:${port}/talks`);
  await shoot(page, 'published-page');
  await page.setViewportSize({ width: 1280, height: 1180 });
  await page.setContent(looksPage(sheets, port));
  await shoot(page, 'looks');
  await terminal(
    page,
    'terminal',
    [
      ['list', 'placements'],
      ['set', 'opening-talk', 'start=1:52', 'end=2:40'],
      ['where', 'opening-talk'],
      ['sweep', 'hollinfell/talks'],
    ],
    { url, token: data.token },
  );
  await terminal(
    page,
    'terminal-read',
    [
      ['read', '-'],
      ['explain', 'how-to-find-north'],
      ['harvest', `http://hollinfell.localhost:${port}/stories/twelve-winters`],
      ['compare', 'how-to-find-north', '1', '2'],
    ],
    { url, token: data.token },
  );
} finally {
  await browser.close();
  await world.stop();
  await orbis.stop();
  rmSync(folder, { recursive: true, force: true });
}

/** A code of Gladewick's, whom no sheet knows. */
function sample(name: string): string {
  return readFileSync(join(top, `demo/samples/gladewick/${name}.html`), 'utf8').trim();
}

/** What a site’s editor lets through, as its specimen shows. */
async function editorLearned(page: Page): Promise<void> {
  const { console: url } = orbis.origins;
  await page.goto(`${url}/places`);
  const text = await page.evaluate<string>(
    `fetch('/api/v1/sites/darkskyweek/specimen').then((answer) => answer.json()).then(({ text }) => text)`,
  );
  await page.goto(`http://darkskyweek.localhost:${port}/edit`);
  await page.locator('#code').fill(text);
  await page.getByRole('button', { name: 'Publish' }).click();
  await page.setViewportSize({ width: 1280, height: 1000 });
  await page.goto(`${url}/places/darkskyweek/editor`);
  await page.getByRole('button', { name: 'Read it' }).click();
  await page.getByRole('button', { name: 'Keep these rules' }).waitFor();
  await shoot(page, 'editor');
}

async function shoot(page: Page, name: string): Promise<void> {
  await page.waitForTimeout(1500);
  await page.screenshot({ path: join(out, `${name}.png`) });
}

async function at(
  page: Page,
  path: string,
  name: string,
  { width = 1280, height = 800 } = {},
): Promise<void> {
  await page.setViewportSize({ width, height });
  await page.goto(orbis.origins.console + path);
  // A preview comes when its code has been composed.
  if (path.startsWith('/collection/')) await page.locator('iframe[title="Preview of the embed"]').waitFor();
  await shoot(page, name);
}

/** Four screens in one picture. */
async function together(page: Page, name: string, paths: readonly string[]): Promise<void> {
  await page.setViewportSize({ width: 1280, height: 800 });
  const pictures: string[] = [];
  for (const path of paths) {
    await page.goto(orbis.origins.console + path);
    await page.waitForTimeout(2500);
    pictures.push((await page.screenshot()).toString('base64'));
  }
  await page.setViewportSize({ width: 1640, height: 1040 });
  // The console lets nobody write into its pages.
  await page.goto('about:blank');
  await page.setContent(
    `<body style="margin:0;padding:10px;display:grid;grid-template-columns:1fr 1fr;gap:20px;background:#8a8f8c">${pictures.map((each) => `<img alt="" style="width:100%" src="data:image/png;base64,${each}">`).join('')}`,
  );
  await page.screenshot({ path: join(out, `${name}.png`) });
}

/** Runs commands as on a terminal, and draws what they print. */
async function terminal(
  page: Page,
  name: string,
  commands: string[][],
  { url, token }: { url: string; token: string },
): Promise<void> {
  let printed = '';
  for (const args of commands) {
    printed += `\u001b[1m$ orbis ${args.join(' ')}\u001b[22m\n`;
    await commandLine(args, {
      stdin: () => Promise.resolve(collected),
      out: (text) => void (printed += text),
      err: (text) => void (printed += text),
      outIsTerminal: true,
      errIsTerminal: false,
      width: 100,
      readFolder: (path) => readdir(join(top, path)).catch(() => null),
      readFile: (path) => readFile(join(top, path), 'utf8'),
      // What a command would leave behind is in nobody's way here.
      writeFile: () => Promise.resolve(),
      openFile: (path) => openFile(join(top, path)),
      filesBelow: (path) => filesBelow(join(top, path)),
      writeStream: () => Promise.resolve(),
      askSecret: () => Promise.resolve(''),
      ask: null,
      open: null,
      program: () => Promise.resolve({ exit: null, out: '', err: '' }),
      env: { ORBIS_URL: url, ORBIS_TOKEN: token, FORCE_COLOR: '1' },
      fetch,
      signal: new AbortController().signal,
    });
    printed += '\n';
  }
  const escape = String.fromCharCode(27);
  const styles: Record<string, string> = {
    '1': 'font-weight:700',
    '2': 'opacity:.6',
    '31': 'color:#ef9a8d',
    '32': 'color:#8fc7a3',
    '33': 'color:#e0a84f',
    '36': 'color:#a9c6da',
  };
  const html = printed
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replace(new RegExp(`${escape}\\[(\\d+)m`, 'g'), (_, code: string) =>
      styles[code] ? `<span style="${styles[code]}">` : '</span>',
    );
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.setContent(
    `<body style="margin:0;background:#171b19"><pre style="margin:0;padding:28px 32px;color:#ece7db;font:14px/1.5 'DejaVu Sans Mono',monospace;white-space:pre-wrap;overflow-wrap:anywhere">${html}</pre></body>`,
  );
  await page.screenshot({ path: join(out, `${name}.png`), fullPage: true });
}
