import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';

describe('the colours of a site', () => {
  let test: TestOrbis;
  let server: Server;
  let page = '';
  before(async () => {
    test = await startTestOrbis();
    server = createServer(({ url }, response) => {
      if (url === '/site.css')
        response.setHeader('content-type', 'text/css').end('a,b{color:#246}a{color:#246}');
      else if (url === '/gone.css') response.writeHead(404).end();
      else response.setHeader('content-type', 'text/html').end(page);
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const address = `http://moor.localhost:${(server.address() as AddressInfo).port}`;
    await test.client.call('sites.create', { body: { key: 'moor', name: 'Moor', address } });
  });
  after(async () => {
    server.close();
    await test.stop();
  });
  const read = async () =>
    (await test.client.call('sites.colours', { params: { site: 'moor' }, body: {} })).data;
  const kept = () => test.client.call('sites.read', { params: { site: 'moor' } });

  it('are read of its page and its sheets, with where they stand; what could not be read is named', async () => {
    page =
      '<link rel="stylesheet" href="/site.css"><link rel="stylesheet" href="/gone.css"><style>body{background:#eee}</style>';
    const { colours, sheets, unread } = await read();
    expect(colours).to.deep.equal([
      { colour: '#224466', uses: 2, where: ['text of links'] },
      { colour: '#eeeeee', uses: 1, where: ['background of the page'] },
    ]);
    expect(sheets).to.equal(1);
    expect(unread.map(({ sheet }) => new URL(sheet).pathname)).to.deep.equal(['/gone.css']);
  });

  it('are kept with it, taken back with it, and change no code', async () => {
    const { etag } = await kept();
    await test.client.call('sites.change', {
      params: { site: 'moor' },
      body: { colours: ['#224466'] },
      ifMatch: etag ?? '',
    });
    expect((await kept()).data.colours).to.deep.equal(['#224466']);
    const { data } = await test.client.call('changes.list', { query: {} });
    await test.client.call('changes.undo', { params: { change: data.items[0]!.id }, body: {} });
    expect((await kept()).data.colours).to.deep.equal([]);
  });

  it('are colours and nothing else, ten at most', async () => {
    const { etag } = await kept();
    for (const colours of [['red'], ['#fff'], ['#224466;}'], Array<string>(11).fill('#224466')]) {
      const work = test.client.call('sites.change', {
        params: { site: 'moor' },
        body: { colours },
        ifMatch: etag ?? '',
      });
      expect((await refusal(work)).code).to.equal('bad-request');
    }
  });

  it('are not read where the page cannot be', async () => {
    const work = test.client.call('sites.colours', { params: { site: 'moor' }, body: { path: 'site.css' } });
    expect((await refusal(work)).code).to.equal('page-unreadable');
  });
});
