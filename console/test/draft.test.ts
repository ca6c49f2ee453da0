import { expect } from 'chai';
import type { Page, Request } from 'playwright-core';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { mergedDraft, type Draft } from '../src/embed/draft.ts';
import { closeBrowser, expectShown, newWindow } from './support/browser.ts';
import { closeDrawer, openDrawer, openStep, showCode } from './support/workbench.ts';

const code =
  '<iframe src="https://play.kinorill.localhost/film/nB4?knobs=1&amp;from=5" title="Opening talk" width="560" height="315"></iframe>';

describe('a draft over which something else was saved', () => {
  for (const [what, begun, mine, saved, draft, both] of [
    ['keeps what it changed', { a: '1' }, { a: '2' }, { a: '1', b: '3' }, { a: '2', b: '3' }, []],
    ['takes what it left alone', { a: '1' }, { a: '1', c: '4' }, { a: '5' }, { a: '5', c: '4' }, []],
    ['keeps out what it took out', { a: '1', b: '2' }, { b: '2' }, { a: '1', b: '3' }, { b: '3' }, []],
    ['lets go what was taken out', { a: '1', b: '2' }, { a: '9', b: '2' }, { a: '1' }, { a: '9' }, []],
    ['names what both changed', { a: '1' }, { a: '2' }, { a: '3' }, { a: '2' }, ['a']],
    ['names what one changed and one took out', { a: '1' }, { a: '2' }, {}, { a: '2' }, ['a']],
    ['names nothing that both changed alike', { a: '1' }, { a: '2' }, { a: '2' }, { a: '2' }, []],
  ] as [string, Draft, Draft, Draft, Draft, string[]][])
    it(what, () => expect(mergedDraft(begun, mine, saved)).to.deep.equal({ draft, both }));
});

describe('a draft at the workbench', () => {
  let test: TestOrbis;
  let page: Page;
  const asked: string[] = [];
  const frameAddress = () => page.locator('iframe[title="Preview of the embed"]').getAttribute('src');
  const shownCode = (text: string) => page.getByText(text).first().waitFor();

  before(async () => {
    test = await startTestOrbis();
    await test.client.call('embeds.create', { body: { name: 'Opening talk', text: code } });
    await test.client.call('sites.create', {
      body: { key: 'fell', name: 'Fell', address: 'http://fell.localhost' },
    });
    await test.client.call('pages.create', { body: { key: 'fell/talks', title: 'Talks' } });
    await test.client.call('spots.create', { body: { key: 'fell/talks#main' } });
    ({ page } = await newWindow());
    page.on('request', (request: Request) =>
      asked.push(`${request.method()} ${new URL(request.url()).pathname}`),
    );
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/collection/opening-talk`);
    await page.locator('iframe[title="Preview of the embed"]').waitFor();
    await showCode(page);
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('is composed in the browser, as the service would compose it, once the typing rests', async () => {
    asked.length = 0;
    await page.getByLabel('Start', { exact: true }).pressSequentially('1:52');
    await shownCode('from=112');
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByRole('button', { name: 'Save as revision 3' }).waitFor();
    const { data } = await test.client.call('compositions.create', {
      body: { embed: 'opening-talk', options: { start: 112 } },
    });
    const texts = await page.locator('pre').allInnerTexts();
    expect(texts.map((text) => text.trim())).to.include(data.text.trim());
    expect(asked.filter((line) => line.includes('/compositions'))).to.deep.equal([]);
  });

  it('stands once the provider’s sheet is known: nothing is said of settings, or moves, before', async () => {
    let known = () => {};
    const sheet = new Promise<void>((done) => (known = done));
    await page.route('**/api/v1/providers/kinorill', async (route) => {
      await sheet;
      await route.continue();
    });
    await page.goto(`${test.url}/collection/opening-talk`);
    await page
      .getByRole('heading', { name: 'Opening talk', level: 1 })
      .or(page.getByLabel('Loading'))
      .first()
      .waitFor();
    expect(await page.getByText('no sheet for this provider').count()).to.equal(0);
    expect(await page.getByRole('button', { name: /^Where it goes/ }).count()).to.equal(0);
    known();
    await page.getByLabel('Start', { exact: true }).waitFor();
    await page.getByRole('button', { name: /^Where it goes/ }).waitFor();
    await page.unroute('**/api/v1/providers/kinorill');
    await page.locator('iframe[title="Preview of the embed"]').waitFor();
  });

  it('keeps its preview while the code that is shown stays the same', async () => {
    const before = await frameAddress();
    asked.length = 0;
    await openDrawer(page, 'Details');
    await page.getByRole('textbox', { name: 'Name' }).fill('Opening talk, cut');
    await page.getByRole('button', { name: 'Save these' }).click();
    await page.getByText('Opening talk, cut', { exact: true }).waitFor();
    await closeDrawer(page);
    expect(asked).to.include('PATCH /api/v1/embeds/opening-talk');
    expect(asked.filter((line) => line.includes('/previews'))).to.deep.equal([]);
    expect(await frameAddress()).to.equal(before);
  });

  it('begins anew where something else is saved, and says what cannot be had', async () => {
    await page.getByLabel('Start', { exact: true }).fill('2:00');
    await page.getByLabel('End', { exact: true }).fill('1:00');
    await page
      .getByText(/end.*start|start.*end/i)
      .first()
      .waitFor();
    expect(await page.getByRole('button', { name: 'Save as revision 3' }).isEnabled()).to.equal(false);
    await page.getByRole('button', { name: 'Back to revision 2' }).click();
    expect(await page.getByLabel('Start', { exact: true }).inputValue()).to.equal('1:52');
  });

  it('goes back step by step and on again, by buttons and by keys', async () => {
    const start = page.getByLabel('Start', { exact: true });
    await start.fill('1:40');
    await openStep(page, 'How it looks');
    await page.getByLabel('Fit').click();
    await page.getByRole('option', { name: 'Always in its shape' }).click();
    await showCode(page);
    await shownCode('aspect-ratio');
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: /^How it looks/ }).focus();
    await page.keyboard.press('Control+z');
    await openStep(page, 'What it does');
    expect(await start.inputValue()).to.equal('1:52');
    await page.getByRole('button', { name: /^What it does/ }).focus();
    await page.keyboard.press('Control+Shift+z');
    expect(await start.inputValue()).to.equal('1:40');
    await page.getByRole('button', { name: 'Redo' }).click();
    await page.getByRole('button', { name: /^How it looks.*always in its shape/ }).waitFor();
  });

  it('asks before it is left with something that is not saved', async () => {
    await page.getByRole('link', { name: 'Places' }).click();
    await page.getByRole('dialog').getByText('is not saved', { exact: false }).waitFor();
    await page.getByRole('button', { name: 'Stay here' }).click();
    expect(new URL(page.url()).pathname).to.equal('/collection/opening-talk');
    await page.getByRole('link', { name: 'Places' }).click();
    await page.getByRole('button', { name: 'Leave', exact: true }).click();
    await page.getByRole('heading', { name: 'Places', level: 1 }).waitFor();
    await page.goto(`${test.url}/collection/opening-talk`);
    await page.getByRole('button', { name: 'Back to revision 2' }).waitFor({ state: 'hidden' });
  });

  it('does not scroll on a desktop, and shows the code that waits in its preview', async () => {
    const size = await page.evaluate(() => [document.documentElement.scrollHeight, window.innerHeight]);
    expect(size[0]).to.equal(size[1]);
    await openStep(page, 'How it loads');
    await page.getByLabel('Loads').click();
    await page.getByRole('option', { name: 'When pressed' }).click();
    const inside = page.frameLocator('iframe[title="Preview of the embed"]');
    const play = inside.getByRole('button', { name: /^Play the video/ });
    await expectShown(play);
    await play.press('Enter');
    await expectShown(inside.locator('iframe'));
    await page.getByRole('button', { name: 'Back to revision 2' }).click();
  });

  it('says so where a code takes too long, and composes the next draft with another worker', async () => {
    const worker = /compose\.worker/;
    await page.route(worker, (route) =>
      route.fulfill({ contentType: 'text/javascript', body: 'self.onmessage = () => {};' }),
    );
    await page.clock.install();
    const asked = page.waitForRequest(worker);
    await page.goto(`${test.url}/collection/opening-talk`);
    await asked;
    await page.clock.fastForward(61_000);
    await page.getByText('longer than 60 seconds').waitFor();
    await page.unroute(worker);
    await showCode(page);
    await page.getByLabel('Start', { exact: true }).fill('1:53');
    await shownCode('from=113');
  });
});
