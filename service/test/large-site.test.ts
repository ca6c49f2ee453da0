import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { fillRegister } from './support/large-register.ts';
import { until } from './support/until.ts';

describe('a change that holds for a site of a thousand placements', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await fillRegister(test.orbis.connection);
  });
  after(() => test.stop());
  const rowsOf = async <T>(statement: ReturnType<typeof sql>): Promise<T[]> =>
    ((await test.orbis.connection.db.execute(statement)) as unknown as [T[]])[0];
  const rowsChanged = async (): Promise<number> => {
    const rows = await rowsOf<{ Value: string }>(
      sql`show global status where Variable_name in ('Handler_update', 'Handler_write')`,
    );
    return rows.reduce((sum, { Value }) => sum + Number(Value), 0);
  };
  const list = async () =>
    (await test.client.call('placements.list', { query: { site: 's7', limit: 50 } })).data;
  const change = () =>
    test.client.call('sites.change', {
      params: { site: 's7' },
      ifMatch: '*',
      body: { head: true, language: 'de', defaults: { any: { title: 'Bei uns' } } },
    });

  it('is written down at once, told truly from then on, and worked out in the background', async () => {
    expect((await list()).items.map(({ state }) => state)).to.include('live');
    const wanted = await rowsOf<{ id: number; wanted: string }>(
      sql`select id, wanted from placement where site_id = 7 order by id desc limit 50`,
    );
    const before = await rowsChanged();
    await change();
    // The site, what was done, and that its placements are to be marked; not each of them.
    expect((await rowsChanged()) - before).to.be.below(400);
    const { items } = await list();
    // What is shown was worked out for it: all of it is handed out otherwise now.
    expect(items.filter(({ state }) => state === 'live')).to.deep.equal([]);
    await until(async () => (await list()).waiting === 0);
    const [left] = await rowsOf<{ stale: number; marking: number }>(sql`
      select (select count(*) from placement where site_id = 7 and stale <> 'no') as stale,
        (select count(*) from site_marking) as marking`);
    expect(left).to.deep.equal({ stale: 0, marking: 0 });
    const now = new Map(
      (
        await rowsOf<{ id: number; wanted: string }>(sql`select id, wanted from placement where site_id = 7`)
      ).map((row) => [row.id, row.wanted]),
    );
    for (const { id, wanted: was } of wanted) expect(now.get(id), String(id)).not.to.equal(was);
    const others = await rowsOf<{ changed: number }>(
      sql`select count(*) as changed from placement where site_id <> 7 and inputs > 0`,
    );
    expect(others[0]!.changed).to.equal(0);
  });
});
