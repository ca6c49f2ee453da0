import { expect } from 'chai';
import type { Browser } from 'playwright-core';
import { mostBlocked } from '../src/store/blocked-contacts.ts';
import { get } from './support/get.ts';
import { declareSite, refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { publishedWith, type Published } from './support/published.ts';
import { until } from './support/until.ts';
import { startWidget, type Widget } from './support/widget.ts';
import { launchBrowser, newVisitor } from './support/visitors.ts';

describe('whom an embed contacts', () => {
  let test: TestOrbis;
  let browser: Browser;
  let work: Published;
  let widget: Widget;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test, ['one']);
    work = publishedWith(test);
    browser = await launchBrowser();
    widget = await startWidget();
  });
  after(async () => {
    widget.stop();
    await browser.close();
    await test.stop();
  });
  const blocked = async () =>
    (await test.client.call('contacts.blocked', { params: { embed: 'widget' } })).data.items;

  it('is found out by a browser: scripts that scripts load, where they are sent on, and what a click does', async () => {
    await work.collect('Widget', widget.code);
    const { data } = await test.client.call('contacts.create', { body: { embed: 'widget' } });
    expect(data.contacted.map(({ host }) => host)).to.deep.equal(widget.hosts);
    expect(data.contacted.filter(({ afterClick }) => afterClick).map(({ host }) => host)).to.deep.equal([
      widget.hosts[0],
    ]);
    expect(data.contacted.find(({ host }) => host === 'far.widget.localhost')!.uses).to.deep.equal([
      'script',
    ]);
  });

  it('is told of a preview by itself, which keeps nobody out and is framed by the console only', async () => {
    const { data } = await test.client.call('previews.create', {
      body: { embed: 'widget', options: {}, learning: true, on: { page: 'hollinfell/talks' } },
    });
    expect(data.page).to.equal(null);
    const { headers, body } = await get(data.url);
    expect(headers['content-security-policy']).to.equal(
      `sandbox allow-scripts allow-same-origin allow-forms allow-popups; frame-ancestors ${test.url}`,
    );
    expect(headers['content-security-policy-report-only']).to.equal("default-src 'none'; form-action 'none'");
    expect(body).to.include('/first.js').and.not.include('Hollin Fell Observatory');
  });

  it('is what its code names until its owner fixes it, and can be fixed only in a frame', async () => {
    const composed = async (options: object) =>
      (await test.client.call('compositions.create', { body: { embed: 'widget', options } as never })).data;
    expect((await composed({})).frame.contacts).to.deep.equal({
      fixed: false,
      hosts: ['widget.localhost'],
      leftOut: [],
    });
    const fixed = await composed({ frame: 'served', contacts: ['more.widget.localhost'] });
    expect(fixed.frame.contacts).to.deep.equal({
      fixed: true,
      hosts: ['more.widget.localhost'],
      leftOut: ['widget.localhost'],
    });
    expect(
      (await composed({ contacts: ['a.localhost'] })).problems.map(({ code: why }) => why),
    ).to.deep.equal(['contacts-need-frame']);
    const odd = await composed({ frame: 'served', contacts: ['a.localhost; script-src *'] });
    expect(odd.problems.map(({ code: why }) => why)).to.deep.equal(['no-host']);
  });

  for (const frame of ['enclosed', 'served'])
    it(`is that list and nobody else, ${frame}`, async () => {
      const id = await work.place('widget', 'one', { frame, contacts: widget.hosts.slice(2) });
      await work.publish((await work.delivered(id)).text);
      const page = await newVisitor(browser);
      widget.asked.length = 0;
      await page.goto(`${work.site}/talks`);
      const inside = page.frameLocator('iframe').locator('#widget');
      await inside.getByText('First').waitFor();
      // Both hosts are on the list, and the one to which it is sent on is not.
      await until(async () => widget.asked.includes('more.widget.localhost/second.js'));
      await page.waitForTimeout(500);
      expect(widget.asked.filter((each) => each.includes('far.'))).to.deep.equal([]);
      expect(await inside.textContent()).to.equal('First');
      await page.close();
      await work.end(id);
    });

  it('is told by visitors’ browsers where a served frame was kept from it, and forgotten when that was seen', async () => {
    const id = await work.place('widget', 'one', { frame: 'served', contacts: ['widget.localhost'] });
    await work.publish((await work.delivered(id)).text);
    const page = await newVisitor(browser);
    await page.goto(`${work.site}/talks`);
    await until(async () => (await blocked()).length > 0);
    const [found] = await blocked();
    expect(found).to.deep.include({
      host: 'more.widget.localhost',
      placement: id,
      place: 'hollinfell/talks#one',
    });
    await page.close();
    // Where it stands, it is a finding.
    const { data: there } = await test.client.call('placements.read', { params: { placement: id } });
    expect(there.findings.map(({ rule, facts }) => [rule, facts])).to.deep.equal([
      ['contact-blocked', { hosts: 'more.widget.localhost', count: 1 }],
    ]);
    const params = { embed: 'widget' };
    await test.client.call('contacts.clear', { params });
    expect(await blocked()).to.deep.equal([]);

    const sent = (body: string, of = id): Promise<Response> =>
      fetch(`${test.orbis.origins.placementUrl(id).replace(/\/$/, '')}/orbis-blocked?of=${of}`, {
        method: 'POST',
        headers: { 'content-type': 'application/csp-report' },
        body,
      });
    const report = (said: unknown, of = id): Promise<Response> => sent(JSON.stringify(said), of);
    const about = (uri: unknown) => ({ 'csp-report': { 'blocked-uri': uri } });
    // Whoever makes things up gets no further than this.
    for (const said of [
      about('inline'),
      about('data'),
      about(7),
      {},
      about('https://'),
      about('javascript:1'),
    ])
      expect((await report(said)).status, JSON.stringify(said)).to.equal(400);
    const broken = ['{', 'x'.repeat(20_000), ''];
    for (const body of broken) expect((await sent(body)).status, body.slice(0, 9)).to.equal(400);
    expect(test.log.filter((line) => line.includes('a frame failed'))).to.deep.equal([]);
    expect((await report(about('https://widget.localhost/a'))).status).to.equal(204);
    expect((await report(about('https://a.localhost/a'), 'zzzzzzzzzz')).status).to.equal(204);
    expect((await report(about('https://a.localhost/a'), '../x')).status).to.equal(400);
    expect(await blocked()).to.deep.equal([]);
    for (let i = 0; i < mostBlocked + 5; i++) await report(about(`https://h${i}.localhost/a?secret=${i}`));
    const kept = await blocked();
    expect(kept).to.have.length(mostBlocked);
    expect(kept.every(({ host }) => /^h\d+\.localhost$/.test(host))).to.equal(true);
    await work.end(id);
  });

  it('names what is not there', async () => {
    const nobody = { params: { embed: 'nobody' } };
    expect((await refusal(test.client.call('contacts.blocked', nobody))).code).to.equal('not-found');
    expect((await refusal(test.client.call('contacts.clear', nobody))).code).to.equal('not-found');
  });
});
