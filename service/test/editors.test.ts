import { expect } from 'chai';
import type { Browser, Frame, Page } from 'playwright-core';
import { hosts, loopbackFetch, markerLine, smallSites, spotOfAll, sweepAll } from '@orbis/demo';
import type { PagePlan, SpecimenReading } from '@orbis/contract';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { until } from './support/until.ts';
import { launchBrowser, newVisitor, patience, standsStill } from './support/visitors.ts';

const minute = 60_000;
const booking = (port: number): string =>
  `<div class="slotsedge-calendar" data-calendar="hollinfell-nights"></div>\n<script async src="http://cdn.slotsedge.localhost:${port}/booking.js"></script>`;

/* The observatory’s own site, of which one page is used, and the sites of its friends. */
const sites = [
  { key: 'hollinfell', host: hosts.hollinfell, path: 'talks', spot: 'opening' },
  ...smallSites.map(({ key, host, page: { path } }) => ({ key, host, path, spot: spotOfAll })),
];
type Known = (typeof sites)[number];
const called = (key: string): Known => sites.find((site) => site.key === key)!;

describe('the editors of five sites', () => {
  let test: TestOrbis;
  let ahead = 0;
  before(async () => {
    test = await startTestOrbis({
      env: { ORBIS_ALLOW_PRIVATE: 'yes' },
      worldTime: () => Date.now() + ahead,
    });
    for (const { key, host, path, spot } of sites) {
      const address = `http://${host}:${test.world.port}`;
      await test.client.call('sites.create', { body: { key, name: key, address } });
      await test.client.call('pages.create', { body: { key: `${key}/${path}`, title: path } });
      await test.client.call('spots.create', { body: { key: `${key}/${path}#${spot}` } });
    }
  });
  after(() => test.stop());

  const edit = async ({ host }: Known, method: string, what: string, body: object): Promise<void> => {
    const answer = await loopbackFetch()(`http://${host}:${test.world.port}/edit/api/${what}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    expect(answer.status, await answer.text()).to.equal(204);
  };
  const publish = async (site: Known, code: string): Promise<void> => {
    await edit(site, 'PUT', 'spots', { page: site.path, spot: site.spot, code });
    await edit(site, 'POST', 'publish', { page: site.path });
  };
  const specimen = async ({ key }: Known): Promise<string> =>
    (await test.client.call('sites.specimen', { params: { site: key } })).data.text;
  const learn = async ({ key, path }: Known): Promise<SpecimenReading> =>
    (await test.client.call('sites.learn', { params: { site: key }, body: { path } })).data;
  const keep = async ({ key }: Known, editor: object): Promise<void> => {
    const params = { site: key };
    const { etag } = await test.client.call('sites.read', { params });
    await test.client.call('sites.change', { params, ifMatch: etag!, body: { editor } });
  };
  const learnAndKeep = async (site: Known): Promise<SpecimenReading> => {
    await publish(site, await specimen(site));
    const reading = await learn(site);
    if (reading.rules) await keep(site, reading.rules);
    return reading;
  };

  it('are learned from what each makes of the specimen', async () => {
    const lastOf = async (key: string) =>
      (await test.client.call('sites.specimen', { params: { site: key } })).data.last;
    expect(await lastOf('hollinfell')).to.equal(null);
    const open = await learnAndKeep(called('hollinfell'));
    const { at, ...last } = (await lastOf('hollinfell'))!;
    expect(last).to.deep.equal(open);
    expect(Date.parse(at)).to.be.closeTo(Date.now(), 60_000);
    expect(open.rules).to.deep.equal({
      takes: 'code',
      elements: { which: 'these', names: [] },
      attributes: { which: 'these', names: [] },
      inlineScripts: true,
      comments: true,
    });
    expect(open.lines).to.deep.equal([]);
    expect(open.meaning).to.match(/^This editor lets scripts and frames through/);

    const frames = await learnAndKeep(called('darkskyweek'));
    expect(frames.rules!.elements).to.deep.equal({
      which: 'all-but',
      names: ['a', 'b', 'br', 'em', 'i', 'iframe', 'p', 'strong'],
    });
    expect(frames.rules!.attributes.names).to.include.members(['src', 'srcdoc', 'sandbox', 'style']);
    expect(frames.lines[0]).to.match(
      /^Taken out: <div>, <span>, <img>, <script>, .* elements that nobody knows and comments\.$/,
    );
    expect(frames.lines[1]).to.equal('<a> comes through without target and rel.');

    const addresses = await learnAndKeep(called('moorhostel'));
    expect(addresses.rules).to.deep.include({
      elements: { which: 'these', names: [] },
      attributes: { which: 'all-but', names: ['src'] },
      comments: false,
    });
    expect(addresses.meaning).to.contain('takes away what scripts find their places by');
    expect(addresses.pieces.find(({ name }) => name === '<iframe>')!.lost).to.include('allow');

    const links = await learnAndKeep(called('skyletter'));
    expect(links.rules!.takes).to.equal('link');
  });

  it('one that wants a line first says nothing until it has it, and is live only after a while', async () => {
    const site = called('nightwalkers');
    await publish(site, await specimen(site));
    const early = await refusal(learn(site));
    expect([early.problem.status, early.problem.code]).to.deep.equal([422, 'specimen-missing']);
    ahead += 2 * minute;
    const reading = await learn(site);
    expect(reading.rules).to.equal(null);
    expect(reading.open.map(({ question }) => question)).to.deep.equal(['first-line']);
    await keep(site, { firstLine: markerLine, delay: 2 });
    expect((await specimen(site)).startsWith(`${markerLine}\n`)).to.equal(true);
    await publish(site, await specimen(site));
    ahead += 2 * minute;
    const second = await learn(site);
    expect(second.rules).to.deep.include({ comments: true, inlineScripts: true });
    await keep(site, second.rules!);
  });

  it('are taken back as every other change of a site', async () => {
    const site = called('hollinfell');
    await keep(site, { notes: 'Click on the plus, then on HTML.' });
    const { data: list } = await test.client.call('changes.list', { query: { limit: 1 } });
    await test.client.call('changes.undo', { params: { change: list.items[0]!.id }, body: {} });
    const { data } = await test.client.call('sites.read', { params: { site: site.key } });
    expect(data.editor.notes).to.equal('');
  });

  describe('one embed on all of them', () => {
    let browser: Browser;
    const plans = new Map<string, PagePlan>();
    const pasted = new Map<string, string>();
    before(async () => {
      browser = await launchBrowser();
      await test.client.call('embeds.create', { body: { name: 'Nights', text: booking(test.world.port) } });
      for (const site of sites) {
        const { data: placement } = await test.client.call('placements.create', {
          body: { embed: 'nights', place: `${site.key}/${site.path}#${site.spot}` },
        });
        const params = { page: `${site.key}/${site.path}` };
        plans.set(site.key, (await test.client.call('plans.read', { params })).data);
        const { data } = await test.client.call('deliveries.create', { params: { placement: placement.id } });
        pasted.set(site.key, data.text);
        await publish(site, data.text);
      }
      ahead += 2 * minute;
    });
    after(() => browser.close());
    const form = (key: string): unknown =>
      plans.get(key)!.findings.find(({ rule }) => rule === 'editor-form')?.facts['form'] ?? 'asked';

    it('is handed out in five forms', () => {
      expect(sites.map(({ key }) => form(key))).to.deep.equal([
        'asked',
        'enclosed',
        'served',
        'asked',
        'link',
      ]);
      expect(pasted.get('darkskyweek')).to.match(/<iframe .*srcdoc="/);
      expect(pasted.get('moorhostel')).to.match(
        /^<iframe src="http:\/\/[0-9a-z]{10}\.frames\.localhost:\d+\/"><\/iframe>$/,
      );
      expect(pasted.get('nightwalkers')).to.match(/^\[\[code\]\]\n<div data-orbis="/);
      expect(pasted.get('skyletter')).to.match(/^http:\/\/[0-9a-z]{10}\.frames\.localhost:\d+\/$/);
    });

    it('says what an editor’s rules meant for it, and how one works there', () => {
      const { findings, editor } = plans.get('moorhostel')!;
      expect(findings.map(({ rule }) => rule)).to.deep.equal([
        'editor-form',
        'editor-fixes-height',
        'editor-takes-out',
      ]);
      expect(findings[2]!.facts['names']).to.equal('title, sandbox, style');
      expect(findings[0]!.message).to.contain('in a frame that Orbis serves');
      expect(editor.showsUnpublished).to.equal(null);
      expect(plans.get('nightwalkers')!.editor.delay).to.equal(2);
    });

    it('is shown beforehand as it will be handed out, and why', async () => {
      const { data: list } = await test.client.call('placements.list', { query: { limit: 10 } });
      for (const { id, site } of list.items) {
        const { data } = await test.client.call('compositions.create', {
          body: { placement: id, options: {} },
        });
        const unmarked = (text: string): string =>
          text.replace(/ data-orbis="[^"]*"/, '').replace(/0{10}|[0-9a-z]{10}(?=\.frames)/g, '');
        expect(unmarked(data.text), site).to.equal(unmarked(pasted.get(site)!));
        expect(data.editor.length > 0, site).to.equal(form(site) !== 'asked');
      }
    });

    it('is seen live on each of them by a sweep, and nothing of it is out of date', async () => {
      await sweepAll(test.client);
      const { data } = await test.client.call('placements.list', { query: { limit: 10 } });
      expect(data.items.map(({ site, state, findings }) => [site, state, findings])).to.have.deep.members(
        sites.map(({ key }) => [key, 'live', []]),
      );
    });

    it('works on each of them as its visitors see it', async () => {
      for (const { key, host, path } of sites) {
        const page = await newVisitor(browser);
        await page.goto(`http://${host}:${test.world.port}/${path}`);
        const where =
          form(key) === 'asked'
            ? page.mainFrame()
            : await (await page.waitForSelector('iframe')).contentFrame();
        await where!.waitForSelector('.slotsedge-calendar button').catch(() => {
          throw new Error(`nothing can be booked on ${key}`);
        });
        await page.close();
      }
    });

    it('is handed out anew where an editor’s rules change, and is out of date until then', async () => {
      const site = called('darkskyweek');
      const { data: was } = await test.client.call('sites.read', { params: { site: site.key } });
      const { names } = was.editor.attributes;
      await keep(site, {
        attributes: { which: 'all-but', names: names.filter((name) => name !== 'srcdoc') },
      });
      const stateNow = async (): Promise<unknown[]> => {
        await sweepAll(test.client);
        const { data } = await test.client.call('placements.list', { query: { limit: 1, site: site.key } });
        return data.items.map(({ state }) => state);
      };
      expect(await stateNow()).to.deep.equal(['out-of-date']);
      const { data: list } = await test.client.call('placements.list', {
        query: { limit: 1, site: site.key },
      });
      const params = { placement: list.items[0]!.id };
      const { data } = await test.client.call('deliveries.create', { params });
      expect(data.text).to.match(/ src="http:\/\/[0-9a-z]{10}\.frames\.localhost:\d+\/"/);
      await publish(site, data.text);
      expect(await stateNow()).to.deep.equal(['live']);
    });
  });

  describe('a film, a form and a calendar on one page of each of them', () => {
    let browser: Browser;
    before(async () => {
      browser = await launchBrowser();
      const { port } = test.world;
      const codes = {
        Film: `<iframe width="560" height="315" src="http://play.kinorill.localhost:${port}/film/nB4moorNight" title="A night on the moor" allow="fullscreen"></iframe>`,
        Letter: `<div class="formwold-letter" data-letter="hf-monthly"></div>\n<script async src="http://formwold.localhost:${port}/form.js"></script>`,
        Calendar: booking(port),
      };
      for (const [name, text] of Object.entries(codes))
        await test.client.call('embeds.create', { body: { name, text } });
      for (const site of sites) {
        const place = `${site.key}/${site.path}#${site.spot}`;
        const { data: before } = await test.client.call('placements.list', { query: { site: site.key } });
        for (const { id } of before.items)
          await test.client.call('placements.delete', { params: { placement: id }, ifMatch: '*' });
        const texts: string[] = [];
        for (const embed of ['film', 'letter', 'calendar']) {
          const { data } = await test.client.call('placements.create', { body: { embed, place } });
          const params = { placement: data.id };
          texts.push((await test.client.call('deliveries.create', { params })).data.text);
        }
        await publish(site, texts.join('\n'));
      }
      ahead += 2 * minute;
    });
    after(() => browser.close());

    /* Where on a page, and in which of its frames, something is. */
    const framed = async (page: Page, selector: string): Promise<Frame> => {
      for (const end = Date.now() + patience; Date.now() < end; await page.waitForTimeout(100))
        for (const frame of page.frames()) if (await frame.$(selector).catch(() => null)) return frame;
      throw new Error(`there is no ${selector}`);
    };

    for (const site of sites)
      it(`plays, sends and books on ${site.key}, as the editor there publishes it`, async () => {
        await sweepAll(test.client);
        const { data } = await test.client.call('placements.list', { query: { site: site.key } });
        expect(data.items.map(({ embed, state }) => [embed, state])).to.have.deep.members([
          ['film', 'live'],
          ['letter', 'live'],
          ['calendar', 'live'],
        ]);
        const page = await newVisitor(browser);
        await page.goto(`http://${site.host}:${test.world.port}/${site.path}`);

        const film = await framed(page, 'video');
        const calendar = await framed(page, '.slotsedge-calendar button');
        const letter = await framed(page, 'input[type=email]');
        // A frame that takes its height moves those below it, also under a click.
        await standsStill(page);
        await film.getByRole('button', { name: /^Play/ }).click();
        await film.waitForFunction(() => document.querySelector('video')!.currentTime > 0);

        await calendar.locator('.slotsedge-calendar button').first().click();
        await calendar.getByText('Booked').waitFor();

        await letter.locator('input[type=email]').fill('mara@hollinfell.localhost');
        await letter.getByRole('button', { name: 'Sign up' }).click();
        await until(async () => {
          const shown = await Promise.all(
            [...page.context().pages()].flatMap((each) => each.frames()).map((frame) => frame.content()),
          ).catch(() => []);
          return shown.some((text) => text.includes('Thank you'));
        });
        await page.close();
      });
  });
});
