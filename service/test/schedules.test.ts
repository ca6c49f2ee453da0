import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import type { Schedule, Site } from '@orbis/contract';
import { beginDueSweeps } from '../src/store/due-sweeps.ts';
import { nextTimeOf } from '../src/store/next-time.ts';
import { declareSite, refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { until } from './support/until.ts';

const nightly: Schedule = { every: 'day', at: '03:00', zone: 'Etc/UTC' };

describe('when a site is read the next time', () => {
  const rows: [every: Schedule['every'], at: string, zone: string, after: string, next: string | null][] = [
    ['day', '03:00', 'Etc/UTC', '2026-11-29T02:59:59Z', '2026-11-29T03:00:00Z'],
    ['day', '03:00', 'Etc/UTC', '2026-11-29T03:00:00Z', '2026-11-30T03:00:00Z'],
    ['hour', '00:17', 'Etc/UTC', '2026-11-29T23:17:30Z', '2026-11-30T00:17:00Z'],
    ['hour', '22:05', 'Etc/UTC', '2026-11-29T09:00:00Z', '2026-11-29T09:05:00Z'],
    ['monday', '03:00', 'Etc/UTC', '2026-11-29T12:00:00Z', '2026-11-30T03:00:00Z'],
    ['sunday', '03:00', 'Etc/UTC', '2026-11-29T12:00:00Z', '2026-12-06T03:00:00Z'],
    // Summer time begins and ends: it is the clock on the wall that counts.
    ['day', '03:00', 'Europe/London', '2026-03-28T12:00:00Z', '2026-03-29T02:00:00Z'],
    ['day', '03:00', 'Europe/London', '2026-10-24T12:00:00Z', '2026-10-25T03:00:00Z'],
    // A time that this night does not have comes as the clock jumps; of one that it has twice, the first.
    ['day', '01:30', 'Europe/London', '2026-03-28T12:00:00Z', '2026-03-29T01:00:00Z'],
    ['day', '01:30', 'Europe/London', '2026-10-24T12:00:00Z', '2026-10-25T00:30:00Z'],
    ['monday', '00:30', 'Asia/Tokyo', '2026-11-29T12:00:00Z', '2026-11-29T15:30:00Z'],
  ];
  for (const [every, at, zone, after, next] of rows)
    it(`${every} at ${at} in ${zone}, behind ${after}`, () => {
      const found = nextTimeOf({ every, at, zone }, new Date(after));
      expect(found?.toISOString().replace('.000', '')).to.equal(next);
    });

  it('is never where nobody has said when', () => expect(nextTimeOf(null, new Date())).to.equal(null));
});

describe('a site that is read by itself', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
  });
  after(() => test.stop());

  const params = { site: 'hollinfell' };
  const site = async (): Promise<Site> => (await test.client.call('sites.read', { params })).data;
  const change = (schedule: Schedule | null) =>
    test.client.call('sites.change', { params, ifMatch: '*', body: { schedule } });
  const sweeps = async () => (await test.client.call('sweeps.list', {})).data.items;
  const makeDue = () =>
    test.orbis.connection.db.execute(sql`update site set next_sweep_at = utc_timestamp(3) - interval 1 day`);

  it('says when it is the next time', async () => {
    expect(await site()).to.deep.include({ schedule: null, nextSweepAt: null });
    await change(nightly);
    const { schedule, nextSweepAt } = await site();
    expect(schedule).to.deep.equal(nightly);
    expect(nextSweepAt).to.match(/T03:00:00\.000Z$/);
    expect(Date.parse(nextSweepAt!) - Date.now()).to.be.within(0, 86_400_000);
  });

  it('is read once its time has come, once for all that was missed, and is due again later', async () => {
    await makeDue();
    await until(async () => (await sweeps()).some(({ state }) => state === 'done'));
    expect(await sweeps()).to.have.length(1);
    expect((await sweeps())[0]).to.include({ scope: 'hollinfell', read: 1 });
    expect(Date.parse((await site()).nextSweepAt!)).to.be.above(Date.now());
  });

  it('is begun by one of many processes, and not while it is being read already', async () => {
    const { db } = test.orbis.connection;
    await change(null);
    // As if it were being read, for as long as the test takes.
    await db.execute(
      sql`update swept_host set lease_owner = 'x', lease_until = utc_timestamp(3) + interval 1 hour`,
    );
    await change(nightly);
    await makeDue();
    await Promise.all(Array.from({ length: 6 }, () => beginDueSweeps(db, new Date())));
    expect(await sweeps()).to.have.length(2);
    await makeDue();
    await beginDueSweeps(db, new Date());
    expect(await sweeps()).to.have.length(2);
    expect(Date.parse((await site()).nextSweepAt!)).to.be.above(Date.now());
    await db.execute(sql`update swept_host set lease_until = null`);
    await until(async () => (await sweeps()).every(({ state }) => state === 'done'));
  });

  it('is not begun where there is nothing to read, or the site is removed', async () => {
    const { db } = test.orbis.connection;
    const body = { key: 'empty', name: 'Empty', address: 'http://empty.localhost' };
    await test.client.call('sites.create', { body });
    await test.client.call('sites.change', {
      params: { site: 'empty' },
      ifMatch: '*',
      body: { schedule: nightly },
    });
    await test.client.call('sites.delete', { params, ifMatch: '*', query: { placements: 'end' } });
    await makeDue();
    await beginDueSweeps(db, new Date());
    await beginDueSweeps(db, new Date());
    expect(await sweeps()).to.have.length(2);
    const { data } = await test.client.call('changes.list', { query: { limit: 1, standing: 'true' } });
    await test.client.call('changes.undo', { params: { change: data.items[0]!.id }, body: {} });
    await until(async () => (await sweeps()).length === 3);
  });

  it('is what it was where that is taken back', async () => {
    await change({ ...nightly, every: 'hour' });
    const { data } = await test.client.call('changes.list', { query: { limit: 1, standing: 'true' } });
    await test.client.call('changes.undo', { params: { change: data.items[0]!.id }, body: {} });
    expect((await site()).schedule).to.deep.equal(nightly);
    expect((await site()).nextSweepAt).to.match(/T03:00:00\.000Z$/);
  });

  it('is due again where a site without pages comes back', async () => {
    const empty = { site: 'empty' };
    await test.client.call('sites.delete', { params: empty, ifMatch: '*', query: {} });
    const { data } = await test.client.call('changes.list', { query: { limit: 1, standing: 'true' } });
    await test.client.call('changes.undo', { params: { change: data.items[0]!.id }, body: {} });
    const { data: again } = await test.client.call('sites.read', { params: empty });
    expect(again.schedule).to.deep.equal(nightly);
    expect(again.nextSweepAt).to.match(/T03:00:00\.000Z$/);
  });

  it('says what is no time and no time zone', async () => {
    const wrong = await refusal(change({ every: 'day', at: '25:00', zone: 'Moon/Crater' }));
    expect(wrong.problem.errors?.map(({ pointer }) => pointer)).to.deep.equal([
      '/schedule/at',
      '/schedule/zone',
    ]);
  });
});
