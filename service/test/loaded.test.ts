/* What placed embeds load from elsewhere is asked for, and what is wrong with it wants attention: each thing
   once, however many embeds have it. */
import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { outcomeOf, type AskedOutcome, type KeptFinding, type Resource } from '@orbis/contract';
import type { Fault } from '@orbis/demo';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { startHookReceiver } from './support/hook-receiver.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from './support/site-of-pages.ts';
import { until } from './support/until.ts';

const spots = [
  'opening',
  'second',
  'third',
  'fourth',
  'fifth',
  'sixth',
  'seventh',
  'eighth',
  'ninth',
  'tenth',
];

describe('what embeds load from elsewhere', () => {
  let test: TestOrbis;
  let own: SiteOfPages;
  let taken = 0;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    own = await startSiteOfPages('files.localhost');
    await declareSite(test, spots);
  });
  after(async () => {
    await own.stop();
    await test.stop();
  });

  const placed = async (name: string, text: string, options = {}): Promise<string> => {
    const { client } = test;
    const { key } = (await client.call('embeds.create', { body: { name, text, options } as never })).data;
    await client.call('placements.create', {
      body: { embed: key, place: `hollinfell/talks#${spots[taken++]!}` },
    });
    return key;
  };
  const ask = async (body: { host?: string; embed?: string } = {}): Promise<AskedOutcome> =>
    outcomeOf<AskedOutcome, object>(
      await test.client.open('resources.ask', { body }),
      () => undefined,
      'broken off',
    );
  const open = async (): Promise<KeptFinding[]> =>
    (await test.client.call('findings.list', { query: { limit: 200 } })).data.items.filter(
      ({ host, rule }) => host !== null || rule === 'code-renewed',
    );
  const told = async (): Promise<string[]> => (await open()).map(({ rule, times }) => `${rule} ${times}`);
  const fault = async (provider: string, name: Fault | null): Promise<void> => {
    const answer = await fetch(`http://127.0.0.1:${test.world.port}/faults/${provider}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ fault: name }),
    });
    expect(answer.status).to.equal(200);
  };
  const resources = async (query: object = {}): Promise<Resource[]> =>
    (await test.client.call('resources.list', { query: { limit: 200, ...query } })).data.items;

  it('is nothing where nothing is placed', async () => {
    expect(await ask()).to.deep.equal({ asked: 0, faulty: 0 });
    expect((await test.client.call('hosts.list', { query: {} })).data.items).to.deep.equal([]);
  });

  it('is asked for once, whichever embeds have it, and all is well', async () => {
    const { port } = test.world;
    for (const name of ['Opening talk', 'The same again'])
      await placed(name, talkCode(port), { start: name === 'Opening talk' ? 12 : 40 });
    await placed('One without a clip', talkCode(port));
    expect(await ask()).to.deep.equal({ asked: 3, faulty: 0 });
    const items = await resources();
    expect(items.map(({ use, state, status, embedCount }) => [use, state, status, embedCount])).to.deep.equal(
      Array.from({ length: 3 }, () => ['frame', 'well', 200, 1]),
    );
    expect(new Set(items.map(({ address }) => address)).size).to.equal(3);
    const [host] = (await test.client.call('hosts.list', { query: {} })).data.items;
    expect(host).to.deep.include({
      ...{ host: `play.kinorill.localhost:${port}`, provider: 'kinorill', resources: 3, faulty: 0 },
    });
    expect(host!.days).to.deep.equal([{ day: new Date().toISOString().slice(0, 10), asked: 3, answered: 3 }]);
    expect(await open()).to.deep.equal([]);
  });

  for (const [name, expected, remaining] of [
    ['refuses-frames', ['frame-refused 3'], 3],
    ['gone', ['resource-gone 1', 'resource-gone 1', 'resource-gone 1'], 3],
    ['redirects', [], 0],
  ] as const)
    it(`is one finding for the provider where it ${name}, which is solved when it does no more`, async () => {
      await fault('kinorill', name);
      expect(await ask({ host: `play.kinorill.localhost:${test.world.port}` })).to.deep.equal({
        asked: 3,
        faulty: remaining,
      });
      expect((await told()).filter((each) => !each.startsWith('resource-moved'))).to.deep.equal(expected);
      await fault('kinorill', null);
      expect(await ask()).to.deep.include({ faulty: 0 });
      expect(await told()).to.deep.equal([]);
    });

  it('tells of a host that is gone as of one thing, and what is not to be told again is not', async () => {
    const server = createServer((_request, response) => response.end('<p>A map</p>'));
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.address() as AddressInfo;
    const code = (n: number): string =>
      `<iframe src="http://maps.localhost:${port}/map/${n}" title="Map ${n}"></iframe>`;
    const key = await placed('Map of the fell', code(1) + code(2));
    expect(await ask({ embed: key })).to.deep.equal({ asked: 2, faulty: 0 });
    await stop(server);
    expect(await ask({ embed: key })).to.deep.equal({ asked: 2, faulty: 2 });
    const [found] = await open();
    expect(found).to.deep.include({
      ...{ rule: 'resource-silent', level: 'error', host: `maps.localhost:${port}`, times: 2 },
      ...{ site: null, page: null, embed: null },
    });
    expect(found!.message).to.match(/^maps\.localhost:\d+ does not answer as it should: nothing answers/);
    await test.client.call('findings.decide', {
      body: { findings: [found!.id], as: 'muted', reason: 'It is moved next week' },
    });
    await ask({ embed: key });
    expect(await open()).to.deep.equal([]);
    const { items } = (await test.client.call('hosts.list', { query: {} })).data;
    expect(items[0]).to.deep.include({ host: `maps.localhost:${port}`, faulty: 2 });
    expect(items[0]!.days[0]).to.deep.include({ asked: 6, answered: 2 });
  });

  it('looks at films, scripts and captions themselves', async () => {
    const film = readFileSync(new URL('../../demo/assets/sky.webm', import.meta.url));
    own.pages.set('dome.webm', (_request, response) =>
      response.writeHead(200, { 'content-type': 'text/plain' }).end(film),
    );
    own.pages.set('dome.vtt', (_request, response) =>
      response.writeHead(200, { 'content-type': 'text/vtt' }).end('WEBVTT\n'),
    );
    let size = 10_000;
    own.pages.set('player.js', (_request, response) =>
      response.writeHead(200, { 'content-type': 'text/javascript' }).end(`//${'x'.repeat(size)}`),
    );
    const at = (path: string): string => `${own.address}/${path}`;
    const key = await placed(
      'The dome',
      `<video controls width="640"><source src="${at('dome.webm')}#t=12,9000"><track src="${at('dome.vtt')}" kind="captions" srclang="en" label="English"></video><script async src="${at('player.js')}"></script>`,
    );
    await ask({ embed: key });
    expect(
      (await open())
        .filter(({ embed }) => embed === key)
        .map(({ rule }) => rule)
        .sort(),
    ).to.deep.equal(['captions-barred', 'clip-outside', 'file-mistyped', 'file-without-ranges']);
    const [media] = (await resources({ embed: key })).filter(({ use }) => use === 'media');
    expect(media).to.deep.include({ state: 'faulty', status: 200, type: 'text/plain' });

    size = 90_000;
    own.pages.set('dome.vtt', (_request, response) =>
      response
        .writeHead(200, { 'content-type': 'text/vtt', 'access-control-allow-origin': '*' })
        .end('WEBVTT\n'),
    );
    own.pages.set('dome.webm', (request, response) => {
      const last = Number(/^bytes=0-(\d+)$/.exec(request.headers.range ?? '')![1]);
      const part = film.subarray(0, last + 1);
      response
        .writeHead(206, {
          'content-type': 'video/webm',
          'content-range': `bytes 0-${part.byteLength - 1}/${film.byteLength}`,
        })
        .end(part);
    });
    await ask({ embed: key });
    const [again] = (await resources({ embed: key })).filter(({ use }) => use === 'media');
    expect(again).to.deep.include({ type: 'video/webm', bytes: film.byteLength, width: 640, height: 360 });
    const found = (await open()).filter(({ embed }) => embed === key);
    expect(found.map(({ rule }) => rule).sort()).to.deep.equal(['clip-outside', 'script-resized']);
    expect(found.find(({ rule }) => rule === 'script-resized')!.message).to.include(
      'has 90 kB instead of 10 kB',
    );
  });

  it('takes in the code that a provider hands out by now, with everything that was asked for', async () => {
    let tone = 'pale';
    own.pages.set('oembed', (_request, response) =>
      response.writeHead(200, { 'content-type': 'application/json' }).end(
        JSON.stringify({
          ...{ version: '1.0', type: 'rich', title: 'Slides', width: 640, height: 360 },
          html: `<iframe src="${own.address}/show?tone=${tone}" width="640" height="360" title="Slides"></iframe>`,
        }),
      ),
    );
    own.pages.set('show', pageOf(''));
    own.pages.set(
      'slides',
      pageOf('', `<link rel="alternate" type="application/json+oembed" href="${own.address}/oembed?url=x">`),
    );
    const { client } = test;
    const { key } = (
      await client.call('embeds.create', {
        body: { name: 'Slides', text: `${own.address}/slides`, ask: true, options: { corners: 8 } },
      })
    ).data;
    await client.call('placements.create', {
      body: { embed: key, place: `hollinfell/talks#${spots[taken++]!}` },
    });
    await ask({ embed: key });
    expect((await open()).filter(({ embed }) => embed === key)).to.deep.equal([]);
    tone = 'deep';
    await ask({ embed: key });
    const [found] = (await open()).filter(({ embed }) => embed === key);
    expect(found).to.deep.include({ rule: 'code-renewed', level: 'note', embedName: 'Slides' });
    const params = { finding: found!.id };
    expect((await client.call('findings.read', { params })).data.code).to.include('tone=deep');
    await client.call('findings.renew', { params, body: {} });
    const embed = (await client.call('embeds.read', { params: { embed: key } })).data;
    expect(embed.base).to.include('tone=deep');
    expect(embed.current.options).to.deep.equal({ corners: 8 });
    expect((await refusal(client.call('findings.renew', { params, body: {} }))).problem.code).to.equal(
      'finding-without-code',
    );
    await ask({ embed: key });
    expect((await open()).filter(({ embed: of }) => of === key)).to.deep.equal([]);
    // The frame that it showed before is asked for no more.
    expect((await resources({ embed: key })).map(({ address }) => new URL(address).search)).to.have.members([
      '?tone=deep',
      '?url=x',
    ]);
  });

  it('is news for whoever wants to hear of a site that has it, and for nobody of another', async () => {
    const { client } = test;
    const hook = await startHookReceiver();
    try {
      await client.call('sites.create', {
        body: { key: 'other', name: 'Another site', address: 'http://other.localhost' },
      });
      for (const site of ['hollinfell', 'other'])
        await client.call('channels.create', {
          body: { kind: 'webhook', name: site, to: `${hook.address}/${site}`, site, level: 'error' },
        });
      await fault('kinorill', 'refuses-frames');
      await ask({ host: `play.kinorill.localhost:${test.world.port}` });
      await until(() => Promise.resolve(hook.received.length > 0));
      const { items } = (await client.call('messages.list', { query: {} })).data;
      expect(items.map(({ channel }) => channel)).to.deep.equal(['hollinfell']);
      const { data } = JSON.parse(hook.received[0]!.body) as { data: KeptFinding };
      expect(data).to.deep.include({ rule: 'frame-refused', site: null });
      await fault('kinorill', null);
      await ask({ host: `play.kinorill.localhost:${test.world.port}` });
      await until(() => Promise.resolve(hook.received.length > 1));
      const solved = (await client.call('messages.list', { query: {} })).data.items;
      expect(solved.map(({ channel }) => channel)).to.deep.equal(['hollinfell', 'hollinfell']);
    } finally {
      await hook.stop();
    }
  });

  it('leaves a host alone of which nobody wants to know anything', async () => {
    const key = await placed(
      'Two hosts',
      '<iframe src="http://a.localhost:1/x"></iframe><iframe src="http://b.localhost:1/x"></iframe>',
    );
    await ask({ host: `play.kinorill.localhost:${test.world.port}` });
    const { db } = test.orbis.connection;
    const due = async (): Promise<number> => {
      const [rows] = (await db.execute(
        'select due_at from asked_host where due_at is not null',
      )) as unknown as [unknown[]];
      return rows.length;
    };
    await until(async () => (await due()) === 0);
    expect((await resources({ embed: key })).map(({ state }) => state)).to.deep.equal(['waiting', 'waiting']);
  });

  it('forgets what nothing loads any more, with what was found there', async () => {
    const { items } = (await test.client.call('placements.list', { query: { limit: 200 } })).data;
    for (const { id } of items)
      await test.client.call('placements.delete', { params: { placement: id }, ifMatch: '*' });
    expect(await ask()).to.deep.equal({ asked: 0, faulty: 0 });
  });
});

const stop = (server: Server): Promise<void> =>
  new Promise((resolve) => {
    server.close(() => resolve());
    server.closeAllConnections();
  });

describe('what embeds load, by itself', () => {
  let test: TestOrbis;
  let provider: SiteOfPages;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ASK_EVERY: '1', ORBIS_ALLOW_PRIVATE: 'yes' } });
    provider = await startSiteOfPages('player.localhost');
    await declareSite(test);
  });
  after(async () => {
    await provider.stop();
    await test.stop();
  });

  it('is asked for without anybody wanting it, and what goes wrong once is asked for again before it is told', async () => {
    const { client } = test;
    provider.pages.set('film', pageOf('A film'));
    const { key } = (
      await client.call('embeds.create', {
        body: { name: 'Film', text: `<iframe src="${provider.address}/film" title="Film"></iframe>` },
      })
    ).data;
    await client.call('placements.create', { body: { embed: key, place: 'hollinfell/talks#opening' } });
    const film = async (): Promise<Resource | undefined> =>
      (await client.call('resources.list', { query: {} })).data.items[0];
    await until(async () => (await film())?.state === 'well');
    const again = async (): Promise<void> => {
      const before = (await film())!.askedAt;
      const { db } = test.orbis.connection;
      await db.execute("update resource set next_at = '2020-01-01'");
      await db.execute("update asked_host set due_at = '2020-01-01'");
      await until(async () => (await film())!.askedAt !== before);
    };
    const { nextAt, askedAt } = (await film())!;
    expect(Date.parse(nextAt) - Date.parse(askedAt!)).to.be.within(3_590_000, 3_610_000);

    provider.pages.delete('film');
    await again();
    expect((await film())!.state).to.equal('unsure');
    expect((await client.call('findings.list', { query: {} })).data.items).to.deep.equal([]);
    await again();
    expect((await film())!.state).to.equal('faulty');
    const [found] = (await client.call('findings.list', { query: {} })).data.items;
    expect(found).to.deep.include({ rule: 'resource-gone', embedName: 'Film' });

    provider.pages.set('film', pageOf('A film'));
    await client.call('findings.decide', { body: { findings: [found!.id], as: 'solved' } });
    await until(async () => (await film())!.state === 'well');
  });
});
