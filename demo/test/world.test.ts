import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { hosts, loadDemo, loopbackFetch, startDemoServer, type DemoServer } from '@orbis/demo';
import { startTestOrbis } from '../../service/test/support/orbis.ts';

const fetch = loopbackFetch();

describe('the demo’s world', () => {
  let world: DemoServer;
  let folder: string;
  before(async () => {
    folder = mkdtempSync(join(tmpdir(), 'orbis-world-'));
    world = await startDemoServer({ port: 0, folder });
  });
  after(async () => {
    await world.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  const at = (host: string, path: string): string => `http://${host}:${world.port}${path}`;
  const page = async (host: string, path: string): Promise<string> => (await fetch(at(host, path))).text();
  const post = (path: string, fields: Record<string, string>): Promise<Response> =>
    fetch(at(hosts.hollinfell, path), {
      method: 'POST',
      redirect: 'manual',
      body: new URLSearchParams(fields).toString(),
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
    });

  it('hands out a code and a short link for every film, on the port where it is asked', async () => {
    const html = await page(hosts.kinorill, '/films/nB4moorNight');
    expect(html).to.include(
      `&lt;iframe width=&quot;560&quot; height=&quot;315&quot; src=&quot;${at(hosts.kinorillPlayer, '/film/nB4moorNight')}?knobs=1&quot;`,
    );
    const short = await fetch(at(hosts.kinorill, '/k/nB4moorNight'), { redirect: 'manual' });
    expect([short.status, short.headers.get('location')]).to.deep.equal([
      302,
      at(hosts.kinorill, '/films/nB4moorNight'),
    ]);
    for (const [host, path] of [
      [hosts.kinorill, '/films/nothing'],
      [hosts.kinorillPlayer, '/film/nothing'],
      [hosts.kinorill, '/k/nothing'],
      [hosts.hollinfell, '/nothing'],
      [hosts.hollinfell, '/edit/nothing'],
    ] as const) {
      expect((await fetch(at(host, path))).status, host + path).to.equal(404);
    }
  });

  it('shows visitors a code only when it is published, exactly as it was pasted', async () => {
    const code = '<b title="x &amp; y">ü 🌌</b>\n<!-- kept -->';
    await fetch(at(hosts.hollinfell, '/edit/api/spots'), {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ page: 'talks', spot: 'north', code }),
    });
    expect(await page(hosts.hollinfell, '/talks')).not.to.include('ü 🌌');
    expect(await page(hosts.hollinfell, '/edit/talks')).to.include(
      '&lt;b title=&quot;x &amp;amp; y&quot;&gt;',
    );
    await fetch(at(hosts.hollinfell, '/edit/api/publish'), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{"page":"talks"}',
    });
    expect(await page(hosts.hollinfell, '/talks')).to.include(code);
    expect(await page(hosts.hollinfell, '/')).not.to.include('ü 🌌');
  });

  it('takes what is typed into the editor’s form, of one page and the home page', async () => {
    for (const [path, spot] of [
      ['/edit/talks', 'comet'],
      ['/edit/', 'sky'],
    ] as const) {
      const answer = await post(path, { [`spot-${spot}`]: '<i>one\r\ntwo</i>' });
      expect([answer.status, answer.headers.get('location')]).to.deep.equal([303, `${path}?published`]);
      expect(await page(hosts.hollinfell, path.replace('/edit', ''))).to.include('<i>one\ntwo</i>');
    }
  });

  it('refuses what it has no spot for', async () => {
    const put = (body: object): Promise<Response> =>
      fetch(at(hosts.hollinfell, '/edit/api/spots'), {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
    for (const body of [
      { page: 'nothing', spot: 'x', code: '' },
      { page: 'talks', spot: 'nothing', code: '' },
      { page: 'talks', spot: 'north' },
      {},
    ])
      expect((await put(body)).status).to.equal(404);
  });

  it('has a video that is long and small', () => {
    const size = readFileSync(new URL('../assets/sky.webm', import.meta.url)).length;
    expect(size).to.be.within(200_000, 1_500_000);
  });
});

describe('the demo’s data', () => {
  it('fill the register through the interfaces alone: current, out of date, and not pasted yet', async () => {
    const test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    try {
      await loadDemo(test.client, test.world.port);
      const { data } = await test.client.call('placements.list', { query: { site: 'hollinfell' } });
      const on = (page: string) =>
        data.items.filter((item) => item.page === page).map((item) => [item.spot, item.state]);
      expect(on('hollinfell/talks')).to.have.deep.members([
        ['opening', 'live'],
        ['north', 'out-of-date'],
        ['comet', 'planned'],
      ]);
      expect(
        data.items.filter((item) => item.page !== 'hollinfell/talks').map((item) => item.state),
      ).to.deep.equal(['live', 'live', 'live', 'live']);
      expect(on('hollinfell/{footer}')).to.deep.equal([['main', 'live']]);
      expect(new Set(data.items.map((item) => item.page)).size).to.be.at.least(3);
      const { data: sweeps } = await test.client.call('sweeps.list');
      expect(sweeps.items.map((sweep) => sweep.state)).to.deep.equal(['done']);
    } finally {
      await test.stop();
    }
  });

  it('show one code of each kind, and the mistakes with what is wrong about them', async () => {
    const test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    try {
      await loadDemo(test.client, test.world.port);
      const { data } = await test.client.call('embeds.list', { query: { limit: 200 } });
      const own = data.items.filter((item) => !item.tags.includes('mistakes'));
      for (const kind of [
        'video',
        'audio',
        'map',
        'form',
        'feed',
        'document',
        'booking',
        'counter',
        'popup',
        'reviews',
        'shop',
        'share',
        'advert',
      ])
        expect(
          own.map((item) => item.kind),
          kind,
        ).to.include(kind);
      expect(own.filter((item) => item.level === 'error').map((item) => item.name)).to.deep.equal([]);
      const wrong = await test.client.call('embeds.list', { query: { limit: 200, level: 'error' } });
      expect(wrong.data.items).to.have.length(5);
      const byHost = await test.client.call('embeds.list', { query: { host: 'cdn.stallmere.localhost' } });
      expect(byHost.data.items.map((item) => item.key)).to.deep.equal(['festival-stall', 'shop-corner']);
      const { data: mended } = await test.client.call('embeds.read', {
        params: { embed: 'mistake-code-as-text' },
      });
      expect(mended.pasted).to.match(/^<p>&lt;iframe/);
      expect(mended.base).to.match(/^<iframe src="http:\/\/mapmere\.localhost:\d+\//);
    } finally {
      await test.stop();
    }
  });

  it('have no mark written by hand in any file', () => {
    for (const folder of ['../src/', '../assets/']) {
      const base = new URL(folder, import.meta.url);
      for (const file of readdirSync(base, { recursive: true, encoding: 'utf8' }).filter((name) =>
        /\.(ts|js|css|html|json)$/.test(name),
      ))
        expect(readFileSync(new URL(file, base), 'utf8'), file).not.to.include('data-orbis');
    }
  });
});
