import { expect } from 'chai';
import type { Client } from '@orbis/contract';
import { sweepAll } from '@orbis/demo';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { publishedWith } from './support/published.ts';

const page = 'hollinfell/talks';
const north = `${page}#north`;
const ifMatch = '*';

describe('a spot that goes', () => {
  let test: TestOrbis;
  const call: Client['call'] = (name, options) => test.client.call(name, options);
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test, ['opening', 'north']);
    await call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    await call('embeds.create', { body: { name: 'Other', text: talkCode(test.world.port, 'oT1her') } });
  });
  after(() => test.stop());

  const place = async (embed: string, spot = north) =>
    (await call('placements.create', { body: { embed, place: spot } })).data.id;
  const remove = (spot = north, query: { placements?: 'end' } = { placements: 'end' }) =>
    call('spots.delete', { params: { spot }, query, ifMatch });
  const undoLast = async () => {
    const { items } = (await call('changes.list', { query: { limit: 1, standing: 'true' } })).data;
    return (await call('changes.undo', { params: { change: items[0]!.id }, body: {} })).data;
  };
  const names = async () =>
    (await call('pages.read', { params: { page } })).data.spots.map(({ name }) => name);
  const states = async (): Promise<string[]> =>
    (await call('placements.list', { query: { page } })).data.items.map(
      ({ embed, place: where, state }) => `${embed} ${where.split('#')[1]} ${state}`,
    );
  const plan = async () =>
    (await call('plans.read', { params: { page } })).data.steps.map(({ action, place: at }) => [action, at]);

  it('says what is placed in it first, and takes that along only where it is agreed to', async () => {
    const talks = publishedWith(test);
    const id = await talks.place('talk', 'north');
    await talks.publish((await talks.delivered(id)).text);
    await sweepAll(test.client);
    expect((await call('spots.standing', { params: { spot: north } })).data).to.deep.equal({
      ...{ pages: 1, placements: 1, seen: 1 },
    });
    const refused = await refusal(remove(north, {}));
    expect([refused.code, refused.message]).to.deep.equal([
      'in-use',
      `The spot “${north}” cannot be removed: one embed is placed in it.`,
    ]);
    await remove();
    expect(await names()).to.deep.equal(['opening']);
    expect(await states()).to.deep.equal([]);
    expect((await call('embeds.read', { params: { embed: 'talk' } })).data.placements).to.equal(0);
    for (const gone of [
      call('spots.read', { params: { spot: north } }),
      call('spots.change', {
        params: { spot: north },
        body: { widths: { phone: 1, tablet: 1, desktop: 1 } },
        ifMatch,
      }),
      call('placements.create', { body: { embed: 'other', place: north } }),
    ])
      expect((await refusal(gone)).code).to.equal('not-found');
  });

  it('leaves what stands on the page to be taken out', async () => {
    expect(await plan()).to.deep.equal([['take-out', north]]);
  });

  it('is there again with all that was placed in it where its removal is taken back', async () => {
    expect((await undoLast()).said).to.equal(`Removed the spot ${north}`);
    expect(await names()).to.deep.equal(['opening', 'north']);
    expect(await states()).to.deep.equal(['talk north live']);
    const { data } = await call('spots.read', { params: { spot: north } });
    expect(data.placements).to.equal(1);
  });

  it('is there again, empty, where it is added anew; then its removal is not taken back', async () => {
    await remove();
    const { items } = (await call('changes.list', { query: { limit: 1 } })).data;
    const widths = { phone: 300, tablet: 600, desktop: 900 };
    const { data } = await call('spots.create', { body: { key: north, widths } });
    expect([data.widths, data.placements, await states()]).to.deep.equal([widths, 0, []]);
    const back = call('changes.undo', { params: { change: items[0]!.id }, body: {} });
    expect((await refusal(back)).code).to.equal('changed-since');
    expect((await undoLast()).said).to.equal(`Added the spot ${north}`);
    expect(await names()).to.deep.equal(['opening']);
    await call('spots.create', { body: { key: north } });
  });

  it('goes without a trace where nothing was ever placed in it', async () => {
    const key = `${page}#side`;
    await call('spots.create', { body: { key } });
    await remove(key, {});
    await undoLast();
    expect(await names()).to.deep.equal(['opening', 'north', 'side']);
    await remove(key, {});
  });

  it('takes no ending back in a spot that is removed', async () => {
    const id = await place('other');
    await call('placements.delete', { params: { placement: id }, ifMatch });
    const { items } = (await call('changes.list', { query: { limit: 1 } })).data;
    await remove(north, {});
    const back = call('changes.undo', { params: { change: items[0]!.id }, body: {} });
    expect((await refusal(back)).code).to.equal('changed-since');
    await call('spots.create', { body: { key: north } });
  });

  it('has nothing placed in it at the moment at which it goes, by whichever process', async () => {
    const other = await test.another();
    try {
      for (let round = 0; round < 6; round++) {
        const body = { embed: 'other', place: north };
        await Promise.allSettled([
          other.client.call('placements.create', { body }),
          remove(),
          call('placements.create', { body: { ...body, embed: 'talk' } }),
        ]);
        await remove().catch(() => undefined);
        expect(await states()).to.deep.equal([]);
        await call('spots.create', { body: { key: north } });
        const { data } = await call('spots.read', { params: { spot: north } });
        expect(data.placements).to.equal(0);
      }
    } finally {
      await other.stop();
    }
  });
});
