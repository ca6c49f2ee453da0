import { expect } from 'chai';
import { sweepAll, loopbackFetch } from '@orbis/demo';
import type { Client } from '@orbis/contract';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { until } from './support/until.ts';

const page = 'hollinfell/talks';
const ifMatch = '*';

describe('pausing, moving and removing', () => {
  let test: TestOrbis;
  const call: Client['call'] = (name, options) => test.client.call(name, options);
  const fetch = loopbackFetch();

  before(async () => {
    test = await startTestOrbis();
    await declareSite(test, ['opening', 'north']);
    await call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    await call('embeds.create', { body: { name: 'Other', text: talkCode(test.world.port, 'oT1her') } });
  });
  after(() => test.stop());

  const publish = async (spot: string, code: string): Promise<void> => {
    const edit = `http://hollinfell.localhost:${test.world.port}/edit/api`;
    const headers = { 'content-type': 'application/json' };
    const put = (path: string, method: string, body: object) =>
      fetch(`${edit}/${path}`, { method, headers, body: JSON.stringify({ page: 'talks', ...body }) });
    await put('spots', 'PUT', { spot, code });
    await put('publish', 'POST', {});
  };
  const place = async (embed: string, spot: string): Promise<string> =>
    (await call('placements.create', { body: { embed, place: `${page}#${spot}` } })).data.id;
  const paste = async (placement: string, spot: string): Promise<void> =>
    publish(spot, (await call('deliveries.create', { params: { placement } })).data.text);
  const first = async () => (await call('placements.list', { query: { page } })).data.items[0]!.id;
  const read = async (placement: string) => (await call('placements.read', { params: { placement } })).data;
  const change = (placement: string, body: object) =>
    call('placements.change', { params: { placement }, body, ifMatch });
  const plan = async () =>
    (await call('plans.read', { params: { page } })).data.steps.map(({ action, place: where }) => ({
      action,
      place: where,
    }));
  const states = async (): Promise<string[]> =>
    (await call('placements.list', { query: { page } })).data.items.map(
      ({ embed, place: where, state }) => `${embed} ${where.split('#')[1]} ${state}`,
    );

  it('says what is to be done about what is paused, and misses nothing once it is out', async () => {
    const id = await place('talk', 'opening');
    await paste(id, 'opening');
    await sweepAll(test.client);
    expect((await read(id)).state).to.equal('live');
    await change(id, { note: 'Until the new dome stands.', paused: true });
    const paused = await read(id);
    expect([paused.note, paused.state, paused.findings.map(({ rule }) => rule)]).to.deep.equal([
      'Until the new dome stands.',
      'out-of-date',
      ['paused-stands'],
    ]);
    expect(await plan()).to.deep.equal([{ action: 'take-out', place: `${page}#opening` }]);
    expect((await refusal(call('deliveries.create', { params: { placement: id } }))).code).to.equal(
      'placement-paused',
    );
    await sweepAll(test.client);
    expect((await read(id)).state).to.equal('out-of-date');
    await publish('opening', '');
    await sweepAll(test.client);
    expect([(await read(id)).state, (await read(id)).findings]).to.deep.equal(['paused', []]);
    expect(await plan()).to.deep.equal([]);
    const listed = await call('placements.list', { query: { where: 'state=paused' } });
    expect(listed.data.items.map((each) => each.id)).to.deep.equal([id]);
    await change(id, { paused: false });
    expect([(await read(id)).state, (await read(id)).pausedAt]).to.deep.equal(['planned', null]);
    await sweepAll(test.client);
    expect((await read(id)).state).to.equal('planned');
    expect(await plan()).to.deep.equal([{ action: 'paste', place: `${page}#opening` }]);
  });

  it('shows nothing of a served frame while it is paused', async () => {
    const id = await first();
    const { link } = (await call('placements.link', { params: { placement: id } })).data;
    const status = async () => (await fetch(link)).status;
    await until(async () => (await status()) === 200);
    await change(id, { paused: true });
    await until(async () => (await status()) === 410);
    await change(id, { paused: false });
    await until(async () => (await status()) === 200);
  });

  it('moves a placement with what is said of it, and has its code taken out where it was', async () => {
    const id = await first();
    await change(id, { options: { 'max-width': 320 }, note: 'Moves along.' });
    await paste(id, 'opening');
    await sweepAll(test.client);
    const params = { placement: id };
    const moved = (await call('placements.move', { params, body: { place: `${page}#north` }, ifMatch })).data;
    expect([moved.options, moved.note, moved.place, moved.state]).to.deep.equal([
      { 'max-width': 320 },
      'Moves along.',
      `${page}#north`,
      'planned',
    ]);
    expect((await refusal(read(id))).code).to.equal('not-found');
    expect(await plan()).to.have.deep.members([
      { action: 'take-out', place: `${page}#opening` },
      { action: 'paste', place: `${page}#north` },
    ]);
    const { data: embed } = await call('embeds.read', { params: { embed: 'talk' } });
    expect(embed.placements).to.equal(1);
  });

  it('moves a placement once, however many ask at once', async () => {
    const id = await first();
    await call('spots.create', { body: { key: `${page}#a` } });
    await call('spots.create', { body: { key: `${page}#b` } });
    const asked = ['a', 'b', 'a', 'b', 'a'].map((spot) =>
      call('placements.move', {
        params: { placement: id },
        body: { place: `${page}#${spot}` },
        ifMatch,
      }),
    );
    const done = (await Promise.allSettled(asked)).filter(({ status }) => status === 'fulfilled');
    expect(done.length).to.equal(1);
    expect(await states()).to.have.length(1);
  });

  it('says on how many places, pages and sites a change shows, and what loads from a host', async () => {
    await call('pages.create', { body: { key: 'hollinfell/visit', title: 'Visit' } });
    await call('spots.create', { body: { key: 'hollinfell/visit#main' } });
    const { data } = await call('placements.create', {
      body: { embed: 'talk', place: 'hollinfell/visit#main' },
    });
    const two = { placements: 2, pages: 2, sites: 1 };
    for (const query of [{ embed: 'talk' }, { site: 'hollinfell' }, { provider: 'kinorill' }])
      expect((await call('reach.read', { query })).data).to.deep.equal(two);
    const nowhere = { placements: 0, pages: 0, sites: 0 };
    expect((await call('reach.read', { query: { embed: 'other' } })).data).to.deep.equal(nowhere);
    expect((await refusal(call('reach.read', { query: {} }))).code).to.equal('bad-request');
    const from = async (host: string) =>
      (await call('placements.list', { query: { where: `host=${host}` } })).data.items.length;
    expect(await from('play.kinorill.localhost')).to.equal(2);
    expect(await from('elsewhere.localhost')).to.equal(0);
    await call('placements.delete', { params: { placement: data.id }, ifMatch });
    await call('pages.delete', { params: { page: 'hollinfell/visit' }, ifMatch });
  });

  it('says what is placed on a page before it goes, and ends that only where it is agreed to', async () => {
    await place('other', 'north');
    expect((await call('pages.standing', { params: { page } })).data).to.deep.equal({
      ...{ pages: 1, placements: 2, seen: 0 },
    });
    const refused = await refusal(call('pages.delete', { params: { page }, ifMatch }));
    expect([refused.code, refused.message]).to.deep.equal([
      'in-use',
      'The page “hollinfell/talks” cannot be removed: 2 embeds are placed on it.',
    ]);
    const before = await states();
    await call('pages.delete', { params: { page }, query: { placements: 'end' }, ifMatch });
    expect((await refusal(call('pages.read', { params: { page } }))).code).to.equal('not-found');
    expect((await call('pages.list', { query: { site: 'hollinfell' } })).data.items).to.deep.equal([]);
    expect((await call('sites.read', { params: { site: 'hollinfell' } })).data.pages).to.equal(0);
    expect((await call('embeds.read', { params: { embed: 'talk' } })).data.placements).to.equal(0);
    const [change] = (await call('changes.list', { query: { limit: 1 } })).data.items;
    await call('changes.undo', { params: { change: change!.id }, body: {} });
    expect(await states()).to.deep.equal(before);
  });

  it('has a page again with its spots where it is added anew', async () => {
    await call('pages.delete', { params: { page }, query: { placements: 'end' }, ifMatch });
    expect((await refusal(call('sweeps.create', { body: { page } }))).code).to.equal('not-found');
    const again = (await call('pages.create', { body: { key: page, title: 'Talks again' } })).data;
    expect([again.title, again.spots.map(({ name }) => name), await states()]).to.deep.equal([
      'Talks again',
      ['opening', 'north', 'a', 'b'],
      [],
    ]);
    await call('pages.delete', { params: { page }, ifMatch });
    const added = await call('pageImports.create', {
      params: { site: 'hollinfell' },
      body: {
        pages: [
          { path: 'talks', title: 'Talks' },
          { path: 'more', title: 'More' },
        ],
      },
    });
    expect(added.data).to.deep.equal({ added: 2, known: 0 });
    expect((await call('sites.read', { params: { site: 'hollinfell' } })).data.pages).to.equal(2);
  });

  it('reads a page at its new address, with all that is placed on it', async () => {
    await place('talk', 'opening');
    const moved = await call('pages.change', { params: { page }, body: { path: 'lectures' }, ifMatch });
    expect([moved.data.key, moved.data.url]).to.deep.equal([
      'hollinfell/lectures',
      `http://hollinfell.localhost:${test.world.port}/lectures`,
    ]);
    const { data } = await call('placements.list', { query: { page: 'hollinfell/lectures' } });
    expect(data.items.map((each) => each.place)).to.deep.equal(['hollinfell/lectures#opening']);
    const taken = call('pages.change', {
      params: { page: 'hollinfell/lectures' },
      body: { path: 'more' },
      ifMatch,
    });
    expect((await refusal(taken)).message).to.equal('There is a page “hollinfell/more” already.');
    await call('pages.change', { params: { page: 'hollinfell/lectures' }, body: { path: 'talks' }, ifMatch });
  });

  it('takes no ending back on a page that is removed, and gives no page the path of one', async () => {
    const key = 'hollinfell/more';
    await call('spots.create', { body: { key: `${key}#main` } });
    const { data } = await call('placements.create', { body: { embed: 'other', place: `${key}#main` } });
    await call('placements.delete', { params: { placement: data.id }, ifMatch });
    const [ended] = (await call('changes.list', { query: { limit: 1 } })).data.items;
    await call('pages.delete', { params: { page: key }, ifMatch });
    expect((await refusal(call('changes.undo', { params: { change: ended!.id }, body: {} }))).code).to.equal(
      'changed-since',
    );
    const taken = call('pages.change', { params: { page }, body: { path: 'more' }, ifMatch });
    expect((await refusal(taken)).message).to.equal(
      'The page “hollinfell/more” was removed, and the register keeps what was placed on it. Add it again to have it back, or choose another path.',
    );
    await call('pages.create', { body: { key, title: 'More' } });
  });

  it('places nothing on a page that is removed at the same moment', async () => {
    const key = 'hollinfell/busy';
    await call('pages.create', { body: { key, title: 'Busy' } });
    for (let at = 0; at < 8; at++) await call('spots.create', { body: { key: `${key}#s${at}` } });
    await call('placements.create', { body: { embed: 'other', place: `${key}#s7` } });
    const placing = Array.from({ length: 7 }, (_, at) =>
      call('placements.create', { body: { embed: 'other', place: `${key}#s${at}` } }),
    );
    const removing = call('pages.delete', { params: { page: key }, query: { placements: 'end' }, ifMatch });
    await Promise.allSettled([...placing, removing]);
    await call('pages.delete', { params: { page: key }, query: { placements: 'end' }, ifMatch }).catch(
      () => undefined,
    );
    const { data } = await call('placements.list', { query: { embed: 'other' } });
    expect(data.items.map(({ place: where }) => where)).to.deep.equal([]);
    expect((await call('embeds.read', { params: { embed: 'other' } })).data.placements).to.equal(0);
  });

  it('removes a site with all of it, and has it again as it was', async () => {
    const params = { site: 'hollinfell' };
    expect((await call('sites.standing', { params })).data).to.include({ pages: 2, placements: 1 });
    expect((await refusal(call('sites.delete', { params, ifMatch }))).code).to.equal('in-use');
    const before = await states();
    await call('sites.delete', { params, query: { placements: 'end' }, ifMatch });
    expect((await call('sites.list', {})).data.items).to.deep.equal([]);
    expect((await call('pages.list', {})).data.items).to.deep.equal([]);
    expect((await refusal(call('sweeps.create', { body: {} }))).code).to.equal('nothing-to-sweep');
    const [change] = (await call('changes.list', { query: { limit: 1 } })).data.items;
    await call('changes.undo', { params: { change: change!.id }, body: {} });
    expect(await states()).to.deep.equal(before);
    expect((await call('sites.read', { params })).data.pages).to.equal(2);
  });

  it('declares a site anew that was removed, without its pages', async () => {
    const { address } = (await call('sites.read', { params: { site: 'hollinfell' } })).data;
    await call('sites.delete', {
      params: { site: 'hollinfell' },
      query: { placements: 'end' },
      ifMatch,
    });
    await call('sites.create', { body: { key: 'hollinfell', name: 'Anew', address } });
    const { data } = await call('sites.read', { params: { site: 'hollinfell' } });
    expect([data.name, data.pages]).to.deep.equal(['Anew', 0]);
    await call('sites.delete', { params: { site: 'hollinfell' }, ifMatch });
  });
});
