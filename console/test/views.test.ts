import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, expectShown, expectSoon } from './support/browser.ts';
import { openedEmbed } from './support/workbench.ts';

describe('an owner who looks at an embed in other ways', () => {
  let test: TestOrbis;
  let server: Server;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    server = createServer(({ url }, response) => {
      if (url === '/site.css')
        response.setHeader('content-type', 'text/css').end('body{background:rgb(1,2,3)}');
      else
        response.setHeader('content-type', 'text/html').end(
          `<!doctype html><link rel="stylesheet" href="/site.css"><script>document.title = 'It ran'</script>
             <img src="http://play.kinorill.localhost:${test.world.port}/none.png" alt=""><main><h1>Talks</h1><p>Each of them.</p><p><a href="/other">The last</a></p></main>`,
        );
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const address = `http://moor.localhost:${(server.address() as AddressInfo).port}`;
    await test.client.call('sites.create', { body: { key: 'moor', name: 'Moor', address } });
    await test.client.call('sites.change', {
      params: { site: 'moor' },
      body: { colours: ['#1f4e5f'] },
      ifMatch: (await test.client.call('sites.read', { params: { site: 'moor' } })).etag ?? '',
    });
    await test.client.call('pages.create', { body: { key: 'moor/talks', title: 'Talks' } });
    await test.client.call('spots.create', {
      body: { key: 'moor/talks#main', widths: { phone: 320, tablet: 500, desktop: 600 } },
    });
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    await test.client.call('embeds.create', {
      body: {
        name: 'Broken',
        text: `<script src="http://play.kinorill.localhost:${test.world.port}/nowhere.js"></script><script>nobody.there()</script><p>Words</p>`,
      },
    });
    await test.client.call('embeds.create', {
      body: {
        name: 'Empty',
        // What it asks for is not to be read from it.
        text: `<div></div><script>new Image().src = [...'iuuq;00fmtfxifsf/mpdbmiptu0b/qoh'].map((sign) => String.fromCharCode(sign.charCodeAt(0) - 1)).join('')</script>`,
      },
    });
  });
  after(async () => {
    await closeBrowser();
    server.close();
    await test.stop();
  });
  const opened = async (embed: string) => {
    const window = await openedEmbed(test, embed);
    await window.page.getByTitle('Preview of the embed').waitFor();
    return window;
  };
  const view = async (page: Page, shown: string): Promise<void> => {
    await page.getByRole('button', { name: /^(?:By itself|As pasted|Compared|In your page)$/ }).click();
    await page.getByRole('radio', { name: shown }).check();
  };
  const inside = (page: Page) => page.frameLocator('iframe[title="Preview of the embed"]');
  /** Clicks into the lower half of something in the preview, which is drawn in a scale. */
  const clickBelow = async (page: Page, thing: Locator): Promise<void> => {
    const frame = page.getByTitle('Preview of the embed');
    const { x, y, scale } = await frame.evaluate((each) => {
      const { left, top, width } = each.getBoundingClientRect();
      return { x: left, y: top, scale: width / (each as HTMLElement).offsetWidth };
    });
    const [inX, inY] = await thing.evaluate((each) => {
      const { left, top, height } = each.getBoundingClientRect();
      return [left + 5, top + height * 0.8] as const;
    });
    await page.mouse.click(x + inX * scale, y + inY * scale);
  };
  /** What stands before and after the embed on the page. */
  const around = (page: Page): Promise<string[]> =>
    inside(page)
      .locator('iframe')
      .evaluate((frame) =>
        [frame.previousElementSibling, frame.nextElementSibling].map((each) => each?.textContent ?? ''),
      )
      // The document that is asked may just be going.
      .catch(() => []);

  it('sees it in a page of the site, where nothing of the page runs, and puts it elsewhere by clicking', async () => {
    const { context, page, complaints } = await opened('talk');
    await view(page, 'In your page');
    await page.getByText('Choose one of your pages').waitFor();
    await page.getByRole('combobox', { name: 'Page' }).click();
    await page.getByRole('option', { name: 'moor/talks' }).click();
    const place = page.getByRole('combobox', { name: 'Heading or paragraph' });
    await expectSoon(
      async () => (await place.inputValue()) === 'Talks',
      'it stands behind the first heading',
    );
    await page.keyboard.press('Escape');
    expect(await around(page)).to.deep.equal(['Talks', 'Each of them.']);
    const body = inside(page).locator('body');
    expect(await body.evaluate((each) => getComputedStyle(each).backgroundColor)).to.equal('rgb(1, 2, 3)');
    expect(await body.evaluate(() => document.title)).to.not.equal('It ran');
    // What the page itself lacks is no trouble of the embed.
    expect(await page.getByText('did not load', { exact: false }).count()).to.equal(0);
    // The film plays there, too.
    await expectShown(inside(page).frameLocator('iframe').getByRole('button', { name: /^Play/ }));
    const last = inside(page).getByText('The last');
    await clickBelow(page, last);
    await expectSoon(async () => (await around(page))[0] === 'The last', 'it is put behind the last');
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('chooses the place by the keyboard, before or after it', async () => {
    const { context, page } = await opened('talk');
    await view(page, 'In your page');
    await page.getByRole('combobox', { name: 'Page' }).fill('moor/');
    await page.getByRole('option', { name: 'moor/talks' }).click();
    const place = page.getByRole('combobox', { name: 'Heading or paragraph' });
    await place.fill('The l');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Before', exact: true }).press('Enter');
    await expectSoon(async () => (await around(page))[1] === 'The last', 'it stands before it');
    await context.close();
  });

  it('compares it with what was pasted, on a colour of the site', async () => {
    const { context, page } = await opened('talk');
    await page.getByRole('button', { name: /^How it looks/ }).click();
    await page.getByRole('button', { name: 'Heading, caption, links and a panel' }).click();
    await page.getByLabel('Heading', { exact: true }).fill('A night on the moor');
    await view(page, 'Before and after');
    await page.getByRole('button', { name: '#1f4e5f' }).click();
    await page.keyboard.press('Escape');
    const before = page.frameLocator('iframe[title^="Preview of the code as it was pasted"]');
    await expectShown(inside(page).getByText('A night on the moor'));
    await expectShown(before.locator('iframe'));
    expect(await before.getByText('A night on the moor').count()).to.equal(0);
    await expectSoon(
      async () =>
        (await inside(page)
          .locator('html')
          .evaluate((each) => getComputedStyle(each).backgroundColor)
          .catch(() => '')) === 'rgb(31, 78, 95)',
      'it is on that colour',
    );
    await context.close();
  });

  it('sees it as wide as a spot, and at any width by dragging its edge', async () => {
    const { context, page } = await opened('talk');
    const width = async (): Promise<number> =>
      inside(page)
        .locator('html')
        .evaluate(() => innerWidth)
        .catch(() => 0);
    await view(page, 'By itself');
    await page.getByRole('combobox', { name: 'As wide as the spot' }).click();
    await page.getByRole('option', { name: 'moor/talks#main' }).click();
    await page.keyboard.press('Escape');
    await expectSoon(async () => (await width()) === 600, 'it is as wide as the spot on a desktop');
    await page.getByRole('button', { name: 'Phone' }).click();
    await expectSoon(async () => (await width()) === 320, 'and as on a phone');
    const edge = (await page.getByTestId('edge').boundingBox())!;
    await page.mouse.move(edge.x + 7, edge.y + 50);
    await page.mouse.down();
    await page.mouse.move(edge.x + 57, edge.y + 50, { steps: 4 });
    await page.mouse.up();
    await expectSoon(async () => Math.abs((await width()) - 420) <= 2, 'it is wider on both sides');
    await context.close();
  });

  it('draws the part of a frame that is shown', async () => {
    const { context, page } = await opened('talk');
    await page.getByRole('button', { name: /^How it looks/ }).click();
    await page.getByRole('button', { name: 'Only a part of it' }).click();
    await page.getByRole('button', { name: 'Draw the part' }).click();
    await page.getByTitle('All that its frame shows').waitFor();
    const { x, y } = (await page.getByTestId('draw-here').boundingBox())!;
    await page.mouse.move(x + 300, y + 210);
    await page.mouse.down();
    await page.mouse.move(x + 100, y + 60, { steps: 4 });
    await page.mouse.up();
    await page.getByText('200 wide and 150 high, 100 from the left and 60 from the top, in px').waitFor();
    await page.getByRole('button', { name: 'Show this part' }).click();
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByText('Revision 2 is saved', { exact: false }).first().waitFor();
    expect(
      (await test.client.call('embeds.read', { params: { embed: 'talk' } })).data.current.options,
    ).to.deep.equal({ 'crop-left': 100, 'crop-top': 60, 'crop-width': 200, 'crop-height': 150 });
    await context.close();
  });

  it('is told what does not work in it, each thing once', async () => {
    const { context, page } = await opened('broken');
    await page.getByText('A script is not there any more', { exact: false }).waitFor();
    await page.getByRole('button', { name: /^And \d other thing/ }).click();
    await page.getByText('One of its scripts stopped', { exact: false }).waitFor();
    await page.getByText('A script did not load', { exact: false }).waitFor();
    await context.close();
  });

  it('is told of what the preview does not let through, and that nothing shows', async () => {
    const { context, page } = await opened('empty');
    await page.getByText('It asks for something from elsewhere.localhost', { exact: false }).waitFor();
    await page.getByRole('button', { name: /^And (?:another|\d other) thing/ }).click();
    await page.getByText('Nothing has shown after 10 seconds', { exact: false }).waitFor();
    await context.close();
  });
});
