import { expect } from 'chai';
import { loopbackFetch, sweepAll } from '@orbis/demo';
import type { Client, PagePlan } from '@orbis/contract';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';

const ifMatch = '*';
const footer = 'hollinfell/{footer}';

/* The pages of the demo site, each with a spot. */
const spots = { 'talks': 'opening', 'newsletter': 'form', 'live': 'camera', '': 'sky' };
type Path = keyof typeof spots;
const paths = Object.keys(spots) as Path[];

describe('a block that many pages show', () => {
  let test: TestOrbis;
  let placed = '';
  const call: Client['call'] = (name, options) => test.client.call(name, options);

  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    const address = `http://hollinfell.localhost:${test.world.port}`;
    await call('sites.create', { body: { key: 'hollinfell', name: 'Hollin Fell', address } });
    for (const path of paths) {
      await call('pages.create', { body: { key: `hollinfell/${path}`, title: path || 'Home' } });
      await call('spots.create', { body: { key: `hollinfell/${path}#${spots[path]}` } });
    }
    const script = `<script defer src="http://cdn.slotsedge.localhost:${test.world.port}/booking.js"></script>`;
    for (const name of ['Nights', 'Groups', 'Courses'])
      await call('embeds.create', {
        body: {
          name,
          text: `<div class="slotsedge-calendar" data-calendar="${name}"></div>\n${script}`,
        },
      });
  });
  after(() => test.stop());

  const plan = async (page: string): Promise<PagePlan> =>
    (await call('plans.read', { params: { page } })).data;
  const rules = async (page: string): Promise<string[]> =>
    (await plan(page)).findings.map(({ rule }) => rule).filter((rule) => rule === 'brought-twice');
  const codeAt = async (page: string): Promise<string> =>
    (await plan(page)).snippets.find(({ position }) => position === 'spot')!.text;
  const put = async (what: string, body: object): Promise<void> => {
    const answer = await loopbackFetch()(`http://hollinfell.localhost:${test.world.port}/edit/api/${what}`, {
      method: what === 'publish' ? 'POST' : 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    expect(answer.status).to.equal(204);
  };
  const deliver = async (placement: string): Promise<string> =>
    (await call('deliveries.create', { params: { placement } })).data.text;
  const publish = async (path: Path, code: string): Promise<void> => {
    await put('spots', { page: path, spot: spots[path], code });
    await put('publish', { page: path });
  };
  const place = async (embed: string, at: string): Promise<string> =>
    (await call('placements.create', { body: { embed, place: at } })).data.id;
  const read = async (placement: string) => (await call('placements.read', { params: { placement } })).data;
  const block = async () => (await call('pages.read', { params: { page: footer } })).data;
  const change = (body: { under?: string | null; stands?: 'before' | 'after' }) =>
    call('pages.change', { params: { page: footer }, body: { block: body }, ifMatch });
  const undoLast = async () => {
    const { data } = await call('changes.list', { query: { limit: 1, standing: 'true' } });
    await call('changes.undo', { params: { change: data.items[0]!.id }, body: {} });
  };

  it('is added beside the pages, and is none of them', async () => {
    const { data } = await call('pages.create', { body: { key: footer, title: 'Footer' } });
    expect(data).to.deep.include({ key: footer, block: { under: '', stands: 'after' } });
    await call('spots.create', { body: { key: `${footer}#main` } });
    expect((await call('sites.read', { params: { site: 'hollinfell' } })).data.pages).to.equal(4);
    const sweep = await sweepAll(test.client);
    expect([sweep.pages, sweep.read]).to.deep.equal([4, 4]);
  });

  it('says what does not fit a page, and what does not fit a block', async () => {
    const asked = { key: 'hollinfell/visit', title: 'Visit', block: { under: '', stands: 'after' as const } };
    expect((await refusal(call('pages.create', { body: asked }))).problem.code).to.equal('no-block');
    const moved = call('pages.change', { params: { page: footer }, body: { path: 'foot' }, ifMatch });
    expect((await refusal(moved)).problem.code).to.equal('no-block');
    const page = { page: 'hollinfell/talks' };
    const said = call('pages.change', { params: page, body: { block: { stands: 'before' } }, ifMatch });
    expect((await refusal(said)).problem.code).to.equal('no-block');
  });

  it('is planned by itself; pages say what is there twice, or leave out what it brings before them', async () => {
    placed = await place('nights', `${footer}#main`);
    await place('groups', 'hollinfell/talks#opening');
    expect(await codeAt('hollinfell/talks')).to.contain('booking.js');
    expect(await rules('hollinfell/talks')).to.deep.equal(['brought-twice']);
    await change({ stands: 'before' });
    expect(await codeAt('hollinfell/talks')).not.to.contain('booking.js');
    expect(await rules('hollinfell/talks')).to.deep.equal([]);
    expect(await codeAt(footer)).to.contain('booking.js');
    await undoLast();
    expect((await block()).block).to.deep.equal({ under: '', stands: 'after' });
    expect(await codeAt('hollinfell/talks')).to.contain('booking.js');
  });

  it('marks what is out of date on the pages around it as it changes, also where nobody asks for them', async () => {
    const { data } = await call('placements.list', { query: { page: 'hollinfell/talks' } });
    const own = data.items[0]!.id;
    await publish('talks', await deliver(own));
    await sweepAll(test.client);
    expect((await read(own)).state).to.equal('live');
    await change({ stands: 'before' });
    expect((await read(own)).state).to.equal('out-of-date');
    await call('placements.changeMany', { body: { placements: [placed], make: 'paused' } });
    expect((await read(own)).state).to.equal('live');
    await call('placements.changeMany', { body: { placements: [placed], make: 'resumed' } });
    expect((await read(own)).state).to.equal('out-of-date');
    await change({ stands: 'after' });
    expect((await read(own)).state).to.equal('live');
  });

  it('is pasted once, and seen on every page', async () => {
    expect((await read(placed)).state).to.equal('planned');
    await put('footer', { code: await deliver(placed) });
    const sweep = await sweepAll(test.client);
    expect(sweep.counts).to.deep.equal({ live: 5 });
    expect(await read(placed)).to.deep.include({ state: 'live', findings: [] });
    expect((await plan(footer)).steps.map(({ action }) => action)).to.deep.equal(['already-there']);
  });

  it('is checked on the pages that show it alone', async () => {
    const { data } = await call('sweeps.create', { body: { page: footer } });
    expect(data).to.deep.include({ scope: footer, pages: 4 });
    for (;;) {
      const { data: now } = await call('sweeps.read', { params: { sweep: data.id } });
      if (now.endedAt !== null) break;
    }
  });

  it('says on which page it is not, and is missing where no page has it', async () => {
    await call('pages.create', { body: { key: 'hollinfell/stories/twelve-winters', title: 'Stories' } });
    await sweepAll(test.client);
    const { state, findings } = await read(placed);
    expect([state, findings.map(({ rule, facts }) => [rule, facts['page']])]).to.deep.equal([
      'live',
      [['block-not-everywhere', 'hollinfell/stories/twelve-winters']],
    ]);
    await put('footer', { code: '' });
    await sweepAll(test.client);
    expect((await read(placed)).state).to.equal('missing');
    await put('footer', { code: await deliver(placed) });
    await sweepAll(test.client);
    expect((await read(placed)).state).to.equal('live');
  });

  it('is shown by the pages on which it is seen, where nobody says which these are', async () => {
    await change({ under: null });
    expect(await rules('hollinfell/talks')).to.deep.equal(['brought-twice']);
    await sweepAll(test.client);
    expect((await read(placed)).findings).to.deep.equal([]);
    await put('footer', { code: '' });
    await sweepAll(test.client);
    expect(await rules('hollinfell/talks')).to.deep.equal([]);
    expect((await read(placed)).state).to.equal('missing');
    const nowhere = call('sweeps.create', { body: { page: footer } });
    expect((await refusal(nowhere)).problem.code).to.equal('nothing-to-sweep');
    await publish('live', await deliver(placed));
    await sweepAll(test.client);
    expect((await read(placed)).state).to.equal('live');
    const { data } = await call('sweeps.create', { body: { page: footer } });
    expect(data.pages).to.equal(1);
    await publish('live', '');
    await put('footer', { code: await deliver(placed) });
    await change({ under: '' });
    await sweepAll(test.client);
  });

  it('is to be taken out once what is placed in it ends, until no page has it any more', async () => {
    await call('placements.delete', { params: { placement: placed }, ifMatch });
    expect((await plan(footer)).steps.map(({ action }) => action)).to.deep.equal(['take-out']);
    expect(await rules('hollinfell/talks')).to.deep.equal([]);
    await sweepAll(test.client);
    expect((await plan(footer)).steps.map(({ action }) => action)).to.deep.equal(['take-out']);
    await put('footer', { code: '' });
    await sweepAll(test.client);
    expect((await plan(footer)).steps).to.deep.equal([]);
  });

  it('goes with what is placed in it, and comes back with it', async () => {
    await place('courses', `${footer}#main`);
    expect(await rules('hollinfell/talks')).to.deep.equal(['brought-twice']);
    await call('pages.delete', { params: { page: footer }, query: { placements: 'end' }, ifMatch });
    expect(await rules('hollinfell/talks')).to.deep.equal([]);
    await undoLast();
    expect(await rules('hollinfell/talks')).to.deep.equal(['brought-twice']);
    expect((await block()).block).to.deep.equal({ under: '', stands: 'after' });
    expect((await call('sites.read', { params: { site: 'hollinfell' } })).data.pages).to.equal(5);
  });

  it('is there at most fifty times on a site', async () => {
    for (let at = 1; at < 50; at++)
      await call('pages.create', { body: { key: `hollinfell/{b${at}}`, title: 'A block' } });
    const more = call('pages.create', { body: { key: 'hollinfell/{more}', title: 'One more' } });
    expect((await refusal(more)).problem.code).to.equal('too-many-blocks');
  });
});
