import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { follow, type Client, type Sweep } from '@orbis/contract';
import { refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('a sweep of a further address of a site', () => {
  let test: TestOrbis;
  let server: Server;
  /* What is on each host, as its one page. */
  const shown = new Map<string, string>();
  const at = (host: string): string => `http://${host}.localhost:${(server.address() as AddressInfo).port}`;
  const call: Client['call'] = (name, options) => test.client.call(name, options);
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    server = createServer(({ headers }, response) => {
      const html = shown.get(headers.host!.split('.')[0]!);
      response.writeHead(html === undefined ? 404 : 200, { 'content-type': 'text/html' }).end(html);
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const furtherAddresses = [at('preview'), at('away')];
    await call('sites.create', { body: { key: 'moor', name: 'Moor', address: at('moor') } });
    await call('sites.change', { params: { site: 'moor' }, ifMatch: '*', body: { furtherAddresses } });
    await call('pages.create', { body: { key: 'moor/start', title: 'Start' } });
    await call('spots.create', { body: { key: 'moor/start#main' } });
    await call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    const { data } = await call('placements.create', { body: { embed: 'talk', place: 'moor/start#main' } });
    const { data: handed } = await call('deliveries.create', { params: { placement: data.id } });
    shown
      .set('preview', `<!doctype html><main>${handed.text}</main>`)
      .set('moor', '<!doctype html><main></main>');
  });
  after(async () => {
    server.closeAllConnections();
    server.close();
    await test.stop();
  });

  const sweep = async (body: { site?: string; page?: string; at?: string }): Promise<Sweep> => {
    let { data: last } = await call('sweeps.create', { body });
    const isEnd = ({ endedAt }: Sweep): boolean => endedAt !== null;
    for await (const each of follow(test.client, 'sweeps.events', { params: { sweep: last.id } }, isEnd))
      last = each;
    return last;
  };
  const known = async () => {
    const [placed] = (await call('placements.list', { query: { site: 'moor' } })).data.items;
    const { data: page } = await call('pages.read', { params: { page: 'moor/start' } });
    const { data: today } = await call('today.read', {});
    return [placed!.state, placed!.lastSeenAt, page.checkedAt, today.sweptAt];
  };
  const seen = async ({ id }: Sweep) =>
    (await call('sweeps.pages', { params: { sweep: id } })).data.items.map(({ url, state, seen: on }) => [
      url,
      state,
      ...on.map((each) => each.state),
    ]);

  it('tells what is there, and nothing of it is published by that', async () => {
    const swept = await sweep({ site: 'moor', at: `${at('preview')}/` });
    expect(swept).to.deep.include({ at: at('preview'), scope: 'moor', read: 1, counts: { live: 1 } });
    expect(await seen(swept)).to.deep.equal([[`${at('preview')}/start`, 'read', 'live']]);
    expect(await known()).to.deep.equal(['planned', null, null, null]);
  });

  it('takes nothing away that is published', async () => {
    shown.set('moor', shown.get('preview')!).set('preview', '<!doctype html><main></main>');
    const published = await sweep({ page: 'moor/start' });
    expect([published.at, published.counts]).to.deep.equal([null, { live: 1 }]);
    const before = await known();
    expect(before[0]).to.equal('live');
    expect((await sweep({ page: 'moor/start', at: at('preview') })).counts).to.deep.equal({ missing: 1 });
    const away = await sweep({ site: 'moor', at: at('away') });
    expect([away.read, away.unreachable]).to.deep.equal([0, 1]);
    expect(await known()).to.deep.equal(before);
  });

  it('is of an address that the site has', async () => {
    const other = await refusal(
      call('sweeps.create', { body: { site: 'moor', at: 'http://elsewhere.localhost' } }),
    );
    expect([other.code, other.message]).to.deep.equal([
      'address-not-of-site',
      `http://elsewhere.localhost is no further address of the site moor: it has ${at('preview')}, ${at('away')}.`,
    ]);
    const all = await refusal(call('sweeps.create', { body: { at: at('preview') } }));
    expect(JSON.stringify(all.problem)).to.include('name the site, or one of its pages');
  });
});
