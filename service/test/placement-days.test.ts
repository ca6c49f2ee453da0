import { expect } from 'chai';
import { countDay } from '../src/store/placement-days.ts';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('how placements were, day by day', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test, ['opening', 'second']);
  });
  after(() => test.stop());

  it('is counted once for each day, as it was last, and told of a site or of all', async () => {
    const { client, orbis, world } = test;
    const { db } = orbis.connection;
    const place = async (name: string, spot: string): Promise<void> => {
      const { key } = (await client.call('embeds.create', { body: { name, text: talkCode(world.port) } }))
        .data;
      await client.call('placements.create', { body: { embed: key, place: `hollinfell/talks#${spot}` } });
    };
    const days = async (query = {}) => (await client.call('placementDays.read', { query })).data.days;
    const [today, yesterday] = [new Date(), new Date(Date.now() - 86_400_000)];
    const name = (day: Date): string => day.toISOString().slice(0, 10);
    await countDay(db, yesterday);
    expect(await days()).to.deep.equal([]);
    await place('Opening', 'opening');
    await countDay(db, yesterday);
    await countDay(db, yesterday);
    await place('Second', 'second');
    await countDay(db, today);
    const both = [
      { day: name(yesterday), counts: { planned: 1 } },
      { day: name(today), counts: { planned: 2 } },
    ];
    expect(await days()).to.deep.equal(both);
    expect(await days({ site: 'hollinfell' })).to.deep.equal(both);
    expect(
      (await refusal(client.call('placementDays.read', { query: { site: 'nosuch' } }))).problem.code,
    ).to.equal('not-found');
  });
});
