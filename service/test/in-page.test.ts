import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { get } from './support/get.ts';
import { refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('a preview in a published page', () => {
  let test: TestOrbis;
  let server: Server;
  let address = '';
  let read = 0;
  let body = '<h1>Talks</h1><p>Each of them.</p>';
  before(async () => {
    test = await startTestOrbis();
    server = createServer((_request, response) => {
      read += 1;
      response
        .setHeader('content-type', 'text/html')
        .end(`<!doctype html><link rel="stylesheet" href="site.css"><script src="site.js"></script>${body}`);
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    address = `http://moor.localhost:${(server.address() as AddressInfo).port}`;
    const { client } = test;
    await client.call('sites.create', { body: { key: 'moor', name: 'Moor', address } });
    await client.call('sites.change', {
      params: { site: 'moor' },
      body: { language: 'de', defaults: { video: { heading: 'From the moor' } } },
      ifMatch: (await client.call('sites.read', { params: { site: 'moor' } })).etag ?? '',
    });
    for (const path of ['talks', 'gone'])
      await client.call('pages.create', { body: { key: `moor/${path}`, title: path } });
    await client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
  });
  after(async () => {
    server.close();
    await test.stop();
  });
  const preview = async (body: object) =>
    (await test.client.call('previews.create', { body: { embed: 'talk', options: {}, ...body } })).data;
  const onTalks = (beside?: object) => preview({ on: { page: 'moor/talks', ...(beside && { beside }) } });

  it('shows it where it most likely goes, as its site asks, and nothing of the page acts', async () => {
    const { url, page } = await onTalks();
    expect(page).to.deep.equal({
      url: `${address}/talks`,
      places: [
        { kind: 'heading', words: 'Talks' },
        { kind: 'paragraph', words: 'Each of them.' },
      ],
      at: 0,
      side: 'after',
      instead: false,
    });
    const { body, headers } = await get(url);
    expect(body).to.match(/<h1[^>]*>Talks<\/h1><!--orbis begins-->.*From the moor.*<!--orbis ends--><p/s);
    expect(body).to.include('<link rel="stylesheet" href="site.css">').and.not.include('site.js');
    expect(body).to.include(`<base href="${address}/talks">`);
    const policy = String(headers['content-security-policy']);
    expect(policy).to.include(`base-uri ${address}`).and.include('font-src * data:');
    expect(/script-src ([^;]*)/.exec(policy)![1]!.split(' ')).to.deep.equal([
      `${url}orbis-relay.js`,
      `${url}orbis-pointing.js`,
    ]);
    for (const name of ['relay', 'pointing'])
      expect((await get(`${url}orbis-${name}.js`)).status).to.equal(200);
  });

  it('shows it beside the place that is named, by its words or its number', async () => {
    for (const beside of [
      { side: 'before', words: 'each of' },
      { side: 'before', at: 1 },
    ])
      expect((await onTalks(beside)).page).to.include({ at: 1, side: 'before' });
    expect((await refusal(onTalks({ side: 'after', words: 'Nothing' }))).message).to.include(
      'No heading or paragraph that begins with “Nothing” is on moor/talks. It has: “Talks”, “Each of them.”.',
    );
  });

  it('reads the page once for many changes of what is shown in it', async () => {
    const before = read;
    for (const heading of ['A', 'B', 'C'])
      await preview({ on: { page: 'moor/talks' }, options: { heading } });
    expect(read).to.equal(before);
  });

  it('shows it instead of its code, where that is published already', async () => {
    const { client } = test;
    await client.call('pages.create', { body: { key: 'moor/placed', title: 'Placed' } });
    await client.call('spots.create', {
      body: { key: 'moor/placed#main', widths: { phone: 350, tablet: 700, desktop: 700 } },
    });
    const { data: placed } = await client.call('placements.create', {
      body: { embed: 'talk', place: 'moor/placed#main' },
    });
    const { data } = await client.call('deliveries.create', { params: { placement: placed.id } });
    body = `<h1>Talks</h1><p>One</p>${data.text}<p>Two</p>`;
    for (const of of [{ embed: 'talk' }, { embed: undefined, placement: placed.id }]) {
      const { page, url } = await preview({ ...of, on: { page: 'moor/placed' } });
      expect(page).to.include({ at: null, instead: true });
      expect((await get(url)).body).to.match(/One<\/p><!--orbis begins-->.*<!--orbis ends--><p[^>]*>Two/s);
    }
  });

  it('says what is wrong with the page', async () => {
    expect((await refusal(preview({ on: { page: 'moor/nowhere' } }))).code).to.equal('not-found');
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
    expect((await refusal(preview({ on: { page: 'moor/gone' } }))).code).to.equal('page-unreadable');
  });
});

describe('a preview by itself', () => {
  let test: TestOrbis;
  before(async () => void (test = await startTestOrbis()));
  after(() => test.stop());
  const shown = async (view: object): Promise<string> => {
    const { data } = await test.client.call('previews.create', {
      body: { text: talkCode(test.world.port), options: { heading: 'A night' }, ...view },
    });
    return (await get(data.url)).body;
  };

  it('can be as it was pasted, and on a colour', async () => {
    expect(await shown({ asPasted: true })).to.not.include('A night');
    expect(await shown({}))
      .to.include('A night')
      .and.include('html{background:#fff');
    expect(await shown({ background: '#1f4e5f' })).to.include('html{background:#1f4e5f');
    expect((await refusal(shown({ background: 'red;}' }))).code).to.equal('bad-request');
  });

  it('speaks the language of the sites, where they have one', async () => {
    const { client } = test;
    await client.call('sites.create', {
      body: { key: 'moor', name: 'Moor', address: 'http://moor.localhost' },
    });
    await client.call('sites.change', {
      params: { site: 'moor' },
      body: { language: 'de' },
      ifMatch: (await client.call('sites.read', { params: { site: 'moor' } })).etag ?? '',
    });
    expect(await shown({})).to.include('<html lang="de">');
    await client.call('sites.create', {
      body: { key: 'fell', name: 'Fell', address: 'http://fell.localhost' },
    });
    expect(await shown({})).to.include('<html lang="en">');
  });
});
