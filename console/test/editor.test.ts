import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { loopbackFetch, smallSites, spotOfAll } from '@orbis/demo';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

const hostel = smallSites.find(({ key }) => key === 'moorhostel')!;
const page = `${hostel.key}/${hostel.page.path}`;

describe('an owner whose editor changes what is pasted', () => {
  let test: TestOrbis;
  let ahead = 0;
  before(async () => {
    test = await startTestOrbis({ worldTime: () => Date.now() + ahead });
    const { client } = test;
    for (const { key, host, name, page: of } of smallSites) {
      await client.call('sites.create', {
        body: { key, name, address: `http://${host}:${test.world.port}` },
      });
      await client.call('pages.create', { body: { key: `${key}/${of.path}`, title: of.title } });
      await client.call('spots.create', { body: { key: `${key}/${of.path}#${spotOfAll}` } });
    }
    const text = `<div class="slotsedge-calendar" data-calendar="nights"></div>\n<script async src="http://cdn.slotsedge.localhost:${test.world.port}/booking.js"></script>`;
    await client.call('embeds.create', { body: { name: 'Nights', text } });
    await client.call('placements.create', { body: { embed: 'nights', place: `${page}#${spotOfAll}` } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  /* As whoever works with the editor of a site does it. */
  const publish = async (key: string, code: string): Promise<void> => {
    const { host, page: of } = smallSites.find((site) => site.key === key)!;
    await loopbackFetch()(`http://${host}:${test.world.port}/edit/${of.path}`, {
      method: 'POST',
      redirect: 'manual',
      body: new URLSearchParams({ code }).toString(),
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
    });
  };
  const signedIn = async (): Promise<Awaited<ReturnType<typeof newWindow>>> => {
    const window = await newWindow();
    await window.context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await window.page.goto(await test.orbis.link('sign-in'));
    await window.page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    return window;
  };
  const copied = (window: Page): Promise<string> => window.evaluate('navigator.clipboard.readText()');
  const noHarm = async (window: Page): Promise<void> => {
    expect(await barriers(window)).to.deep.equal([]);
  };

  /* The sheet for whoever does the pasting: the steps with their codes, and nothing to press. */
  const printed = async (window: Page): Promise<void> => {
    await window.evaluate('window.print = () => { window.sheets = (window.sheets ?? 0) + 1 }');
    await window.getByRole('button', { name: 'Print the steps' }).click();
    await until(async () => (await window.evaluate('window.sheets')) === 1);
    await window.emulateMedia({ media: 'print' });
    expect(await window.getByRole('navigation').isVisible()).to.equal(false);
    expect(await window.getByRole('button').count()).to.equal(0);
    const { data } = await test.client.call('placements.list', { query: { page, limit: 1 } });
    expect(data.items[0]!.issued?.delivery).to.equal(1);
    await window.getByText(`src="http://${data.items[0]!.id}.frames.localhost`, { exact: false }).waitFor();
    await window.emulateMedia({ media: 'screen' });
  };

  it('finds out what it lets through, is handed out what survives, and sees it live', async () => {
    const { context, page: window, complaints } = await signedIn();
    await window.goto(`${test.url}/places/${hostel.key}/editor`);
    await window.getByRole('button', { name: 'Copy the specimen' }).click();
    await window.getByText('Copied').waitFor();
    await publish(hostel.key, await copied(window));
    await window.getByRole('button', { name: 'Read it' }).click();
    await window.getByText('<iframe> comes through without title, name', { exact: false }).waitFor();
    await noHarm(window);
    await window.getByRole('button', { name: 'Keep these rules' }).click();
    await window.getByText('Orbis knows what the editor of', { exact: false }).waitFor();
    expect(await window.getByLabel('Attributes', { exact: true }).inputValue()).to.equal('src');
    const showed = window.getByRole('region', { name: 'What it showed last' });
    await showed.getByRole('button', { name: 'Show what became of each piece' }).click();
    await showed.getByText('<iframe> comes through without title, name', { exact: false }).waitFor();

    await window.goto(`${test.url}/plan?page=${page}`);
    await window.getByText('it is handed out in a frame that Orbis serves', { exact: false }).waitFor();
    await noHarm(window);
    await printed(window);
    await window.getByRole('button', { name: `Copy what goes to ${page}#${spotOfAll}` }).click();
    await window.getByText('Copied').waitFor();
    const code = await copied(window);
    expect(code).to.match(/^<iframe src="[^"]*"><\/iframe>$/);
    await publish(hostel.key, code);
    await window.getByRole('button', { name: 'Check this page now' }).click();
    await window.getByText('Already there').waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('is told that it may want a line first, says which, and what else no specimen shows', async () => {
    const { context, page: window } = await signedIn();
    await window.goto(`${test.url}/places/nightwalkers/editor`);
    const read = async (): Promise<void> => {
      await window.getByRole('button', { name: 'Copy the specimen' }).click();
      await window.getByText('Copied').waitFor();
      await publish('nightwalkers', await copied(window));
      ahead += 120_000;
      await window.getByRole('button', { name: 'Read it' }).click();
    };
    await read();
    await window.getByText('does the editor want a line of its own', { exact: false }).waitFor();
    expect(await window.getByRole('button', { name: 'Keep these rules' }).count()).to.equal(0);
    await window.getByLabel('A line before each code').fill('[[code]]');
    await window.getByLabel('Minutes until it can be seen').fill('2');
    await window.getByLabel('Where to click').fill('The grey button, then “Code”.');
    await window.getByRole('button', { name: 'Add a field' }).click();
    await window.getByLabel('As the editor calls it').fill('Title');
    await window.getByRole('button', { name: 'Save for this editor' }).click();
    await window.getByText('Saved for the editor of', { exact: false }).waitFor();
    await window.reload();
    await read();
    await window.getByText('This editor lets scripts and frames through', { exact: false }).waitFor();
    const { data } = await test.client.call('sites.read', { params: { site: 'nightwalkers' } });
    expect(data.editor).to.deep.include({
      ...{ firstLine: '[[code]]', delay: 2 },
      asksFor: [{ label: 'Title', value: 'title' }],
    });
    await window.goto(`${test.url}/plan?page=nightwalkers/walks`);
    await window.getByText('The grey button, then “Code”.').waitFor();
    await window.getByText('What you publish can be seen after 2 minutes.').waitFor();
    await window.getByText('Nothing is placed on this page.', { exact: false }).waitFor();
    await context.close();
  });

  it('is not offered to take something else back where nothing was changed', async () => {
    const { db } = test.orbis.connection;
    await db.execute('update change_log set created_at = created_at - interval 1 hour');
    const { context, page: window } = await signedIn();
    await window.goto(`${test.url}/places/${hostel.key}/editor`);
    const save = window.getByRole('button', { name: 'Save for this editor' });
    await save.click();
    await window.getByText('Saved for the editor of', { exact: false }).waitFor();
    expect(await window.getByRole('button', { name: 'Undo' }).count()).to.equal(0);
    await window.getByLabel('Where to click').fill('The plus.');
    await save.click();
    await window.getByRole('button', { name: 'Undo' }).click();
    await window.getByText(`Taken back: Changed the site ${hostel.key}`, { exact: false }).waitFor();
    await context.close();
  });

  it('has a field for style rules, and what holds on phones only goes there', async () => {
    const { client } = test;
    await client.call('embeds.create', {
      body: {
        name: 'Moor film',
        text: '<iframe src="http://play.kinorill.localhost/film/a1" width="560" height="315" title="Moor"></iframe>',
        options: { 'max-width': 600, 'max-width.phone': 300 },
      },
    });
    const at = 'darkskyweek/';
    const place = `${at}#${spotOfAll}`;
    const { path } = smallSites.find(({ key }) => key === 'darkskyweek')!.page;
    await client.call('placements.create', {
      body: { embed: 'moor-film', place: place.replace('/', `/${path}`) },
    });
    const { context, page: window } = await signedIn();
    await window.goto(`${test.url}/places/darkskyweek/editor`);
    await window.getByLabel('Each page has a field of its own for style rules (CSS)').check();
    await window.getByRole('button', { name: 'Save' }).first().click();
    await until(
      async () =>
        (await client.call('sites.read', { params: { site: 'darkskyweek' } })).data.editor.styleField,
    );
    expect(await barriers(window)).to.deep.equal([]);
    await window.goto(`${test.url}/plan?page=${encodeURIComponent(`${at}${path}`)}`);
    await window
      .getByText('into the field for style rules (CSS) of the page', { exact: false })
      .first()
      .waitFor();
    await window.getByRole('button', { name: /^Copy what goes to into the field for style rules/ }).click();
    await window.getByText('Copied').waitFor();
    expect(await window.evaluate(() => navigator.clipboard.readText())).to.match(/^@media [^<]*\{\.orbis-/);
    await client.call('sites.change', {
      params: { site: 'darkskyweek' },
      ifMatch: '*',
      body: { editor: { styleField: false } },
    });
    await context.close();
  });

  it('takes its rules out as a file, and takes them in at another site', async () => {
    await test.client.call('sites.change', {
      params: { site: hostel.key },
      ifMatch: '*',
      body: { editor: { comments: false, delay: 7 } },
    });
    const { context, page: window } = await signedIn();
    await window.goto(`${test.url}/places/${hostel.key}/editor`);
    const [download] = await Promise.all([
      window.waitForEvent('download'),
      window.getByRole('link', { name: 'Export the rules' }).click(),
    ]);
    expect(download.suggestedFilename()).to.equal(`editor-of-${hostel.key}.json`);
    const rules = readFileSync(await download.path());
    const editorOf = async (site: string) =>
      (await test.client.call('sites.read', { params: { site } })).data.editor;
    await window.goto(`${test.url}/places/darkskyweek/editor`);
    const take = (name: string, buffer: Buffer): Promise<void> =>
      window
        .getByLabel('Take rules from a file')
        .setInputFiles({ name, mimeType: 'application/json', buffer });
    const before = await editorOf('darkskyweek');
    await take('list.json', Buffer.from('[1]'));
    await window.getByText('There are no rules of an editor in this file.').waitFor();
    await take('wrong.json', Buffer.from('{"delay":-1}'));
    await window.getByText('“editor/delay”', { exact: false }).waitFor();
    expect(await editorOf('darkskyweek')).to.deep.equal(before);
    await take('rules.json', rules);
    await window.getByText('has the rules of the file now.', { exact: false }).waitFor();
    expect(await editorOf('darkskyweek')).to.deep.equal(await editorOf(hostel.key));
    await window.getByRole('button', { name: 'Undo' }).click();
    await window.getByText('Taken back: Changed the site darkskyweek', { exact: false }).waitFor();
    expect(await editorOf('darkskyweek')).to.deep.equal(before);
    await context.close();
  });

  it('has the rules of another site with the same editor', async () => {
    const { context, page: window } = await signedIn();
    await window.goto(`${test.url}/places/darkskyweek/editor`);
    await window.getByLabel('As on another site').click();
    await window.getByRole('option', { name: hostel.name }).click();
    await window.getByRole('button', { name: 'Save for this editor' }).click();
    await window.getByText('Saved for the editor of', { exact: false }).waitFor();
    const rulesOf = async (site: string) =>
      (await test.client.call('sites.read', { params: { site } })).data.editor;
    expect(await rulesOf('darkskyweek')).to.deep.equal(await rulesOf(hostel.key));
    await context.close();
  });
});
