import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';

const named = (n: number) => ({
  provider_name: `Provider ${n}`,
  provider_url: `https://p${n}.localhost/`,
  endpoints: [
    {
      url: `https://p${n}.localhost/oembed`,
      schemes: [`https://p${n}.localhost/items/*`, `https://*.p${n}.localhost/*`],
      discovery: true,
    },
  ],
});

describe('a list of oEmbed providers, imported', () => {
  let test: TestOrbis;
  let server: Server;
  let asked: URL[] = [];
  let answer: RequestListener = (_q, r) => r.end();
  let port: number;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    server = createServer((request, response) => {
      asked.push(new URL(request.url!, 'http://x'));
      answer(request, response);
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    ({ port } = server.address() as AddressInfo);
  });
  after(async () => {
    server.closeAllConnections();
    server.close();
    await test.stop();
  });
  const take = async (list: unknown) =>
    (
      await test.client.call('endpoints.import', {
        body: { text: typeof list === 'string' ? list : JSON.stringify(list) },
      })
    ).data;
  const all = async (q?: string) =>
    (await test.client.call('endpoints.list', { query: { limit: 200, ...(q === undefined ? {} : { q }) } }))
      .data.items;
  const tarncast = (schemes: string[]) => ({
    provider_name: 'Tarncast',
    provider_url: '',
    endpoints: [{ url: `http://tarncast.localhost:${port}/answers.{format}`, schemes, formats: ['json'] }],
  });
  const collect = async (name: string, text: string, more: object = {}) =>
    (await test.client.call('embeds.create', { body: { name, text, ask: true, ...more } })).data;

  it('makes 400 providers known at once; twice is once, and what changed is changed', async () => {
    const list = Array.from({ length: 400 }, (_, n) => named(n));
    expect(await take(list)).to.deep.equal({
      entries: 400,
      endpoints: 400,
      added: 400,
      changed: 0,
      same: 0,
      unusable: [],
    });
    expect(await take(list)).to.deep.include({ added: 0, changed: 0, same: 400 });
    list[7]!.endpoints[0]!.schemes = ['https://p7.localhost/things/*'];
    expect(await take(list.slice(0, 9))).to.deep.include({ added: 0, changed: 1, same: 8 });
    expect((await all('https://p7.localhost/things/1')).map(({ provider }) => provider)).to.deep.equal([
      'Provider 7',
    ]);
    expect(await all('https://p7.localhost/items/1')).to.deep.equal([]);
    expect((await all('https://www.p12.localhost/anything')).map(({ provider }) => provider)).to.deep.equal([
      'Provider 12',
    ]);
    expect((await all('provider 39')).length).to.equal(11);
    expect((await test.client.call('endpoints.list', { query: { limit: 150 } })).data.next).to.be.a('string');
  });

  it('is taken in once where two import it at the same time', async () => {
    const list = Array.from({ length: 60 }, (_, n) => named(1000 + n));
    const done = await Promise.all([take(list), take(list), take(list)]);
    expect(done.reduce((sum, { added }) => sum + added, 0)).to.equal(60);
    // Number 10, 100 to 109, and these.
    expect((await all('Provider 10')).length).to.equal(71);
  });

  it('says what cannot be used and why, and refuses what is no list', async () => {
    const { unusable, added } = await take([
      { ...named(3000), endpoints: [{ url: 'nowhere', schemes: ['reel:*'] }] },
      named(3001),
      7,
    ]);
    expect([added, unusable.map(({ entry, what }) => [entry, what])]).to.deep.equal([
      1,
      [
        [1, 'nowhere'],
        [3, 'entry'],
      ],
    ]);
    for (const text of ['words', '{"a":1}'])
      expect((await refusal(take(text))).code).to.equal('list-invalid');
  });

  it('is asked about links before their pages are, for no more room than there is, and once for as long as the answer holds', async () => {
    answer = (request, response) => {
      const { pathname } = new URL(request.url!, 'http://x');
      if (pathname !== '/answers.json')
        return void response.writeHead(200, { 'content-type': 'text/html' }).end('<title>The page</title>');
      response.writeHead(200, { 'content-type': 'application/json' }).end(
        JSON.stringify({
          version: '1.0',
          type: 'video',
          title: 'A tarn',
          cache_age: 600,
          html: '<iframe src="https://tarncast.localhost/e/1" title="x"></iframe>',
          width: 400,
          height: 300,
        }),
      );
    };
    const link = `http://tarncast.localhost:${port}/watch/1`;
    await take([tarncast([`http://tarncast.localhost:${port}/watch/*`])]);
    const { data } = await test.client.call('links.find', { body: { link } });
    expect(data.asks).to.deep.equal([
      {
        host: `tarncast.localhost:${port}`,
        what: 'what it knows of this link (Tarncast answers such questions)',
      },
    ]);
    asked = [];
    const first = await collect('Tarn', link, { options: { 'max-width': 500, 'height': 320 } });
    expect(asked.map(({ pathname, searchParams }) => [pathname, ...searchParams])).to.deep.equal([
      ['/answers.json', ['url', link], ['maxwidth', '500'], ['maxheight', '320']],
    ]);
    expect(first.found).to.deep.include({ how: 'oembed', provider: 'Tarncast', title: 'A tarn', url: link });
    await collect('Tarn again', link, { options: { 'max-width': 500, 'height': 320 } });
    expect(asked).to.have.length(1);
    await collect('Tarn, larger', link);
    expect(asked).to.have.length(2);
  });

  it('keeps nothing where the one who is asked does not answer, and is forgotten when that is asked for', async () => {
    answer = (_q, r) => r.writeHead(404).end();
    const link = `http://tarncast.localhost:${port}/watch/none`;
    expect((await refusal(collect('None', link))).message).to.include('answers 404');
    answer = (_q, r) =>
      r.writeHead(200, { 'content-type': 'application/json' }).end('{"version":"1.0","type":"link"}');
    expect((await refusal(collect('Mere link', `${link}2`))).message).to.include('a mere link');
    const [known] = await all('Tarncast');
    await test.client.call('endpoints.remove', { params: { endpoint: known!.id } });
    expect(
      (await refusal(test.client.call('endpoints.remove', { params: { endpoint: known!.id } }))).code,
    ).to.equal('not-found');
    answer = (_q, r) => r.writeHead(200, { 'content-type': 'text/html' }).end('<title>The page</title>');
    expect((await collect('By its page', link)).found).to.deep.include({ how: 'page', title: 'The page' });
  });
});
