import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { text } from 'node:stream/consumers';
import { expect } from 'chai';
import type { Browser, FrameLocator, Page } from 'playwright-core';
import { declareSite, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { publishedWith, type Published } from './support/published.ts';
import { until } from './support/until.ts';
import { launchBrowser, newVisitor } from './support/visitors.ts';

const spots = ['one', 'two', 'three'] as const;

describe('answers to forms in frames, on a published page', () => {
  let test: TestOrbis;
  let browser: Browser;
  let work: Published;
  let provider: Server;
  const taken: string[] = [];
  const port = (): number => (provider.address() as AddressInfo).port;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test, spots);
    work = publishedWith(test);
    provider = createServer((request, response) => {
      void text(request).then((body) => {
        taken.push(`${request.method} ${request.url} ${body}`);
        if (request.url!.startsWith('/on'))
          response.writeHead(303, { location: `http://thanks.localhost:${port()}/thanks` }).end();
        else
          response
            .writeHead(200, { 'content-type': 'text/html; charset=utf-8' })
            .end('<h1>The provider’s answer</h1>');
      });
    }).listen(0, '127.0.0.1');
    await once(provider, 'listening');
    browser = await launchBrowser();
    await work.collect('Plain', formTo('/take'));
    await work.collect('Sent on', formTo('/on'));
    await work.collect('Nowhere', formTo('/take').replaceAll(`:${port()}`, ':9'));
  });
  after(async () => {
    await browser.close();
    provider.close();
    await test.stop();
  });
  beforeEach(() => taken.splice(0));

  /* A prefilled field, one for robots, and one whose name is that of a property. */
  const formTo = (path: string): string =>
    `<form action="http://letters.localhost:${port()}${path}" method="post" target="_blank"><input name="mail" value="ada@hollinfell.localhost"><input name="action" value="join"><input name="trap" hidden><button name="by" value="button">Join</button></form>`;

  afterEach(() => work.endAll());
  /* A page with these embeds, each at a spot of its own. */
  async function published(...embeds: { embed: string; options: Record<string, unknown> }[]): Promise<Page> {
    const ids: string[] = [];
    for (const [at, { embed, options }] of embeds.entries())
      ids.push(await work.place(embed, spots[at]!, options));
    const texts = [];
    for (const id of ids) texts.push((await work.delivered(id)).text);
    await work.publish(...texts);
    const page = await newVisitor(browser);
    await page.goto(`${work.site}/talks`);
    return page;
  }
  const frameOf = (page: Page, at = 0): FrameLocator => page.frameLocator('iframe[data-orbis]').nth(at);

  for (const frame of ['enclosed', 'served']) {
    it(`${frame}: in words of one’s own, each form with its own, and everything typed arrives`, async () => {
      const page = await published(
        { embed: 'plain', options: { frame, 'answer': 'words', 'answer-words': 'See you at the talk' } },
        { embed: 'plain', options: { frame, answer: 'words' } },
      );
      await frameOf(page).getByRole('button').click();
      const said = frameOf(page).getByRole('status');
      await said.getByText('See you at the talk').waitFor();
      expect(await said.evaluate((line) => line === document.activeElement)).to.equal(true);
      expect(await frameOf(page).locator('form').count()).to.equal(0);
      expect(await frameOf(page, 1).getByRole('status').count()).to.equal(0);
      await frameOf(page, 1).getByRole('button').click();
      await frameOf(page, 1).getByText('Thank you. It has been sent.').waitFor();
      expect(taken).to.deep.equal(
        Array(2).fill('POST /take mail=ada%40hollinfell.localhost&action=join&trap=&by=button'),
      );
      expect(page.context().pages()).to.have.length(1);
      await page.close();
    });

    it(`${frame}: what does not arrive is said, and what was typed stays`, async () => {
      const page = await published({ embed: 'nowhere', options: { frame, answer: 'words' } });
      await frameOf(page).locator('[name=mail]').fill('grace@hollinfell.localhost');
      await frameOf(page).getByRole('button').click();
      await frameOf(page).getByRole('alert').getByText('It could not be sent.').waitFor();
      expect(await frameOf(page).locator('[name=mail]').inputValue()).to.equal('grace@hollinfell.localhost');
      await frameOf(page).getByRole('button').click();
      await until(async () => (await frameOf(page).getByRole('alert').count()) === 1);
      await page.close();
    });

    it(`${frame}: what is sent on to another host has arrived`, async () => {
      const page = await published({
        embed: 'sent-on',
        options: { frame, answer: 'words', contacts: ['letters.localhost'] },
      });
      await frameOf(page).getByRole('button').click();
      await frameOf(page).getByRole('status').waitFor();
      expect(taken.map((each) => each.split(' ')[1])).to.deep.equal(['/on']);
      await page.close();
    });
  }

  it('in the frame, where the provider would open a tab', async () => {
    const page = await published({ embed: 'plain', options: { frame: 'served', answer: 'frame' } });
    await frameOf(page).getByRole('button').click();
    await frameOf(page).getByRole('heading', { name: 'The provider’s answer' }).waitFor();
    expect(page.context().pages()).to.have.length(1);
    await page.close();
  });

  it('in a tab, and in the place of the page, where its frame is let do that', async () => {
    const page = await published(
      { embed: 'plain', options: { frame: 'enclosed', answer: 'tab' } },
      { embed: 'plain', options: { frame: 'enclosed', answer: 'page' } },
    );
    const opening = page.waitForEvent('popup');
    await frameOf(page).getByRole('button').click();
    await (await opening).getByRole('heading', { name: 'The provider’s answer' }).waitFor();
    await frameOf(page, 1).getByRole('button').click();
    await page.waitForURL(`http://letters.localhost:${port()}/take`);
    await page.getByRole('heading', { name: 'The provider’s answer' }).waitFor();
    await page.close();
  });

  it('with the style of the site, which comes to what is served without pasting again', async () => {
    await (await published({ embed: 'plain', options: { frame: 'served' } })).close();
    const colour = async (): Promise<string> => {
      // As somebody who comes for the first time.
      const page = await newVisitor(browser);
      await page.goto(`${work.site}/talks`);
      const button = frameOf(page).getByRole('button');
      const found = await button.evaluate((element) => getComputedStyle(element).backgroundColor);
      await page.close();
      return found;
    };
    expect(await colour()).not.to.equal('rgb(47, 97, 69)');
    const { etag } = await test.client.call('sites.read', { params: { site: 'hollinfell' } });
    await test.client.call('sites.change', {
      params: { site: 'hollinfell' },
      ifMatch: etag!,
      body: { frameStyle: 'button { background: #2f6145 }' },
    });
    await until(async () => (await colour()) === 'rgb(47, 97, 69)');
  });
});
