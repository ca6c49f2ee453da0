import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import type { Browser, Page } from 'playwright-core';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { get } from './support/get.ts';
import { publishedWith, type Published } from './support/published.ts';
import { until } from './support/until.ts';
import { launchBrowser, newVisitor } from './support/visitors.ts';

const spots = ['one', 'two', 'three'] as const;

describe('embeds in frames of their own, on a published page', () => {
  let test: TestOrbis;
  let browser: Browser;
  let work: Published;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test, spots);
    work = publishedWith(test);
    browser = await launchBrowser();
  });
  after(async () => {
    await browser.close();
    await test.stop();
  });
  afterEach(() => work.endAll());
  const formwold = (): string => `http://formwold.localhost:${test.world.port}`;
  /* A form with a script that takes a name, and answers in its own place. */
  const form = (): string => `<form class="fw-form" action="${formwold()}/letters/hf-monthly" method="post">
  <input type="email" name="mail" aria-label="Your address" required><button>Sign up</button><output></output>
</form>
<script>
const joining = document.querySelector('.fw-form');
joining.addEventListener('submit', async (event) => {
  event.preventDefault();
  await fetch(joining.action, { method: 'POST', mode: 'no-cors', body: new URLSearchParams(new FormData(joining)) });
  joining.querySelector('output').textContent = 'Thank you';
});
</script>`;

  const heightsOn = (page: Page): Promise<number[]> =>
    page.evaluate(
      'Array.from(document.querySelectorAll("iframe[data-orbis]"), (frame) => frame.offsetHeight)',
    );
  const opened = async (): Promise<{ page: Page; errors: string[] }> => {
    const page = await newVisitor(browser);
    const errors: string[] = [];
    page.on('pageerror', ({ message }) => errors.push(message));
    await page.goto(`${work.site}/talks`);
    return { page, errors };
  };
  before(() => work.collect('Join', form()));

  const withCopies = async (frame: string): Promise<void> => {
    const ids = [];
    for (const spot of spots) ids.push(await work.place('join', spot, { frame }));
    const texts = [];
    for (const id of ids) texts.push((await work.delivered(id)).text);
    await work.publish(...texts);
  };

  describe('three copies of one form on a page', () => {
    it('in the page itself: only the first one works, the others take the visitor away', async () => {
      await withCopies('none');
      const { page, errors } = await opened();
      expect(errors).to.have.length(2);
      expect(errors[0]).to.match(/joining.*already been declared/);
      await page.locator('.fw-form input').nth(0).fill('a@hollinfell.localhost');
      await page.locator('.fw-form button').nth(0).click();
      await page.locator('.fw-form output').nth(0).getByText('Thank you').waitFor();
      await page.locator('.fw-form input').nth(1).fill('b@hollinfell.localhost');
      await page.locator('.fw-form button').nth(1).click();
      await page.waitForURL(`${formwold()}/**`);
      await page.close();
    });

    for (const way of ['enclosed', 'served'])
      it(`${way}: all three send, each shows its answer, and each is as high as its content`, async () => {
        await withCopies(way);
        const { page, errors } = await opened();
        const sent: string[] = [];
        page.on('response', (response) => {
          if (response.request().method() === 'POST') sent.push(`${response.status()} ${response.url()}`);
        });
        for (const at of [0, 1, 2]) {
          const frame = page.frameLocator('iframe[data-orbis]').nth(at);
          await frame.locator('input').fill('a@hollinfell.localhost');
          await frame.locator('button').click();
          await frame.locator('output').getByText('Thank you').waitFor();
        }
        expect(sent).to.deep.equal(Array(3).fill(`200 ${formwold()}/letters/hf-monthly`));
        expect(errors).to.deep.equal([]);
        expect(page.url()).to.equal(`${work.site}/talks`);
        await until(async () => (await heightsOn(page)).every((height) => height > 15 && height < 120));
        await page.close();
      });
  });

  it('a served one brings later revisions without pasting again, and its page stays up to date', async () => {
    await work.collect('Talk', talkCode(test.world.port), { frame: 'served' });
    const id = await work.place('talk', 'one');
    const { text } = await work.delivered(id);
    expect(text).to.match(
      /^<iframe data-orbis="[0-9a-z]{10}\.1" src="http:\/\/[0-9a-z]{10}\.frames\.localhost:\d+\/" title="Opening talk" sandbox="allow-scripts allow-same-origin"/,
    );
    const address = /src="([^"]+)"/.exec(text)![1]!;
    expect(address).to.include(id);
    const { headers, body } = await get(address);
    expect(body).to.include('film/nB4moorNight').and.not.include('from=');
    expect(headers['content-security-policy']).to.match(
      /^sandbox allow-scripts allow-same-origin; frame-ancestors http:\/\/hollinfell/,
    );
    await work.publish(text);
    const { page } = await opened();
    await page.frameLocator('iframe[data-orbis]').frameLocator('iframe').locator('body').waitFor();
    const inner = await page.evaluate(() => {
      const { width, height } = document.querySelector('iframe')!.getBoundingClientRect();
      return [width, height];
    });
    expect(inner).to.deep.equal([560, 315]);
    await page.close();
    const { etag } = await test.client.call('embeds.read', { params: { embed: 'talk' } });
    await test.client.call('revisions.create', {
      params: { embed: 'talk' },
      ifMatch: etag!,
      body: { options: { frame: 'served', start: 112 } },
    });
    await until(async () => (await get(address)).body.includes('from=112'));
    expect((await work.delivered(id)).text).to.equal(text);
    const { data } = await test.client.call('sweeps.create', { body: { page: 'hollinfell/talks' } });
    await until(
      async () =>
        (await test.client.call('sweeps.read', { params: { sweep: data.id } })).data.endedAt !== null,
    );
    const swept = (await test.client.call('placements.read', { params: { placement: id } })).data;
    expect([swept.state, swept.findings]).to.deep.equal(['live', []]);
  });

  it('a served one is shown at a further address of its site, and at no other', async () => {
    await work.collect('Notice', '<p>Open tonight</p><script>document.title = "x"</script>', {
      frame: 'served',
    });
    const { text } = await work.delivered(await work.place('notice', 'one'));
    const server = createServer((_request, response) =>
      response.setHeader('content-type', 'text/html').end(text),
    );
    await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
    const { port } = server.address() as AddressInfo;
    const params = { site: 'hollinfell' };
    const { etag } = await test.client.call('sites.read', { params });
    await test.client.call('sites.change', {
      params,
      ifMatch: etag!,
      body: { furtherAddresses: [`http://preview.fell.localhost:${port}/`] },
    });
    const shownAt = async (address: string): Promise<number> => {
      const page = await newVisitor(browser);
      await page.goto(address, { waitUntil: 'load' });
      const shown = await page.frameLocator('iframe').getByText('Open tonight').count();
      await page.close();
      return shown;
    };
    await until(async () => (await shownAt(`http://preview.fell.localhost:${port}/draft`)) === 1);
    expect(await shownAt(`http://copied.localhost:${port}/draft`)).to.equal(0);
    server.closeAllConnections();
    server.close();
  });

  it('is as high as its content, also where that grows, but not where it grows with its frame', async () => {
    const growing = '<button onclick="this.style.height = \'900px\'">Unfold</button>';
    await work.collect('Growing', growing, { frame: 'enclosed' });
    await work.collect('Runaway', '<div style="height:calc(100vh + 40px)">Ever higher</div>', {
      frame: 'enclosed',
    });
    const ids = [await work.place('growing', 'one'), await work.place('runaway', 'two')];
    const texts = [];
    for (const id of ids) texts.push((await work.delivered(id)).text);
    await work.publish(...texts);
    const { page } = await opened();
    await until(async () => (await heightsOn(page))[0]! < 60);
    await page.waitForTimeout(500);
    const [, runaway] = await heightsOn(page);
    expect(runaway).to.be.within(300, 600);
    // Also when it says once more how high it is.
    await page.waitForTimeout(1000);
    expect((await heightsOn(page))[1]).to.equal(runaway);
    await page.frameLocator('iframe[data-orbis]').first().getByRole('button').click();
    await until(async () => (await heightsOn(page))[0]! >= 900);
    expect((await heightsOn(page))[1]).to.equal(runaway);
    await page.close();
  });

  it('lets it ask for the camera only where its owner does', async () => {
    await work.collect('Booth', `${form()}<p>Smile`, { 'frame': 'served', 'may-film': true });
    const headersOf = async (embed: string) => {
      const id = await work.place(embed, 'three', { frame: 'served' });
      const { text } = await work.delivered(id);
      const { headers } = await get(/src="([^"]+)"/.exec(text)![1]!);
      await work.end(id);
      return [/ allow="[^"]*"/.exec(text)?.[0], headers['permissions-policy']];
    };
    expect(await headersOf('booth')).to.deep.equal([
      ' allow="camera *"',
      'camera=*, microphone=(), geolocation=()',
    ]);
    expect(await headersOf('join')).to.deep.equal([undefined, 'camera=(), microphone=(), geolocation=()']);
  });

  it('says before it is chosen what will not work, and refuses it then', async () => {
    const { data } = await test.client.call('compositions.create', { body: { embed: 'talk', options: {} } });
    expect(data.frame).to.deep.include({ way: 'none', recommended: 'none' });
    expect(data.frame.refused.map(({ way }) => way)).to.deep.equal(['enclosed', 'file']);
    const error = await refusal(work.place('talk', 'two', { frame: 'enclosed' }));
    expect(error.code).to.equal('frame-within-enclosed');
    expect(error.message).to.include(data.frame.refused[0]!.detail.slice(0, 40));
  });

  it('shows in its preview what stands in the frame', async () => {
    for (const frame of ['enclosed', 'served']) {
      const { data } = await test.client.call('previews.create', {
        body: { embed: 'join', options: { frame } },
      });
      const page = await newVisitor(browser);
      await page.setContent('<p>…</p>');
      await page.goto(data.url);
      await page.frameLocator('iframe').locator('input').waitFor();
      await page.close();
      expect(data.sandboxTokens.map(({ token }) => token)).to.include('allow-forms');
    }
  });
});
