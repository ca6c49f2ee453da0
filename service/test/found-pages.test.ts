import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import { expect } from 'chai';
import { ApiError, eventsIn, type FoundPages, type PageSearchEvent } from '@orbis/contract';
import { declareSite, refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { until } from './support/until.ts';

describe('the pages of a site, found and added together', () => {
  let test: TestOrbis;
  let server: Server;
  let answer: RequestListener;
  let asked: string[] = [];
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    server = createServer((request, response) => {
      asked.push(request.url ?? '');
      answer(request, response);
    });
    await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
    await test.client.call('sites.create', {
      body: { key: 'odd', name: 'Odd', address: `http://odd.localhost:${port()}` },
    });
  });
  beforeEach(() => void (asked = []));
  after(async () => {
    server.closeAllConnections();
    server.close();
    await test.stop();
  });
  const port = (): number => (server.address() as AddressInfo).port;
  const at = (path: string): string => `http://odd.localhost:${port()}${path}`;

  const search = async (
    site: string,
    body: { by: 'sitemap' | 'links'; address?: string; most?: number },
    signal = new AbortController().signal,
  ): Promise<{ found: FoundPages; told: number }> => {
    const response = await test.client.open('pageSearches.create', { params: { site }, body, signal });
    let told = 0;
    for await (const event of eventsIn<PageSearchEvent>(response)) {
      if ('problem' in event) throw new ApiError(event.problem);
      if ('done' in event) return { found: event.done, told };
      told++;
    }
    throw new Error('it broke off');
  };
  const serving =
    (files: Record<string, string | Buffer>): RequestListener =>
    ({ url = '' }, response) => {
      const body = files[url];
      if (body === undefined) response.writeHead(404).end();
      else
        response
          .writeHead(200, { 'content-type': url.endsWith('.xml') ? 'text/xml' : 'text/html; charset=utf-8' })
          .end(body);
    };
  const listOf = (...addresses: string[]): string =>
    `<urlset>${addresses.map((address) => `<url><loc>${address}</loc></url>`).join('')}</urlset>`;
  const paths = ({ pages }: FoundPages): string[] => pages.map(({ path }) => path);

  it('are in its sitemaps: where its robots.txt names them, in an index, and packed', async () => {
    const { found } = await search('hollinfell', { by: 'sitemap' });
    const { pages, ...rest } = found;
    expect(rest).to.deep.equal({
      read: 3,
      leftOut: { elsewhere: 0, question: 0, odd: 0 },
      unread: [],
      isCut: false,
    });
    expect(pages).to.deep.include.members([
      { key: 'hollinfell/', path: '', title: 'Hollin Fell', isKnown: false },
      { key: 'hollinfell/talks', path: 'talks', title: 'Talks', isKnown: true },
      {
        key: 'hollinfell/stories/twelve-winters',
        path: 'stories/twelve-winters',
        title: 'Twelve winters',
        isKnown: false,
      },
    ]);
  });

  it('are where its links lead, called as they call themselves, without what is for people only', async () => {
    const { found, told } = await search('hollinfell', { by: 'links' });
    const sitemap = await search('hollinfell', { by: 'sitemap' });
    expect([...paths(found)].sort()).to.deep.equal([...paths(sitemap.found)].sort());
    expect(told).to.equal(found.pages.length);
    expect(found.pages.find(({ path }) => path === 'stories/twelve-winters')?.title).to.equal(
      'Twelve winters on the moor',
    );
    const cut = (await search('hollinfell', { by: 'links', most: 2 })).found;
    expect([cut.pages.length, cut.isCut]).to.deep.equal([2, true]);
  });

  it('are not what is of others, has a question mark, or is no page', async () => {
    answer = serving({
      '/': `<title>Odd</title><a href="/a">A</a><a href="/a?b">Q</a><a href="//x.example/">X</a><a href="/b//c">O</a><a href="/p.pdf">P</a><a href="/gone">G</a>`,
      '/a': `<title>\u0007A ${'\u{1f52d}'.repeat(300)}</title><a href="/">Back</a><a href="/a?b">Q</a>`,
    });
    const { found } = await search('odd', { by: 'links' });
    expect(paths(found)).to.deep.equal(['', 'a']);
    // What is called so can be added so.
    expect(found.pages[1]!.title).to.equal(`A ${'\u{1f52d}'.repeat(198)}`);
    const [, { title }] = found.pages as [unknown, { title: string }];
    expect(await add([{ path: 'a', title }])).to.deep.equal({ added: 1, known: 0 });
    expect(found.leftOut).to.deep.equal({ elsewhere: 1, question: 1, odd: 1 });
    expect(found.unread).to.deep.equal([
      { address: at('/gone'), why: `odd.localhost:${port()} answers 404.` },
    ]);
    expect(asked).to.deep.equal(['/robots.txt', '/', '/a', '/gone']);
  });

  it('are not those of another site to which the first one leads', async () => {
    answer = (_request, response) =>
      response.writeHead(302, { location: `http://hollinfell.localhost:${test.world.port}/` }).end();
    const error = await refusal(search('odd', { by: 'links' }));
    expect(error.message).to.include(`it leads to hollinfell.localhost:${test.world.port}`);
  });

  it('are not looked for without an end where links lead nowhere', async () => {
    const many = Array.from({ length: 20 }, (_, i) => `<a href="/no${i}">No</a>`).join('');
    answer = serving({ '/': many });
    const { found } = await search('odd', { by: 'links', most: 3 });
    expect([paths(found), found.unread.length, found.isCut]).to.deep.equal([[''], 4, true]);
  });

  it('are read on where one file is none, packed wrongly, or too large', async () => {
    const bomb = gzipSync(Buffer.alloc(60 * 1024 * 1024, 32));
    answer = serving({
      '/sitemap.xml': `<sitemapindex>${['/page', '/bomb', '/broken', '/entities', '/more', '/sitemap.xml']
        .map((path) => `<sitemap><loc>${at(path)}</loc></sitemap>`)
        .join('')}</sitemapindex>`,
      '/page': '<!doctype html><p>No sitemap',
      '/bomb': bomb,
      '/broken': bomb.subarray(0, 200),
      '/entities': `<!DOCTYPE a [<!ENTITY b "c">]>${listOf(at('/&b;'))}`,
      '/more': listOf(at('/a'), at('/a?b'), at('/b')),
    });
    const { found } = await search('odd', { by: 'sitemap' });
    expect(paths(found)).to.deep.equal(['a', 'b']);
    expect(found.unread.map(({ address, why }) => [new URL(address).pathname, why])).to.deep.equal([
      ['/page', 'what is there is no sitemap.'],
      ['/bomb', 'it is packed wrongly, or too large.'],
      ['/broken', 'it is packed wrongly, or too large.'],
      ['/entities', 'what is there is no sitemap.'],
    ]);
  });

  it('say what is wrong where nothing can be read', async () => {
    answer = serving({});
    const none = await refusal(search('odd', { by: 'sitemap' }));
    expect(none.code).to.equal('sitemap-missing');
    expect(none.message).to.include(`No sitemap could be read at ${at('/sitemap.xml')}: odd.localhost`);
    expect((await refusal(search('odd', { by: 'links' }))).code).to.equal('page-unreadable');
    // Nothing private is asked but the owner’s own sites.
    const other = await refusal(search('odd', { by: 'sitemap', address: 'http://127.0.0.1:1/sitemap.xml' }));
    expect(other.code).to.equal('sitemap-missing');
    expect((await refusal(search('nosuch', { by: 'links' }))).code).to.equal('not-found');
  });

  it('are looked for no longer once nobody waits for them', async () => {
    const gone = new AbortController();
    let last = '';
    answer = ({ url = '' }, response) => {
      last = url;
      response
        .writeHead(200, { 'content-type': 'text/html; charset=utf-8' })
        .end(`<title>Page</title><a href="/${asked.length}">Next</a>`);
      if (asked.length > 3) gone.abort();
    };
    await search('odd', { by: 'links' }, gone.signal).then(
      () => expect.fail('was not broken off'),
      () => undefined,
    );
    const then = last;
    await new Promise((resolve) => setTimeout(resolve, 700));
    expect(last).to.equal(then);
    expect(test.log.filter((line) => line.includes('search for pages failed'))).to.deep.equal([]);
  });

  const add = async (pages: { path: string; title: string }[]) =>
    (await test.client.call('pageImports.create', { params: { site: 'odd' }, body: { pages } })).data;
  const onSite = async () => (await test.client.call('sites.read', { params: { site: 'odd' } })).data.pages;

  it('are added all at once; what is there stays, and all of it can be taken back', async () => {
    await test.client.call('pages.create', { body: { key: 'odd/b', title: 'Mine' } });
    const pages = Array.from({ length: 1500 }, (_, i) => ({ path: `p${i}`, title: `Page ${i}` }));
    expect(
      await add([{ path: 'b', title: 'Other' }, ...pages, { path: 'p0', title: 'Once more' }]),
    ).to.deep.equal({ added: 1500, known: 1 });
    expect(await onSite()).to.equal(1502);
    const read = async (page: string) =>
      (await test.client.call('pages.read', { params: { page } })).data.title;
    expect([await read('odd/b'), await read('odd/p0')]).to.deep.equal(['Mine', 'Page 0']);
    expect(await add(pages)).to.deep.equal({ added: 0, known: 1500 });
    const { items } = (await test.client.call('changes.list', { query: { limit: 1 } })).data;
    expect(items[0]!.said).to.equal('Added 1500 pages to the site odd');
    const undo = () => test.client.call('changes.undo', { params: { change: items[0]!.id }, body: {} });
    await test.client.call('spots.create', { body: { key: 'odd/p7#main' } });
    expect((await refusal(undo())).message).to.include('odd/p7');
    const spot = { spot: 'odd/p7#main' };
    const { etag } = await test.client.call('spots.read', { params: spot });
    await test.client.call('spots.delete', { params: spot, ifMatch: etag! });
    await undo();
    expect(await onSite()).to.equal(2);
  });

  it('are added once by two who add them at once', async () => {
    const pages = Array.from({ length: 300 }, (_, i) => ({ path: `q${i}`, title: `Page ${i}` }));
    const both = await Promise.all([add(pages), add([...pages].reverse())]);
    expect(both.map(({ added }) => added).sort()).to.deep.equal([0, 300]);
    await until(async () => (await onSite()) === 302);
  });
});
