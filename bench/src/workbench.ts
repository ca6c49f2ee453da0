import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { chromium, type Page } from 'playwright-core';
import { createClient, type Client } from '@orbis/contract';
import { loopbackFetch, startDemoServer } from '@orbis/demo';
import { findChromium, readSettings, startOrbis } from '@orbis/service';
import { line, median } from './figures.ts';

const rounds = 15;
const looks = 5;
/* So long, in ms, the console lets the typing rest before it composes. */
const rest = 300;
const password = 'seven owls over the fell';

/**
 * How soon the workbench shows a change, and how long looking at an embed with a browser takes, against a
 * browser that is only started and shown an empty page.
 */
export async function workbench(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const settings = readSettings(
    { ORBIS_DATA: folder, ORBIS_PORT: '0', ORBIS_FRAMES_PORT: '0', ORBIS_ALLOW_PRIVATE: 'yes' },
    folder,
  );
  const orbis = await startOrbis(settings, { log: pino({ level: 'silent' }), durable: false });
  const world = await startDemoServer({ port: 0, folder });
  try {
    const url = orbis.origins.console;
    const fetch = loopbackFetch();
    const secret = new URL(await orbis.link('password')).hash.slice(1);
    await createClient({ url, fetch }).call('password.set', { body: { secret, password, name: 'Bench' } });
    const { data } = await createClient({ url, fetch }).call('tokens.exchange', {
      body: { password, name: 'bench' },
    });
    const client = createClient({ url, fetch, headers: { authorization: `Bearer ${data.token}` } });
    const text = `<iframe width="560" height="315" src="http://play.kinorill.localhost:${world.port}/film/nB4moorNight?knobs=1" title="Talk"></iframe>`;
    await client.call('embeds.create', { body: { name: 'Talk', text } });
    const site = `http://hollinfell.localhost:${world.port}`;
    await client.call('sites.create', { body: { key: 'hollinfell', name: 'Hollin Fell', address: site } });
    await client.call('pages.create', { body: { key: 'hollinfell/talks', title: 'Talks' } });
    const changes = await changesShown(await orbis.link('sign-in'), `${url}/collection/talk`);
    return `From a change on, beyond the ${rest} ms that the typing rests, in ms (medians of ${rounds})\n${changeLines(changes)}\nA preview, through the interface, in ms (medians of ${rounds})\n${await previewTimes(client)}\nLooking with a browser, in s (medians of ${looks})\n${await lookingTimes(client)}`;
  } finally {
    await world.stop();
    await orbis.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/* From a change on, in ms: until the browser is given the address of the changed preview, which is our own
   work, and until it has found a process for its host and begins to show it. */
interface Change {
  given: number;
  shown: number;
}

const changeLines = (changes: readonly Change[]): string =>
  [
    line('until its frame has a new address', spread(changes.map(({ given }) => given))),
    line('until the browser begins to show it', spread(changes.map(({ shown }) => shown))),
  ].join('');

const spread = (times: readonly number[]): string =>
  `${median(times).toFixed(0)} (at most ${Math.max(...times).toFixed(0)})`;

async function changesShown(signIn: string, address: string): Promise<Change[]> {
  const browser = await chromium.launch({
    executablePath: findChromium(undefined) ?? undefined,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(signIn);
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(address);
    await page.getByRole('button', { name: /^How it looks/ }).click();
    await page.locator('iframe').waitFor();
    await page.evaluate(watching);
    const found: Change[] = [];
    for (let i = 0; i < rounds; i++) found.push(await changeShown(page, 400 + i));
    return found;
  } finally {
    await browser.close();
  }
}

/* Notes in the page when something was typed, and when its frame was given another address. */
const watching = `(() => {
  const address = () => document.querySelector('iframe')?.src;
  let last = address();
  document.addEventListener('input', () => (window.typed = performance.now()), true);
  new MutationObserver(() => {
    if (address() === last) return;
    last = address();
    window.given = performance.now() - window.typed;
  }).observe(document.body, { subtree: true, childList: true, attributes: true, attributeFilter: ['src'] });
})()`;

async function changeShown(page: Page, width: number): Promise<Change> {
  const field = page.locator('[data-option="max-width"]');
  // What came before is at rest.
  await page.waitForTimeout(1500);
  const before = page.frames().map((frame) => frame.url());
  const shown = page.waitForEvent(
    'framenavigated',
    (frame) =>
      frame.parentFrame() === page.mainFrame() &&
      frame.url().includes('.frames.') &&
      !before.includes(frame.url()),
  );
  const began = performance.now();
  await field.fill(String(width));
  await shown;
  const given = await page.evaluate<number>('window.given');
  return { given: given - rest, shown: performance.now() - began - rest };
}

/* The page is kept after the first time, as it is for whoever looks at a draft again and again. */
async function previewTimes(client: Client): Promise<string> {
  const body = { embed: 'talk' };
  const inPage = { ...body, on: { page: 'hollinfell/talks' } };
  const rows: string[] = [];
  for (const [label, asked] of [
    ['by itself', body],
    ['in a page of the site', inPage],
  ] as const) {
    await client.call('previews.create', { body: asked });
    const times: number[] = [];
    for (let i = 0; i < rounds; i++)
      times.push(await taken(() => client.call('previews.create', { body: asked })));
    rows.push(line(label, median(times).toFixed(0)));
  }
  return rows.join('');
}

const taken = async (work: () => Promise<unknown>): Promise<number> => {
  const began = performance.now();
  await work();
  return performance.now() - began;
};

async function lookingTimes(client: Client): Promise<string> {
  const body = { embed: 'talk' };
  const works: [label: string, work: () => Promise<unknown>][] = [
    ['a browser that shows an empty page', bareBrowser],
    ['a picture of a preview', () => client.call('pictures.create', { body })],
    [
      'a picture of it in a page of the site',
      () => client.call('pictures.create', { body: { ...body, on: { page: 'hollinfell/talks' } } }),
    ],
    ['a still in three types, at 0:04', () => client.call('stills.create', { body: { ...body, at: 4 } })],
    ['heights at five widths', () => client.call('measurements.create', { body })],
    ['a weight, beside the bare code’s', () => client.call('weighings.create', { body })],
  ];
  const rows: string[] = [];
  for (const [label, work] of works) {
    const times: number[] = [];
    for (let i = 0; i < looks; i++) times.push((await taken(work)) / 1000);
    rows.push(line(label, median(times).toFixed(1)));
  }
  return rows.join('');
}

async function bareBrowser(): Promise<void> {
  const browser = await chromium.launch({
    executablePath: findChromium(undefined) ?? undefined,
    args: ['--no-sandbox'],
  });
  const page = await browser.newPage();
  await page.setContent('<p>empty</p>');
  await page.screenshot();
  await browser.close();
}
