import { expect } from 'chai';
import type { Client } from '@orbis/contract';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

const page = 'hollinfell/talks';

describe('many placements at once', () => {
  let test: TestOrbis;
  let ids: string[];
  const call: Client['call'] = (name, options) => test.client.call(name, options);

  before(async () => {
    test = await startTestOrbis();
    await declareSite(test, ['opening', 'north', 'comet', 'sky']);
    await call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
  });
  after(() => test.stop());
  beforeEach(async () => {
    const { items } = (await call('placements.list', { query: { page } })).data;
    if (items.length > 0)
      await make(
        'ended',
        items.map(({ id }) => id),
      );
    ids = [];
    for (const spot of ['opening', 'north', 'comet', 'sky'])
      ids.push(
        (await call('placements.create', { body: { embed: 'talk', place: `${page}#${spot}` } })).data.id,
      );
  });

  const make = async (what: 'paused' | 'resumed' | 'ended', placements: string[]) =>
    (await call('placements.changeMany', { body: { placements, make: what } })).data.placements;
  const states = async (): Promise<Record<string, string>> =>
    Object.fromEntries(
      (await call('placements.list', { query: { page } })).data.items
        .map(({ spot, state }) => [spot, state] as const)
        .reverse(),
    );
  const last = async () =>
    (await call('changes.list', { query: { limit: 1, standing: 'true' } })).data.items[0]!;
  const undoLast = async () =>
    (await call('changes.undo', { params: { change: (await last()).id }, body: {} })).data;
  const all = (state: string) => ({ opening: state, north: state, comet: state, sky: state });

  it('pause and go on, and that is one change', async () => {
    expect(await make('paused', ids.slice(0, 2))).to.have.members(ids.slice(0, 2));
    expect(await states()).to.deep.equal({ ...all('planned'), opening: 'paused', north: 'paused' });
    expect(await make('paused', ids)).to.have.members(ids.slice(2));
    expect((await last()).said).to.equal(
      'Paused talk in hollinfell/talks#comet and talk in hollinfell/talks#sky',
    );
    await undoLast();
    expect(await states()).to.deep.equal({ ...all('planned'), opening: 'paused', north: 'paused' });
    const { pausedAt } = (await call('placements.read', { params: { placement: ids[0]! } })).data;
    expect(await make('resumed', ids)).to.have.members(ids.slice(0, 2));
    expect(await states()).to.deep.equal(all('planned'));
    await undoLast();
    expect((await call('placements.read', { params: { placement: ids[0]! } })).data.pausedAt).to.equal(
      pausedAt,
    );
    const before = await last();
    expect(await make('paused', ids.slice(0, 2))).to.deep.equal([]);
    expect((await last()).id).to.equal(before.id);
  });

  it('end, and stand there again', async () => {
    await call('deliveries.create', { params: { placement: ids[0]! } });
    expect(await make('ended', ids)).to.have.members(ids);
    expect(await states()).to.deep.equal({});
    expect((await call('embeds.read', { params: { embed: 'talk' } })).data.placements).to.equal(0);
    expect((await last()).said).to.match(/^Ended 4 placements: talk in .*#comet and 1 more$/);
    await undoLast();
    expect(await states()).to.deep.equal(all('planned'));
    expect((await call('embeds.read', { params: { embed: 'talk' } })).data.placements).to.equal(4);
    await make('ended', ids.slice(0, 2));
    await call('placements.create', { body: { embed: 'talk', place: `${page}#opening` } });
    const change = (await call('changes.list', { query: { limit: 2, standing: 'true' } })).data.items[1]!;
    const refused = await refusal(call('changes.undo', { params: { change: change.id }, body: {} }));
    expect(refused.code).to.equal('changed-since');
    expect(Object.keys(await states())).to.have.members(['opening', 'comet', 'sky']);
  });

  it('change all of them, or none', async () => {
    await make('ended', [ids[3]!]);
    const refused = await refusal(make('paused', ids));
    expect([refused.code, refused.message]).to.deep.equal([
      'not-found',
      `There is no placement “${ids[3]}”.`,
    ]);
    expect(await states()).to.deep.equal({ opening: 'planned', north: 'planned', comet: 'planned' });
  });

  it('do not undo what was changed of one of them since', async () => {
    await make('paused', ids);
    await make('resumed', [ids[1]!]);
    const change = (await call('changes.list', { query: { limit: 2, standing: 'true' } })).data.items[1]!;
    const refused = await refusal(call('changes.undo', { params: { change: change.id }, body: {} }));
    expect(refused.message).to.include('talk in hollinfell/talks#north');
    expect(await states()).to.deep.equal({ ...all('paused'), north: 'planned' });
  });

  it('say what was meant where one of them was taken back altogether', async () => {
    await make('paused', [ids[0]!]);
    const [paused, placed] = (
      await call('changes.list', { query: { limit: 10, standing: 'true' } })
    ).data.items.filter(({ said }) => said.includes('#opening'));
    await call('changes.undo', { params: { change: placed!.id }, body: {} });
    const refused = await refusal(call('changes.undo', { params: { change: paused!.id }, body: {} }));
    expect([refused.code, refused.message]).to.satisfy(
      ([code, said]: [string, string]) =>
        code === 'changed-since' && said.includes('talk in hollinfell/talks#opening'),
    );
  });

  it('are changed by two processes at once without a deadlock, and counted once', async () => {
    const other = await test.another();
    try {
      const both = await Promise.all([
        // Whoever comes second finds none of them any more.
        make('ended', ids).catch(() => []),
        other.client
          .call('placements.changeMany', { body: { placements: ids.toReversed(), make: 'ended' } })
          .then(({ data }) => data.placements)
          .catch(() => []),
      ]);
      expect(both.map(({ length }) => length).sort()).to.deep.equal([0, 4]);
      expect((await call('embeds.read', { params: { embed: 'talk' } })).data.placements).to.equal(0);
    } finally {
      await other.stop();
    }
  });
});
