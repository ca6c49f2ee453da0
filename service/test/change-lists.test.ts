import { expect } from 'chai';
import { sweepAll, loopbackFetch } from '@orbis/demo';
import type { ChangeListPage, Client } from '@orbis/contract';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

const talks = 'hollinfell/talks';
const visit = 'hollinfell/visit';

describe('lists of pages where something is to be done', () => {
  let test: TestOrbis;
  let other: Awaited<ReturnType<TestOrbis['another']>>;
  let list: string;
  const call: Client['call'] = (name, options) => test.client.call(name, options);

  before(async () => {
    test = await startTestOrbis();
    other = await test.another();
    await declareSite(test, ['opening', 'north']);
    await call('pages.create', { body: { key: visit, title: 'Visit' } });
    await call('spots.create', { body: { key: `${visit}#main` } });
    for (const [name, id] of [
      ['Talk', 'nB4'],
      ['Other', 'oT1'],
    ])
      await call('embeds.create', { body: { name: name!, text: talkCode(test.world.port, id) } });
    await call('placements.create', { body: { embed: 'talk', place: `${talks}#opening` } });
  });
  after(async () => {
    await other.stop();
    await test.stop();
  });

  const pages = async (query: object = {}, client = test.client): Promise<ChangeListPage[]> =>
    (await client.call('changeListPages.list', { params: { list }, query })).data.items;
  const read = async () => (await call('changeLists.read', { params: { list } })).data;
  const tick = async (page: string, work?: string, client = test.client): Promise<ChangeListPage> => {
    const params = { list, page };
    const now = (await client.call('changeListPages.read', { params })).data;
    return (await client.call('changeListPages.tick', { params, body: { work: work ?? now.work } })).data;
  };
  const told = ({ page, toDo, ticked, again }: ChangeListPage) => ({
    page,
    toDo: toDo.map(({ embed, state, takeOut }) => `${embed} ${takeOut ? 'out' : state}`),
    ticked: ticked?.by ?? null,
    again,
  });
  const set = (options: object) =>
    call('revisions.create', {
      params: { embed: 'talk' },
      body: { options: options as never },
      ifMatch: '*',
    });

  it('has the pages that a search of the register finds, with what is to be done on each', async () => {
    const { data } = await call('changeLists.create', {
      body: { name: 'New films', where: 'site=hollinfell state=planned' },
    });
    expect(data).to.include({
      ...{ name: 'New films', where: 'site=hollinfell state=planned', pages: 1, ticked: 0 },
    });
    list = data.id;
    expect((await pages()).map(told)).to.deep.equal([
      { page: talks, toDo: ['talk planned'], ticked: null, again: false },
    ]);
    const nothing = call('changeLists.create', { body: { name: 'x', where: 'state=missing' } });
    expect((await refusal(nothing)).code).to.equal('nothing-to-list');
    expect((await call('changeLists.list', {})).data.items.map(({ id }) => id)).to.deep.equal([list]);
  });

  it('takes what has come since, each page once', async () => {
    await call('placements.create', { body: { embed: 'talk', place: `${visit}#main` } });
    const { data } = await call('changeLists.fill', { params: { list } });
    expect(data.pages).to.equal(2);
    expect((await call('changeLists.fill', { params: { list } })).data.pages).to.equal(2);
  });

  it('is ticked off once, from however many places at once', async () => {
    const { work } = (await pages()).find(({ page }) => page === talks)!;
    const asked = [test.client, other.client, test.client, other.client].map((client) =>
      tick(talks, work, client),
    );
    const answers = await Promise.allSettled(asked);
    const refused = answers.flatMap((answer) => (answer.status === 'rejected' ? [answer.reason] : []));
    expect(refused.map(({ code }: { code: string }) => code)).to.deep.equal(Array(3).fill('already-ticked'));
    expect((refused[0] as Error).message).to.match(
      /^The page hollinfell\/talks was ticked already by Tester, on /,
    );
    expect(await read()).to.include({ pages: 2, ticked: 1 });
    expect((await pages({ open: 'true' })).map(({ page }) => page)).to.deep.equal([visit]);
    await call('changeListPages.untick', { params: { list, page: talks } });
    await call('changeListPages.untick', { params: { list, page: talks } });
    expect((await read()).ticked).to.equal(0);
    await tick(talks);
  });

  it('keeps a tick when a sweep has seen the work done', async () => {
    const { data: placed } = await call('placements.list', { query: { page: talks } });
    const { data } = await call('deliveries.create', { params: { placement: placed.items[0]!.id } });
    const edit = `http://hollinfell.localhost:${test.world.port}/edit/api`;
    const post = (path: string, method: string, body: object) =>
      loopbackFetch()(`${edit}/${path}`, {
        method,
        body: JSON.stringify({ page: 'talks', ...body }),
        headers: { 'content-type': 'application/json' },
      });
    await post('spots', 'PUT', { spot: 'opening', code: data.text });
    await post('publish', 'POST', {});
    await sweepAll(test.client);
    expect(told((await pages())[0]!)).to.deep.equal({
      ...{ page: talks, toDo: [], ticked: 'Tester', again: false },
    });
  });

  it('opens a page again where something else is to be done, and takes no tick for what was', async () => {
    const before = (await pages())[0]!;
    await set({ start: 52 });
    const [changed] = await pages({}, other.client);
    expect(told(changed!)).to.deep.equal({
      ...{ page: talks, toDo: ['talk out-of-date'], ticked: null, again: true },
    });
    expect((await read()).ticked).to.equal(0);
    expect((await refusal(tick(talks, before.work))).code).to.equal('work-changed');
    expect(told(await tick(talks))).to.include({ ticked: 'Tester', again: false });
    await call('placements.create', { body: { embed: 'other', place: `${talks}#north` } });
    expect(told((await pages())[0]!)).to.deep.equal({
      ...{ page: talks, toDo: ['talk out-of-date', 'other planned'], ticked: null, again: true },
    });
  });

  it('says what is to be taken out, also of what has ended', async () => {
    const { data } = await call('placements.list', { query: { page: talks, embed: 'talk' } });
    await call('placements.delete', { params: { placement: data.items[0]!.id }, ifMatch: '*' });
    expect(told((await pages())[0]!).toDo).to.deep.equal(['talk out', 'other planned']);
  });

  it('stays right while pages go and come back, and is removed with its ticks', async () => {
    await tick(visit);
    await call('pages.delete', { params: { page: visit }, query: { placements: 'end' }, ifMatch: '*' });
    expect((await pages()).map(({ page }) => page)).to.deep.equal([talks]);
    expect(await read()).to.include({ pages: 1, ticked: 0 });
    await call('changeLists.delete', { params: { list } });
    expect((await refusal(read())).code).to.equal('not-found');
  });
});
