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
    // Since when each is out of date: a moment ago, eight days, and not known.
    const late = async (name: string, since: string): Promise<void> =>
      void (await db.execute(
        `update placement set state = 'out-of-date', state_since = ${since}
          where embed_id = (select id from embed where name = '${name}')`,
      ));
    await late('Opening', 'utc_timestamp() - interval 8 day');
    await late('Second', 'null');
    await countDay(db, today);
    const ages = async (query = {}) => (await client.call('placementDays.read', { query })).data.outOfDate;
    expect(await ages()).to.deep.equal({ month: 1, unknown: 1 });
    await late('Second', 'utc_timestamp() - interval 1 minute');
    await countDay(db, today);
    expect(await ages({ site: 'hollinfell' })).to.deep.equal({ day: 1, month: 1 });
    await late('Second', 'utc_timestamp() - interval 91 day');
    await countDay(db, today);
    expect(await ages()).to.deep.equal({ month: 1, longer: 1 });
    expect(
      (await refusal(client.call('placementDays.read', { query: { site: 'nosuch' } }))).problem.code,
    ).to.equal('not-found');
  });
});
