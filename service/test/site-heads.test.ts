import { expect } from 'chai';
import { loopbackFetch, sweepAll } from '@orbis/demo';
import type { HeadThing, PagePlan, SiteHead } from '@orbis/contract';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';

/* Pages of the demo site, each with the spot that is used. */
const pages = [
  ['', 'sky'],
  ['talks', 'opening'],
  ['newsletter', 'form'],
  ['live', 'camera'],
] as const;

describe('the head of a whole site', () => {
  let test: TestOrbis;
  const placed = new Map<string, string>();
  let loader: string;

  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    const { client, world } = test;
    loader = `<script async src="http://cdn.slotsedge.localhost:${world.port}/booking.js"></script>`;
    const address = `http://hollinfell.localhost:${world.port}`;
    await client.call('sites.create', { body: { key: 'hollinfell', name: 'Hollin Fell', address } });
    const text = `<div class="slotsedge-calendar" data-calendar="hollinfell-nights"></div>\n${loader}`;
    await client.call('embeds.create', { body: { name: 'Booking', text } });
    for (const [path, spot] of pages) {
      await client.call('pages.create', { body: { key: `hollinfell/${path}`, title: path || 'Home' } });
      await client.call('spots.create', { body: { key: `hollinfell/${path}#${spot}` } });
      const { data } = await client.call('placements.create', {
        body: { embed: 'booking', place: `hollinfell/${path}#${spot}` },
      });
      placed.set(path, data.id);
    }
  });
  after(() => test.stop());

  const params = { site: 'hollinfell' };
  const planned = () => test.client.call('placements.list', { query: { limit: 100 } });
  const head = async (): Promise<SiteHead> => (await test.client.call('heads.read', { params })).data;
  const thing = async (): Promise<HeadThing> => (await head()).things[0]!;
  const choose = async (body: { keep?: string[]; leave?: string[] }) => {
    const { etag } = await test.client.call('heads.read', { params });
    return (await test.client.call('heads.change', { params, ifMatch: etag!, body })).data;
  };
  const plan = async (path: string): Promise<PagePlan> =>
    (await test.client.call('plans.read', { params: { page: `hollinfell/${path}` } })).data;
  const steps = async (path: string) =>
    (await plan(path)).steps.map(({ action, position }) => `${action} ${position}`);
  const edit = async (method: string, what: string, body: object): Promise<void> => {
    const answer = await loopbackFetch()(`http://hollinfell.localhost:${test.world.port}/edit/api/${what}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    expect(answer.status).to.equal(204);
  };
  const publish = async (path: string): Promise<string> => {
    const [, spot] = pages.find(([each]) => each === path)!;
    const { data } = await test.client.call('deliveries.create', {
      params: { placement: placed.get(path)! },
    });
    await edit('PUT', 'spots', { page: path, spot, code: data.text });
    await edit('POST', 'publish', { page: path });
    return data.text;
  };
  const state = async (path: string): Promise<string> =>
    (await test.client.call('placements.read', { params: { placement: placed.get(path)! } })).data.state;

  it('is recommended for what more than a few pages need, and says how many do', async () => {
    await planned();
    const { things, issued } = await head();
    expect(issued).to.equal(null);
    expect(things).to.have.length(1);
    expect(things[0]).to.deep.include({
      what: 'code',
      name: `cdn.slotsedge.localhost:${test.world.port}/booking.js`,
      text: loader,
      pages: 4,
      kept: false,
      recommended: true,
      action: 'offered',
      seen: null,
    });
  });

  it('takes what its owner wants there: the pages’ codes go without it from then on', async () => {
    for (const [path] of pages) expect(await publish(path)).to.include(loader);
    await sweepAll(test.client);
    expect(await state('talks')).to.equal('live');
    const { digest } = await thing();
    const { things } = await choose({ keep: [digest] });
    expect(things[0]).to.deep.include({ kept: true, recommended: false, action: 'paste', pages: 4 });
    await planned();
    expect(await state('talks')).to.equal('out-of-date');
    expect(await steps('talks')).to.deep.equal(['paste site-head', 'replace spot']);
    expect((await plan('talks')).snippets.at(-1)!.text).to.not.include(loader);
  });

  it('is handed out under a number, the same one for the same', async () => {
    const first = await test.client.call('headDeliveries.create', { params });
    expect(first.status).to.equal(201);
    expect(first.data).to.deep.include({ number: 1, text: loader });
    const again = await test.client.call('headDeliveries.create', { params });
    expect([again.status, again.data.number]).to.deep.equal([200, 1]);
    const { data } = await test.client.call('headDeliveries.list', { params, query: {} });
    expect(data.items.map(({ number }) => number)).to.deep.equal([1]);
  });

  it('counts as there once a page was read with it, and not for what stands at a place', async () => {
    await sweepAll(test.client);
    expect((await thing()).seen).to.deep.include({ stands: false });
    await edit('PUT', 'head', { code: loader });
    for (const [path] of pages) await publish(path);
    await sweepAll(test.client);
    const seen = await thing();
    expect(seen).to.deep.include({ action: 'already-there' });
    expect(seen.seen).to.deep.include({ stands: true });
    expect(await state('talks')).to.equal('live');
    expect(await steps('live')).to.deep.equal(['already-there site-head', 'already-there spot']);
  });

  it('keeps what is not wanted any more until no page rests on it', async () => {
    const { digest } = await thing();
    const { things } = await choose({ leave: [digest] });
    expect(things[0]).to.deep.include({ kept: false, action: 'wait', resting: 4 });
    expect((await head()).text).to.equal(loader);
    await planned();
    for (const [path] of pages) expect(await publish(path)).to.include(loader);
    await sweepAll(test.client);
    expect(await thing()).to.deep.include({ action: 'take-out', resting: 0 });
    expect((await head()).text).to.equal('');
    await edit('PUT', 'head', { code: '' });
    await sweepAll(test.client);
    expect(await thing()).to.deep.include({ action: 'offered' });
  });

  it('goes back as every change does', async () => {
    const { digest } = await thing();
    await choose({ keep: [digest] });
    const { data } = await test.client.call('changes.list', { query: { limit: 1 } });
    await test.client.call('changes.undo', { params: { change: data.items[0]!.id }, body: {} });
    expect(await thing()).to.deep.include({ kept: false });
  });

  it('says since when nobody needs it', async () => {
    await choose({ keep: [(await thing()).digest] });
    await edit('PUT', 'head', { code: loader });
    await sweepAll(test.client);
    let ended = 0;
    for (const [path] of pages) {
      const placement = placed.get(path)!;
      const { etag } = await test.client.call('placements.read', { params: { placement } });
      await test.client.call('placements.delete', { params: { placement }, ifMatch: etag! });
      ended += 1;
      const now = await thing();
      expect(now.pages).to.equal(pages.length - ended);
      expect(now.unneededSince === null).to.equal(ended < pages.length);
    }
    const left = await thing();
    expect(left).to.deep.include({ pages: 0, kept: true });
    expect(left.unneededSince).to.not.equal(null);
    const { status, data } = await test.client.call('headDeliveries.create', { params });
    expect([status, data.number, data.text]).to.deep.equal([201, 2, '']);
  });

  it('refuses a text that nobody needs, and a choice that was made of another state', async () => {
    const { etag } = await test.client.call('heads.read', { params });
    const keep = ['0'.repeat(64)];
    const unknown = await refusal(
      test.client.call('heads.change', { params, ifMatch: etag!, body: { keep } }),
    );
    expect(unknown.problem.code).to.equal('not-found');
    const stale = await refusal(test.client.call('heads.change', { params, ifMatch: '"0"', body: {} }));
    expect(stale.problem.code).to.equal('if-match-stale');
  });
});

describe('what comes with something into the head of a whole site', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    const { client } = test;
    await client.call('sites.create', {
      body: { key: 'hollinfell', name: 'Hollin Fell', address: 'http://hollinfell.localhost' },
    });
    await client.call('pages.create', { body: { key: 'hollinfell/talks', title: 'Talks' } });
    const script = (name: string): string => `<script defer src="https://a.localhost/${name}.js"></script>`;
    for (const [name, text] of [
      [
        'one',
        `<link rel="stylesheet" href="https://a.localhost/first.css">${script('second')}<div class="a">x</div>`,
      ],
      ['two', `${script('second')}${script('third')}<div class="b">x</div>`],
    ] as const) {
      await client.call('embeds.create', { body: { name, text } });
      await client.call('spots.create', { body: { key: `hollinfell/talks#${name}` } });
      await client.call('placements.create', { body: { embed: name, place: `hollinfell/talks#${name}` } });
    }
  });
  after(() => test.stop());

  const params = { site: 'hollinfell' };
  const chosen = async (body: (digestOf: (name: string) => string) => object): Promise<string[]> => {
    const { data, etag } = await test.client.call('heads.read', { params });
    const digestOf = (name: string): string => data.things.find((thing) => thing.name.includes(name))!.digest;
    const { data: head } = await test.client.call('heads.change', {
      params,
      ifMatch: etag!,
      body: body(digestOf),
    });
    return [...head.text.matchAll(/first|second|third/g)].map(([name]) => name);
  };

  it('is all that must stand before it, in its order; and all that needs it leaves with it', async () => {
    expect(await chosen((of) => ({ keep: [of('third')] }))).to.deep.equal(['first', 'second', 'third']);
    expect(await chosen((of) => ({ leave: [of('third')] }))).to.deep.equal(['first', 'second']);
    await chosen((of) => ({ keep: [of('third')] }));
    expect(await chosen((of) => ({ leave: [of('first')] }))).to.deep.equal([]);
  });
});
