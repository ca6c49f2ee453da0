import { expect } from 'chai';
import { sweepAll } from '@orbis/demo';
import type { KeptFinding, Placement } from '@orbis/contract';
import { snippetText } from '@orbis/core';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from './support/site-of-pages.ts';
import { until } from './support/until.ts';

const filmAt = (number: number): string =>
  `<iframe src="https://play.kinorill.localhost/film/${number}?knobs=1" title="Film ${number}" allow="fullscreen"></iframe>`;
const feed =
  '<script src="https://fennfeed.localhost/feed.js" async></script>\n<blockquote class="fennfeed" cite="https://fennfeed.localhost/night"><p>Night log</p></blockquote>';

describe('what a sweep finds on published pages', () => {
  let test: TestOrbis;
  let site: SiteOfPages;
  before(async () => {
    test = await startTestOrbis();
    site = await startSiteOfPages();
    await test.client.call('sites.create', {
      body: { key: 'fell', name: 'Hollin Fell', address: site.address },
    });
    await test.client.call('sites.change', { params: { site: 'fell' }, ifMatch: '*', body: { head: true } });
  });
  after(async () => {
    await site.stop();
    await test.stop();
  });

  let films = 0;
  /* A page with an embed in its one spot, as it is to be pasted; published as it should be, and seen so. */
  const placed = async (
    path: string,
    {
      text = filmAt(++films),
      options = {},
      head = '',
    }: { text?: string; options?: object; head?: string } = {},
  ): Promise<{ id: string; code: string }> => {
    const { client } = test;
    await client.call('pages.create', { body: { key: `fell/${path}`, title: path } });
    await client.call('spots.create', { body: { key: `fell/${path}#main` } });
    const { key } = (
      await client.call('embeds.create', { body: { name: `On ${path}`, text, options: options as never } })
    ).data;
    const { id } = (
      await client.call('placements.create', { body: { embed: key, place: `fell/${path}#main` } })
    ).data;
    const { snippets, text: code } = (await client.call('deliveries.create', { params: { placement: id } }))
      .data;
    const inHead = snippets
      .filter(({ position }) => position === 'page-head')
      .map((each) => snippetText(each));
    site.pages.set(path, pageOf(code, head + inHead.join('\n')));
    await sweep(path);
    expect(await openOn(path), path).to.deep.equal([]);
    return { id, code };
  };
  const sweep = async (path: string): Promise<void> => {
    await sweepAll(test.client, { page: `fell/${path}` });
  };
  const all = async (list: KeptFinding['list'] = 'open'): Promise<KeptFinding[]> =>
    (await test.client.call('findings.list', { query: { list, limit: 200 } })).data.items;
  const openOn = async (path: string): Promise<KeptFinding[]> =>
    (await all()).filter(({ page }) => page === `fell/${path}`);
  const stateOf = async (id: string): Promise<Placement['state']> =>
    (await test.client.call('placements.read', { params: { placement: id } })).data.state;
  /* The page is as it is now, and that is found there, and nothing else. */
  const expectOn = async (path: string, rules: string[]): Promise<KeptFinding[]> => {
    await sweep(path);
    const found = await openOn(path);
    expect(found.map(({ rule }) => rule)).to.have.members(rules);
    return found;
  };

  it('is nothing where all is as it should be', async () => {
    await placed('well');
    await expectOn('well', []);
    expect((await test.client.call('findings.count', { query: {} })).data.open).to.deep.equal({
      error: 0,
      warning: 0,
      note: 0,
    });
  });

  it('is that a code is missing, and it solves itself when that is back', async () => {
    const { id, code } = await placed('missing');
    site.pages.set('missing', pageOf(''));
    const [found] = await expectOn('missing', ['missing']);
    expect(found).to.deep.include({
      level: 'error',
      isNew: true,
      embedName: 'On missing',
      place: 'fell/missing#main',
      times: 1,
      solvedAt: null,
    });
    expect(await stateOf(id)).to.equal('missing');
    site.pages.set('missing', pageOf(code));
    await expectOn('missing', []);
    expect((await all('solved')).find((each) => each.id === found!.id)).to.deep.include({
      solvedBy: 'itself',
    });
  });

  it('is that the editor changed it, and what exactly', async () => {
    const { code } = await placed('altered');
    site.pages.set('altered', pageOf(code.replace(' allow="fullscreen"', '')));
    const [found] = await expectOn('altered', ['altered']);
    expect(found!.details).to.deep.equal(['“allow” (what it may do) was taken out of the frame.']);
    const { findings } = (
      await test.client.call('placements.read', { params: { placement: found!.placement! } })
    ).data;
    expect(findings[0]!.details).to.deep.equal(found!.details);
  });

  it('is that visitors read the code', async () => {
    const { code } = await placed('text');
    site.pages.set('text', pageOf(code.replaceAll('<', '&lt;')));
    await expectOn('text', ['shown-as-text', 'missing']);
  });

  it('is that it is there twice', async () => {
    const { code } = await placed('twice');
    site.pages.set('twice', pageOf(`${code}<p>and</p>${code}`));
    const [found] = await expectOn('twice', ['doubled']);
    expect(found!.facts['times']).to.equal(2);
  });

  it('is that what it needs in the head is not there, and is left over there when the code has gone', async () => {
    const { id, code } = await placed('head', { text: feed });
    const whole = site.pages.get('head') as string;
    const { snippets } = (await test.client.call('deliveries.list', { params: { placement: id }, query: {} }))
      .data.items[0]!;
    const inHead = snippets.find(({ position }) => position === 'page-head');
    expect(inHead, 'it has something in the head').not.to.equal(undefined);
    site.pages.set('head', pageOf(code));
    const [found] = await expectOn('head', ['head-missing']);
    expect(found!.message).to.include('a script from fennfeed.localhost');
    site.pages.set('head', whole);
    await expectOn('head', []);
    const { etag } = await test.client.call('placements.read', { params: { placement: id } });
    await test.client.call('placements.delete', { params: { placement: id }, ifMatch: etag! });
    for (const words of ['taken out', 'and changed']) {
      site.pages.set('head', pageOf(words, snippetText(inHead!)));
      expect((await expectOn('head', ['head-left-over']))[0]!.message).to.include('is still there');
    }
    site.pages.set('head', pageOf('taken out'));
    await expectOn('head', []);
  });

  it('is an embed that nobody knows; one step collects and places it as it stands', async () => {
    const code = '<iframe src="https://otherside.localhost/v/9" title="Aurora over the fell"></iframe>';
    await test.client.call('pages.create', { body: { key: 'fell/wild', title: 'Wild' } });
    await test.client.call('pages.create', { body: { key: 'fell/wild-too', title: 'Wild too' } });
    site.pages.set('wild', pageOf(code));
    site.pages.set('wild-too', pageOf(`<p>and</p>${code}`));
    await sweep('wild');
    await sweep('wild-too');
    const [found, ...others] = (await all()).filter(({ rule }) => rule === 'unregistered');
    expect(others).to.deep.equal([]);
    expect(found).to.deep.include({ times: 2, level: 'note', page: 'fell/wild' });
    const { data } = await test.client.call('findings.read', { params: { finding: found!.id } });
    expect(data.code).to.equal(code);
    const made = (
      await test.client.call('findings.register', {
        params: { finding: found!.id },
        body: { name: 'Aurora' },
      })
    ).data;
    expect(made).to.deep.include({ embed: 'aurora', left: 0 });
    expect(made.placements.map(({ place }) => place)).to.deep.equal([
      'fell/wild#found',
      'fell/wild-too#found',
    ]);
    for (const { id } of made.placements) expect(await stateOf(id)).to.equal('live');
    await expectOn('wild', []);
    for (const { id } of made.placements) expect(await stateOf(id)).to.equal('live');
    const error = await refusal(
      test.client.call('findings.register', { params: { finding: found!.id }, body: {} }),
    );
    expect(error.problem.code).to.equal('finding-without-code');
    // What is copied anew carries a mark, and is known by it.
    const { text, number } = (
      await test.client.call('deliveries.create', { params: { placement: made.placements[0]!.id } })
    ).data;
    expect([number, text]).to.deep.equal([
      2,
      code.replace('<iframe', `<iframe data-orbis="${made.placements[0]!.id}.2"`),
    ]);
    site.pages.set('wild', pageOf(text));
    await expectOn('wild', []);
    expect(await stateOf(made.placements[0]!.id)).to.equal('live');
  });

  it('is nothing of what Orbis serves itself, nor the specimen that is read once', async () => {
    await test.client.call('pages.create', { body: { key: 'fell/specimen', title: 'Specimen' } });
    const { text } = (await test.client.call('sites.specimen', { params: { site: 'fell' } })).data;
    site.pages.set('specimen', pageOf(text));
    await expectOn('specimen', []);
  });

  it('is that a code stands on another page than it is placed on, instead or as well', async () => {
    const { code } = await placed('from');
    await test.client.call('pages.create', { body: { key: 'fell/to', title: 'To' } });
    site.pages.set('to', pageOf(code));
    const [copied] = await expectOn('to', ['copied']);
    expect(copied!.message).to.equal('On from, which is placed in fell/from#main, is on this page as well.');
    site.pages.set('from', pageOf(''));
    await expectOn('from', ['missing']);
    site.pages.set('to', pageOf(`${code} `));
    await expectOn('to', ['moved']);
  });

  it('is that several pages cannot be read for the same reason, once', async () => {
    await placed('gone');
    await placed('gone-too');
    for (const path of ['gone', 'gone-too']) site.pages.delete(path);
    await sweep('gone');
    const [found] = await expectOn('gone-too', []).then(() => openOn('gone'));
    expect(found).to.deep.include({ rule: 'page-unreachable', times: 2, level: 'error', embed: null });
    site.pages.set('gone', pageOf(''));
    await sweep('gone');
    expect((await all()).find(({ id }) => id === found!.id)).to.deep.include({ times: 1 });
  });

  it('is that a page leads elsewhere, and whether for good', async () => {
    const { code } = await placed('old');
    site.pages.set('new', pageOf(code));
    const leads = (status: number): void =>
      void site.pages.set('old', (_request, response) =>
        response.writeHead(status, { location: `${site.address}/new` }).end(),
      );
    leads(301);
    const [found] = await expectOn('old', ['page-redirects']);
    expect(found).to.deep.include({
      level: 'warning',
      message: `The page has moved: it leads on to ${site.address}/new.`,
    });
    site.pages.set('new', pageOf(`${code}<p>now</p>`));
    leads(302);
    expect((await expectOn('old', ['page-redirects']))[0]).to.deep.include({ id: found!.id, level: 'note' });
    site.pages.set('old', (_request, response) => response.writeHead(301, { location: '/old/' }).end());
    site.pages.set('old/', pageOf(`${code}<p>there</p>`));
    await expectOn('old', []);
  });

  it('is that a page is built by scripts, of which nothing is said to be missing', async () => {
    const { id } = await placed('shell');
    site.pages.set(
      'shell',
      '<!doctype html><html><head><title>Fell</title></head><body><div id="app"></div><script src="/app.js"></script></body></html>',
    );
    await expectOn('shell', ['built-by-scripts']);
    expect(await stateOf(id)).to.equal('unreachable');
  });

  it('is that a script is loaded twice, and that one is nowhere', async () => {
    await test.client.call('pages.create', { body: { key: 'fell/scripts', title: 'Scripts' } });
    const counter =
      '<div class="tally" data-tally="7"></div><script src="https://tallywren.localhost/w.js"></script>';
    site.pages.set('scripts', pageOf(`${counter}<p>and</p>${counter}`));
    await sweep('scripts');
    expect((await openOn('scripts')).map(({ rule }) => rule)).to.include('loader-repeated');
  });

  it('is how much of a site is out of date, in one, until it is not', async () => {
    await placed('late');
    await test.client.call('revisions.create', {
      params: { embed: 'on-late' },
      ifMatch: '*',
      body: { options: { 'max-width': 320 } },
    });
    const outOfDate = async () => (await all()).find(({ rule }) => rule === 'site-out-of-date');
    await until(async () => (await outOfDate())?.facts['count'] === 1);
    expect((await outOfDate())!.page).to.equal(null);
    await test.client.call('revisions.create', {
      params: { embed: 'on-late' },
      ifMatch: '*',
      body: { options: {} },
    });
    await until(async () => (await outOfDate()) === undefined);
  });

  it('is told in the history of its page', async () => {
    const { items } = (await test.client.call('sweeps.onPage', { params: { page: 'fell/to' }, query: {} }))
      .data;
    expect(
      items.map(({ findings, solved }) => [findings, solved].map((each) => each.map(({ rule }) => rule))),
    ).to.deep.equal([
      [['moved'], ['copied']],
      [['copied'], []],
    ]);
  });
});

describe('a finding', () => {
  let test: TestOrbis;
  let site: SiteOfPages;
  let finding: KeptFinding;
  const code = '<iframe src="https://otherside.localhost/v/1" title="Film"></iframe>';
  before(async () => {
    test = await startTestOrbis();
    site = await startSiteOfPages();
    await test.client.call('sites.create', { body: { key: 'fell', name: 'Fell', address: site.address } });
    await test.client.call('pages.create', { body: { key: 'fell/talks', title: 'Talks' } });
    site.pages.set('talks', pageOf(code));
    await sweepAll(test.client);
    finding = (await listed('open'))[0]!;
  });
  after(async () => {
    await site.stop();
    await test.stop();
  });
  const listed = async (list: KeptFinding['list']): Promise<KeptFinding[]> =>
    (await test.client.call('findings.list', { query: { list } })).data.items;
  const decide = async (body: object): Promise<KeptFinding> =>
    (await test.client.call('findings.decide', { body: { findings: [finding.id], ...body } as never })).data
      .items[0]!;
  const counts = async () => (await test.client.call('findings.count', { query: {} })).data;

  it('is new until somebody takes notice of it', async () => {
    expect(finding).to.deep.include({ rule: 'unregistered', isNew: true, list: 'open' });
    expect(await decide({ as: 'seen' })).to.deep.include({ isNew: false, list: 'open' });
  });
  it('waits until its time has come, and is new again then', async () => {
    const until1 = new Date(Date.now() + 1000).toISOString();
    expect(await decide({ as: 'later', until: until1, reason: 'after the festival' })).to.deep.include({
      list: 'later',
      until: until1,
      reason: 'after the festival',
    });
    expect(await listed('open')).to.deep.equal([]);
    expect((await counts()).open.note).to.equal(0);
    await until(async () => (await listed('open')).length === 1);
    expect((await listed('open'))[0]).to.deep.include({ isNew: true, reason: '' });
    expect((await counts()).rules).to.deep.equal([
      { rule: 'unregistered', title: 'Not in the register', count: 1 },
    ]);
  });
  it('is not told again where that was said, also when it comes back', async () => {
    await decide({ as: 'muted', reason: 'the theme brings it' });
    site.pages.set('talks', pageOf(''));
    await sweepAll(test.client);
    site.pages.set('talks', pageOf(code));
    await sweepAll(test.client);
    expect(await listed('open')).to.deep.equal([]);
    expect((await listed('muted'))[0]).to.deep.include({
      id: finding.id,
      reason: 'the theme brings it',
      times: 1,
    });
  });
  it('that was called solved is open again when the next sweep finds it', async () => {
    expect(await decide({ as: 'open' })).to.deep.include({ list: 'open', isNew: true });
    expect(await decide({ as: 'solved' })).to.deep.include({ list: 'solved', solvedBy: 'hand' });
    expect((await counts()).rules).to.deep.equal([]);
    await sweepAll(test.client);
    expect((await listed('open'))[0]).to.deep.include({ id: finding.id, isNew: true, solvedAt: null });
    expect((await counts()).rules[0]!.count).to.equal(1);
  });
  it('goes with its page', async () => {
    const { etag } = await test.client.call('pages.read', { params: { page: 'fell/talks' } } as never);
    await test.client.call('pages.delete', {
      params: { page: 'fell/talks' },
      ifMatch: etag!,
      query: {},
    } as never);
    expect(await listed('open')).to.deep.equal([]);
    expect((await counts()).rules).to.deep.equal([]);
  });
  it('is decided about only as it makes sense', async () => {
    for (const [body, says] of [
      [{ as: 'later' }, '/until'],
      [{ as: 'muted' }, '/reason'],
      [{ as: 'seen', until: new Date().toISOString() }, '/until'],
    ] as const) {
      const error = await refusal(decide(body));
      expect(error.problem.errors![0]!.pointer).to.equal(says);
    }
    expect((await refusal(decide({ as: 'later', until: '2020-01-01T00:00:00.000Z' }))).problem.code).to.equal(
      'time-passed',
    );
    expect(
      (await refusal(test.client.call('findings.decide', { body: { findings: ['0000000000'], as: 'seen' } })))
        .problem.code,
    ).to.equal('not-found');
  });
});
