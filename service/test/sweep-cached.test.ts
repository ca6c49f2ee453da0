import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { sweepAll } from '@orbis/demo';
import { get } from './support/get.ts';
import { startCachingProxy } from './support/caching-proxy.ts';
import { startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { pageOf, startSiteOfPages } from './support/site-of-pages.ts';

const page = 'moor/talks';

describe('a page behind a cache', () => {
  let test: TestOrbis;
  let server: Server;
  let id: string;
  /* What is published, and what a cache has of it: null where it has nothing. */
  let published = '<p>Nothing yet</p>';
  let cached: string | null = null;
  let asked: string[] = [];

  before(async () => {
    test = await startTestOrbis();
    server = createServer((request, response) => {
      const isPast = request.headers['cache-control'] === 'no-cache';
      asked.push(isPast ? 'past' : 'through');
      response
        .writeHead(200, { 'content-type': 'text/html' })
        .end(isPast ? published : (cached ?? published).replace('TIME', String(Math.random())));
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const address = `http://moor.localhost:${(server.address() as AddressInfo).port}`;
    await test.client.call('sites.create', { body: { key: 'moor', name: 'Moor', address } });
    await test.client.call('pages.create', { body: { key: page, title: 'Talks' } });
    await test.client.call('spots.create', { body: { key: `${page}#main` } });
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    const body = { embed: 'talk', place: `${page}#main` };
    ({ id } = (await test.client.call('placements.create', { body })).data);
  });
  after(async () => {
    await test.stop();
    server.closeAllConnections();
    server.close();
  });

  const deliver = async (): Promise<string> =>
    (await test.client.call('deliveries.create', { params: { placement: id } })).data.text;
  const seen = async (): Promise<[state: string, rules: string[]]> => {
    await sweepAll(test.client);
    const { data } = await test.client.call('placements.read', { params: { placement: id } });
    return [data.state, data.findings.map(({ rule }) => rule)];
  };

  it('says of what is published that visitors may not see it yet, until they do', async () => {
    cached = published;
    expect(await seen(), 'it is not published yet').to.deep.equal(['planned', []]);
    published = `<main>${await deliver()}</main>`;
    expect(await seen()).to.deep.equal(['live', ['still-cached']]);
    expect(await seen(), 'it still is').to.deep.equal(['live', ['still-cached']]);
    cached = published;
    expect(await seen()).to.deep.equal(['live', []]);
  });

  it('says so of a newer code, and not where the page only differs elsewhere', async () => {
    await test.client.call('revisions.create', {
      params: { embed: 'talk' },
      ifMatch: '*',
      body: { options: { start: 7 } },
    });
    cached = published;
    published = `<main>${await deliver()}</main>`;
    expect(await seen()).to.deep.equal(['live', ['still-cached']]);
    cached = `${published}<p>TIME</p>`;
    expect(await seen()).to.deep.equal(['live', []]);
    asked = [];
    published = published.replace('<main>', '<main><p>Another word</p>');
    expect(await seen()).to.deep.equal(['live', []]);
    expect(asked, 'nothing of ours is news').to.deep.equal(['past']);
  });
});

describe('a page behind a caching proxy', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
  });
  after(() => test.stop());

  for (const [what, keepsPast] of [
    ['with a note for as long as others get the version before', false],
    ['without one where the proxy learns of it by being asked past itself', true],
  ] as const)
    it(`is live once it is published, ${what}`, async () => {
      const { client } = test;
      const site = await startSiteOfPages('fell.localhost');
      const proxy = await startCachingProxy(site.port, 'fell.localhost', { keepsPast });
      const key = keepsPast ? 'keeps' : 'passes';
      const publish = (html: string): void =>
        void site.pages.set('talks', (_request, response) =>
          response
            .writeHead(200, { 'content-type': 'text/html', 'cache-control': 'public, max-age=600' })
            .end(html),
        );
      try {
        await client.call('sites.create', { body: { key, name: key, address: proxy.address } });
        await client.call('pages.create', { body: { key: `${key}/talks`, title: 'Talks' } });
        await client.call('spots.create', { body: { key: `${key}/talks#main` } });
        const body = { embed: 'talk', place: `${key}/talks#main` };
        const { id } = (await client.call('placements.create', { body })).data;
        const seen = async (): Promise<[string, string[]]> => {
          await sweepAll(client, { page: `${key}/talks` });
          const { data } = await client.call('placements.read', { params: { placement: id } });
          return [data.state, data.findings.map(({ rule }) => rule)];
        };
        publish(pageOf(''));
        // A visitor comes, and the proxy keeps the page for the next one.
        await get(`${proxy.address}/talks`);
        const { text } = (await client.call('deliveries.create', { params: { placement: id } })).data;
        publish(pageOf(text));
        expect(await seen()).to.deep.equal(['live', keepsPast ? [] : ['still-cached']]);
        expect(proxy.fromMemory).to.deep.equal(['/talks']);
        proxy.forget();
        expect(await seen()).to.deep.equal(['live', []]);
      } finally {
        await Promise.all([site.stop(), proxy.stop()]);
      }
    });
});
