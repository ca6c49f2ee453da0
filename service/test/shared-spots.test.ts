import { expect } from 'chai';
import type { Client } from '@orbis/contract';
import { refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

const ifMatch = '*';
const narrow = { phone: 320, tablet: 480, desktop: 480 };
const wide = { phone: 358, tablet: 704, desktop: 900 };

describe('spots that many pages have', () => {
  let test: TestOrbis;
  let [site, key, made] = ['', '', 0];
  const call: Client['call'] = (name, options) => test.client.call(name, options);

  before(async () => {
    test = await startTestOrbis();
    await call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
  });
  after(() => test.stop());
  // A site for each of them.
  beforeEach(async () => {
    site = `fell${made++}`;
    key = `${site}#main`;
    await call('sites.create', { body: { key: site, name: site, address: `http://${site}.localhost` } });
    for (const path of ['talks', 'talks/one', 'talks/two', 'visit'])
      await call('pages.create', { body: { key: `${site}/${path}`, title: path } });
    await call('spots.create', { body: { key: `${site}/talks#aside` } });
  });

  const share = (body: object = {}) =>
    call('sharedSpots.create', { body: { key, under: 'talks/', widths: narrow, selector: 'main', ...body } });
  const resize = (widths: typeof wide) =>
    call('sharedSpots.change', {
      params: { shared: key },
      body: { under: 'talks/', widths, selector: 'main' },
      ifMatch,
    });
  const read = async (spot: string) => (await call('spots.read', { params: { spot } })).data;
  const place = (spot: string) =>
    call('placements.create', { body: { embed: 'talk', place: `${site}/${spot}` } });
  const undoLast = async () => {
    const { data } = await call('changes.list', { query: { limit: 1, standing: 'true' } });
    await call('changes.undo', { params: { change: data.items[0]!.id }, body: {} });
  };
  /* Name and width on a desktop of each, with a star where many pages have it. */
  const spots = async (): Promise<Record<string, string[]>> =>
    Object.fromEntries(
      (await call('pages.list', { query: { site } })).data.items.map((page) => [
        page.path,
        page.spots.map(({ name, widths, shared }) => `${name} ${widths.desktop}${shared ? '*' : ''}`),
      ]),
    );
  const tooWide = async () =>
    (await call('plans.read', { params: { page: `${site}/talks/one` } })).data.findings
      .map(({ rule }) => rule)
      .filter((rule) => rule === 'too-wide');
  const both = (said: string) => ({
    'talks': ['aside 760'],
    'talks/one': [said],
    'talks/two': [said],
    'visit': [],
  });

  it('are there on each page that is meant, and change in one place', async () => {
    await share();
    expect(await spots()).to.deep.equal(both('main 480*'));
    await call('pages.create', { body: { key: `${site}/talks/three`, title: 'Three' } });
    expect((await spots())['talks/three']).to.deep.equal(['main 480*']);
    await resize(wide);
    expect(await read(`${site}/talks/one#main`)).to.deep.equal({
      ...{ key: `${site}/talks/one#main`, name: 'main', widths: wide, heights: {}, selector: 'main' },
      ...{ shared: true, placements: 0 },
    });
    await undoLast();
    expect((await read(`${site}/talks/two#main`)).widths).to.deep.equal(narrow);
  });

  it('hold what is placed in them, and say what is too wide for all of their pages', async () => {
    await share();
    await place('talks/one#main');
    expect((await read(`${site}/talks/one#main`)).placements).to.equal(1);
    expect(await tooWide()).to.deep.equal(['too-wide']);
    await resize({ phone: 900, tablet: 900, desktop: 900 });
    expect(await tooWide()).to.deep.equal([]);
    await undoLast();
    expect(await tooWide()).to.deep.equal(['too-wide']);
    await undoLast();
    expect((await spots())['talks/one']).to.deep.equal(['main 480*']);
  });

  it('stay as they were where something is placed, once nobody says it of all pages any more', async () => {
    await share();
    await place('talks/one#main');
    await resize(wide);
    await call('sharedSpots.delete', { params: { shared: key }, ifMatch });
    expect(await spots()).to.deep.equal({ ...both('main 900'), 'talks/two': [] });
    await undoLast();
    expect(await spots()).to.deep.equal(both('main 900*'));
  });

  it('are another thing on a page that says so, and as everywhere again', async () => {
    await share();
    const params = { spot: `${site}/talks/one#main` };
    const { etag } = await call('spots.read', { params });
    await call('spots.change', { params, body: { widths: wide }, ifMatch: etag! });
    expect((await spots())['talks/one']).to.deep.equal(['main 900']);
    expect((await refusal(call('spots.change', { params, body: {}, ifMatch: etag! }))).code).to.equal(
      'if-match-stale',
    );
    await resize({ ...narrow, desktop: 500 });
    expect((await spots())['talks/two']).to.deep.equal(['main 500*']);
    expect((await spots())['talks/one']).to.deep.equal(['main 900']);
    await call('spots.change', { params, body: { shared: true }, ifMatch });
    expect((await spots())['talks/one']).to.deep.equal(['main 500*']);
    await undoLast();
    expect((await spots())['talks/one']).to.deep.equal(['main 900']);
  });

  it('leave nothing behind where all of it is taken back', async () => {
    const before = await spots();
    await share();
    await place('talks/one#main');
    await undoLast();
    expect(await spots()).to.deep.equal(both('main 480*'));
    await undoLast();
    expect(await spots()).to.deep.equal(before);
  });

  it('are not there on a page that does not have them', async () => {
    await share();
    const params = { spot: `${site}/talks/one#main` };
    await call('spots.delete', { params, ifMatch });
    expect((await spots())['talks/one']).to.deep.equal([]);
    expect((await refusal(place('talks/one#main'))).code).to.equal('not-found');
    await undoLast();
    expect((await spots())['talks/one']).to.deep.equal(['main 480*']);
    // Also where it was the page’s own before.
    await call('spots.change', { params, body: { widths: wide }, ifMatch });
    await call('spots.delete', { params, ifMatch });
    expect((await spots())['talks/one']).to.deep.equal([]);
    await undoLast();
    expect((await spots())['talks/one']).to.deep.equal(['main 900']);
  });

  it('take in what pages have of their name by themselves where that is asked', async () => {
    await call('spots.create', { body: { key: `${site}/visit#main`, widths: wide } });
    await share({ under: '' });
    expect((await spots())['visit']).to.deep.equal(['main 900']);
    await undoLast();
    await share({ under: 'talks/', takesIn: true });
    expect((await spots())['visit']).to.deep.equal(['main 480*']);
    await undoLast();
    expect((await spots())['visit']).to.deep.equal(['main 900']);
  });

  for (const [what, act] of [
    [
      'its size is its own',
      (spot: string) => call('spots.change', { params: { spot }, body: { widths: wide }, ifMatch }),
    ],
    ['it is removed', (spot: string) => call('spots.delete', { params: { spot }, ifMatch })],
  ] as const)
    it(`give a page its own size back that was taken in, also where ${what} meanwhile, and all of it is taken back`, async () => {
      const spot = `${site}/visit#main`;
      await call('spots.create', { body: { key: spot, widths: { ...wide, desktop: 612 } } });
      await share({ takesIn: true });
      await act(spot);
      await undoLast();
      expect((await spots())['visit']).to.deep.equal(['main 480*']);
      await undoLast();
      expect((await spots())['visit']).to.deep.equal(['main 612']);
    });

  it('have a name once on a site, and no page has a second one of it', async () => {
    await share();
    expect((await refusal(share())).code).to.equal('key-taken');
    const own = call('spots.create', { body: { key: `${site}/talks/one#main` } });
    expect((await refusal(own)).code).to.equal('key-taken');
    const none = call('spots.change', {
      params: { spot: `${site}/talks#aside` },
      body: { shared: true },
      ifMatch,
    });
    expect((await refusal(none)).message).to.include(`${site}#aside`);
    expect((await refusal(share({ key: 'nowhere#main' }))).code).to.equal('not-found');
  });

  it('are placed in once by seven at the same moment', async () => {
    await share();
    const all = await Promise.allSettled(Array.from({ length: 7 }, () => place('talks/one#main')));
    expect(all.filter(({ status }) => status === 'fulfilled')).to.have.length(1);
    expect((await read(`${site}/talks/one#main`)).placements).to.equal(1);
  });

  it('are at most fifty of a site', async () => {
    for (let at = 0; at < 50; at++) await share({ key: `${site}#s${at}` });
    expect((await refusal(share())).code).to.equal('too-many-shared-spots');
  });
});
