import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { beginDueChecks } from '../src/store/page-checks.ts';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { publishedWith, type Published } from './support/published.ts';
import { until } from './support/until.ts';

const page = 'hollinfell/talks';

describe('a page on which something was ticked', () => {
  let test: TestOrbis;
  let talks: Published;
  let id: string;
  before(async () => {
    test = await startTestOrbis({ readsTicked: true });
    await declareSite(test);
    talks = publishedWith(test);
    await talks.collect('Opening', talkCode(test.world.port));
    id = await talks.place('opening', 'opening');
  });
  after(() => test.stop());

  const db = () => test.orbis.connection.db;
  const tick = async (): Promise<void> => {
    const { data } = await test.client.call('plans.read', { params: { page } });
    await test.client.call('plans.tick', { params: { page }, body: { step: data.steps[0]!.id, done: true } });
  };
  /* In how many seconds it is read, and how long it is waited for that; null where it is not. */
  const check = async (): Promise<{ due: number; over: number } | null> => {
    const [[row]] = (await db().execute(
      sql`select timestampdiff(second, utc_timestamp(3), due_at) as due, timestampdiff(second, utc_timestamp(3), until) as over_in from page_check`,
    )) as unknown as [[{ due: number; over_in: number } | undefined]];
    return row ? { due: Number(row.due), over: Number(row.over_in) } : null;
  };
  const makeDue = () =>
    db().execute(sql`update page_check set due_at = utc_timestamp(3) - interval 1 second`);
  const sweeps = async () => (await test.client.call('sweeps.list', {})).data.items;
  const swept = (count: number): Promise<void> =>
    until(async () => {
      const items = await sweeps();
      return items.length === count && items.every(({ endedAt }) => endedAt !== null);
    });
  const state = async () =>
    (await test.client.call('placements.read', { params: { placement: id } })).data.state;

  it('is read soon, and again after growing pauses, until what was ticked is there', async () => {
    const { text } = await talks.delivered(id);
    await tick();
    expect((await check())!.due).to.be.within(10, 20);
    await makeDue();
    await swept(1);
    expect((await sweeps())[0]).to.include({ scope: page, read: 1 });
    expect(await state(), 'it is not published yet').to.equal('planned');
    expect((await check())!.due).to.be.within(30, 60);
    await makeDue();
    await swept(2);
    expect((await check())!.due).to.be.within(120, 180);
    await talks.publish(text);
    await makeDue();
    await swept(3);
    expect(await state()).to.equal('live');
    await makeDue();
    await until(async () => (await check()) === null);
    expect(await sweeps()).to.have.length(3);
  });

  it('is read once its editor has published it', async () => {
    await test.client.call('sites.change', {
      params: { site: 'hollinfell' },
      ifMatch: '*',
      body: { editor: { delay: 5 } },
    });
    await test.client.call('revisions.create', {
      params: { embed: 'opening' },
      ifMatch: '*',
      body: { options: { start: 7 } },
    });
    await tick();
    expect((await check())!.due).to.be.within(280, 300);
    expect((await check())!.over).to.be.within(280 + 45 * 60 - 20, 300 + 45 * 60);
  });

  it('is read by one of many processes, and not for ever', async () => {
    const before = (await sweeps()).length;
    await makeDue();
    await Promise.all(Array.from({ length: 6 }, () => beginDueChecks(db(), new Date())));
    await swept(before + 1);
    expect(await state()).to.equal('out-of-date');
    await db().execute(sql`update page_check set until = utc_timestamp(3) - interval 1 second`);
    await makeDue();
    await until(async () => (await check()) === null);
    expect(await sweeps()).to.have.length(before + 1);
  });
});
