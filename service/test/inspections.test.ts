/* Everything of a site is checked after its editor or theme was renewed: what works no longer is told, and
   until when it did. */
import { expect } from 'chai';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { outcomeOf, type Inspection, type Look, type Loss } from '@orbis/contract';
import { sweepAll } from '@orbis/demo';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from './support/site-of-pages.ts';
import { until } from './support/until.ts';

describe('an inspection of a site', () => {
  let test: TestOrbis;
  let own: SiteOfPages;
  let provider: Server;
  const codes = new Map<string, string>();
  let shows = true;
  let good: Look;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    own = await startSiteOfPages();
    provider = createServer((_request, response) =>
      response
        .writeHead(200, { 'content-type': 'text/html' })
        .end(
          shows
            ? '<body style="background:repeating-linear-gradient(45deg,teal,tan 20px)">Map'
            : '<!doctype html><title>Nothing</title>',
        ),
    );
    await new Promise<void>((resolve) => provider.listen(0, '127.0.0.1', resolve));
    const { port } = provider.address() as AddressInfo;
    const { client } = test;
    await client.call('sites.create', {
      body: { key: 'hollinfell', name: 'Hollin Fell', address: own.address },
    });
    for (const [page, name] of [
      ['visit', 'Map'],
      ['visit', 'Plan'],
      ['talks', 'Talk'],
    ] as const) {
      const place = `hollinfell/${page}#${name.toLowerCase()}`;
      if (!own.pages.has(page))
        await client.call('pages.create', { body: { key: `hollinfell/${page}`, title: page } });
      own.pages.set(page, '');
      await client.call('spots.create', { body: { key: place } });
      const text = `<iframe src="http://mapmere.localhost:${port}/${name}" title="${name}" width="300" height="200"></iframe>`;
      const { key } = (await client.call('embeds.create', { body: { name, text } })).data;
      const { id } = (await client.call('placements.create', { body: { embed: key, place } })).data;
      codes.set(name, (await client.call('deliveries.create', { params: { placement: id } })).data.text);
    }
    publish();
    await sweepAll(client);
    const response = await client.open('looks.take', { params: { page: 'hollinfell/visit' }, body: {} });
    good = await outcomeOf<Look, { width: number }>(response, () => undefined, 'off');
  });
  after(async () => {
    provider.closeAllConnections();
    provider.close();
    await own.stop();
    await test.stop();
  });

  /* The theme may wrap the map, and drop the talk. */
  function publish({ around = (map: string) => map, talk = true } = {}): void {
    own.pages.set('visit', pageOf(around(codes.get('Map')!) + codes.get('Plan')!));
    own.pages.set('talks', pageOf(talk ? codes.get('Talk')! : '<p>Nothing</p>'));
  }
  const ended = async (id: string): Promise<Inspection> => {
    let last!: Inspection;
    await until(async () => {
      last = (await test.client.call('inspections.read', { params: { inspection: id } })).data;
      return last.endedAt !== null;
    });
    return last;
  };
  const inspected = async (looks = 8): Promise<[Inspection, Loss[]]> => {
    const { data } = await test.client.call('inspections.create', { body: { site: 'hollinfell', looks } });
    const done = await ended(data.id);
    const params = { inspection: data.id };
    return [done, (await test.client.call('inspections.losses', { params, query: {} })).data.items];
  };

  it('says that all is as it was, and what nobody had looked at before', async () => {
    const [done, losses] = await inspected();
    expect(losses).to.deep.equal([]);
    expect(done).to.include({ state: 'done', well: 3, lost: 0, unknown: 1 });
    expect(done.pages).to.deep.equal({ of: 2, done: 2 });
    expect(done.looks).to.deep.equal({ of: 2, done: 2, failed: [] });
    const sweep = (await test.client.call('sweeps.read', { params: { sweep: done.sweep! } })).data;
    expect(sweep).to.include({ scope: 'hollinfell', read: 2, state: 'done' });
  });

  it('tells what the pages have lost, and what visitors do not see any more, each with when it was well', async () => {
    const before = new Date().toISOString();
    shows = false;
    publish({ talk: false });
    const [done, losses] = await inspected();
    expect(losses.map(({ rule, place }) => `${rule} ${place}`)).to.have.members([
      'missing hollinfell/talks#talk',
      'shows-nothing hollinfell/visit#map',
      'shows-nothing hollinfell/visit#plan',
    ]);
    expect(done).to.include({ state: 'done', well: 2, lost: 3 });
    const [missing, seen] = [losses[0]!, losses[1]!];
    expect(missing).to.include({ rule: 'missing', look: null, goodLook: null });
    expect(missing.goodAt! >= before, 'until it was read now').to.equal(true);
    expect(seen.message).to.contain('Visitors see nothing of it');
    expect(seen.look).to.not.equal(null);
    expect(seen.goodAt! < before).to.equal(true);
    const { items } = (
      await test.client.call('looks.list', { params: { page: 'hollinfell/visit' }, query: {} })
    ).data;
    expect(seen.goodLook, 'the newest one in which it was well').to.equal(items[1]!.id);
    expect(items.map(({ id }) => id)).to.include.members([good.id, seen.goodLook, seen.look]);
  });

  it('finds what had been lost before as well: the last time that it was well counts', async () => {
    const [, losses] = await inspected();
    expect(losses.map(({ rule }) => rule).sort()).to.deep.equal([
      'missing',
      'shows-nothing',
      'shows-nothing',
    ]);
    const visit = losses.find(({ rule }) => rule === 'shows-nothing')!;
    const { items } = (
      await test.client.call('looks.list', { params: { page: 'hollinfell/visit' }, query: {} })
    ).data;
    expect([visit.look, visit.goodLook]).to.deep.equal([items[0]!.id, items[2]!.id]);
    shows = true;
    publish({
      around: (map) =>
        `<style>.small iframe { width: 100px !important; height: 66px !important }</style><div class="small">${map}</div>`,
    });
    const [done, smaller] = await inspected(2);
    expect(done.looks).to.deep.equal({ of: 2, done: 2, failed: [] });
    expect(smaller.map(({ rule, place }) => `${rule} ${place}`)).to.deep.equal([
      'much-smaller hollinfell/visit#map',
    ]);
    expect(smaller[0]!.message).to.match(
      /It is much smaller than it was on .*: \d+ × \d+ px then, 10\d × \d\d px now/,
    );
  });

  it('says which pages could not be looked at, and looks at none where none is asked for', async () => {
    publish();
    own.pages.delete('talks');
    const [done, losses] = await inspected();
    expect(done.looks.failed.map(({ page }) => page)).to.deep.equal(['hollinfell/talks']);
    expect(done.looks.failed[0]!.why).to.contain('404');
    expect(losses.map(({ rule }) => rule)).to.deep.equal(['page-unreachable']);
    publish();
    const [read] = await inspected(0);
    expect(read.looks).to.deep.equal({ of: 0, done: 0, failed: [] });
    const { items } = (
      await test.client.call('inspections.list', { params: { site: 'hollinfell' }, query: { limit: 2 } })
    ).data;
    expect(items.map(({ id }) => id)).to.deep.equal([read.id, done.id]);
  });

  it('goes on after the process has ended, runs once at a time, and is stopped at once while it looks', async () => {
    const { data } = await test.client.call('inspections.create', { body: { site: 'hollinfell' } });
    const again = refusal(test.client.call('inspections.create', { body: { site: 'hollinfell' } }));
    expect((await again).problem).to.include({ code: 'inspection-running', status: 409 });
    const params = { inspection: data.id };
    const looking = async (): Promise<boolean> =>
      (await test.client.call('inspections.read', { params })).data.looks.of > 0;
    await until(looking);
    const from = performance.now();
    await test.restart();
    expect(performance.now() - from, 'a look is broken off').to.be.lessThan(10_000);
    await until(async () => (await test.client.call('inspections.read', { params })).data.looks.done > 0);
    await test.client.call('inspections.stop', { params });
    expect(await ended(data.id)).to.include({ state: 'stopped' });
    const gone = refusal(test.client.call('inspections.stop', { params }));
    expect((await gone).problem.code).to.equal('inspection-ended');
  });

  it('is refused for what is not there, and for a site without pages', async () => {
    const { client } = test;
    const codeOf = async (body: { site: string }): Promise<string> =>
      (await refusal(client.call('inspections.create', { body }))).problem.code;
    expect(await codeOf({ site: 'nosuch' })).to.equal('not-found');
    await client.call('sites.create', {
      body: { key: 'small', name: 'Small', address: 'http://small.localhost' },
    });
    expect(await codeOf({ site: 'small' })).to.equal('nothing-to-sweep');
    const params = { inspection: 'zzzzzzzzzz' };
    expect((await refusal(client.call('inspections.read', { params }))).problem.code).to.equal('not-found');
  });
});
