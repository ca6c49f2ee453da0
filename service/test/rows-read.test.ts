import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { inTransaction } from '../src/database/transaction.ts';
import { blocksOn, keepSeenOnPage, pagesShowing } from '../src/store/blocks.ts';
import { pageByKey } from '../src/usecases/places.ts';
import { fillRegister } from './support/large-register.ts';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { join } from './support/people.ts';

/* How many rows a list may read for each row that it shows, and for itself: the session, the
   embed that is asked about. */
const [each, itself] = [20, 40];
const limit = 50;

const lists: readonly [path: string, query: Record<string, string>][] = [
  ['/placements', {}],
  ...(['live', 'out-of-date', 'missing'] as const).map((state): [string, Record<string, string>] => [
    '/placements',
    { state },
  ]),
  ['/placements', { embed: 'e8' }],
  ['/placements', { embed: 'e8', state: 'live' }],
  ['/placements', { site: 's9' }],
  ['/placements', { site: 's9', state: 'out-of-date' }],
  ['/placements', { page: 's9/p9' }],
  ['/placements', { host: 'play.kinorill.localhost' }],
  ['/placements', { host: 'rare.localhost' }],
  ['/placements', { where: 'host=play.kinorill.localhost state=missing' }],
  ['/placements/0000000005/deliveries', {}],
  ['/embeds', {}],
  ['/embeds', { kind: 'map' }],
  ['/embeds', { tag: 'visit' }],
  ['/embeds', { host: 'play.kinorill.localhost' }],
  ['/embeds', { where: 'kind=map' }],
  ['/embeds', { where: 'tag=visit' }],
  ['/embeds', { where: 'host=play.kinorill.localhost' }],
  ['/embeds', { where: 'placed=yes' }],
  ['/embeds', { tag: 'rare' }],
  ['/embeds', { host: 'rare.localhost' }],
  ['/embeds', { provider: 'rare' }],
  ['/embeds', { kind: 'popup' }],
  ['/embeds', { q: 'embed' }],
  ['/embeds/e8/revisions', {}],
  ['/sites', {}],
  ['/pages', {}],
  ['/pages', { site: 's9' }],
  ['/pages', { q: 's9/p10' }],
  ['/pages', { q: 's4' }],
  ['/pages/s9%2Fp9/plan/links', {}],
  ['/pages/s9%2Fp9/seen', {}],
  ['/shared-spots', {}],
  ['/shared-spots', { site: 's9' }],
  ['/findings', {}],
  ['/findings', { list: 'solved' }],
  ['/findings', { site: 's9' }],
  ['/findings', { rule: 'missing' }],
  ['/findings', { rule: 'doubled' }],
  ['/findings', { site: 's9', rule: 'missing', list: 'later' }],
  ['/news', {}],
  ['/news', { site: 's9' }],
  ['/changes', { mine: 'true' }],
  ['/changes', { mine: 'true', standing: 'true' }],
  ['/audit', {}],
  ['/audit', { act: 'pages' }],
  ['/audit', { act: 'deliveries' }],
  ['/audit', { outcome: 'refused' }],
  ['/people', {}],
  ['/messages', {}],
  ['/messages', { state: 'dead' }],
  ['/messages', { channel: 'c4' }],
  ['/messages', { channel: 'c4', state: 'waiting' }],
  ['/messages', { channel: 'c40', state: 'dead' }],
  ['/channels', {}],
  ['/hosts', {}],
  ['/hosts', { host: 'host1.localhost' }],
  ['/pages/s9%2Fp9/looks', {}],
  ['/looks', {}],
  ['/looks', { site: 's9' }],
  ['/sites/s9/inspections', {}],
  ['/inspections/nnnnnnnn02/losses', {}],
  ['/embeds/e8/history', {}],
  ['/pages/s9%2Fp9/history', {}],
  ['/sites/s9/history', {}],
  ['/resources', {}],
  ['/resources', { state: 'faulty' }],
  ['/resources', { host: 'host1.localhost' }],
  ['/resources', { host: 'host1.localhost', state: 'faulty' }],
  ['/resources', { embed: 'e8' }],
  ['/sweeps', {}],
  ['/sweeps/jjjjjjjjj1/pages', {}],
  ['/providers', {}],
  ['/harvests', {}],
  ['/change-lists/jjjjjjjjj1/pages', {}],
  ['/change-lists/jjjjjjjjj1/pages', { open: 'true' }],
  ['/change-lists', {}],
  ['/changes', {}],
  ['/changes', { standing: 'true' }],
  ['/presets', {}],
  ['/saved-searches', {}],
  ['/terms', {}],
];

describe('with 50,000 placements', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await fillRegister(test.orbis.connection);
  });
  after(() => test.stop());

  /* All rows that the server has read so far, of whatever table and index (MariaDB, Handler_read_…). */
  const rowsRead = async (): Promise<number> => {
    const [rows] = (await test.orbis.connection.db.execute(
      sql`show global status like 'Handler_read_%'`,
    )) as unknown as [{ Value: string }[]];
    return rows.reduce((sum, { Value }) => sum + Number(Value), 0);
  };
  /* What was read twice at least: beside it the service looks for work now and then, which reads as well. */
  const readFor = async (work: () => Promise<unknown>): Promise<number> => {
    const counts: number[] = [];
    for (let i = 0; i < 20; i++) {
      const [a, b] = [await rowsRead(), await rowsRead()];
      await work();
      // Asking for the count reads rows as well.
      counts.push((await rowsRead()) - b - (b - a));
      const least = Math.min(...counts);
      if (counts.filter((count) => count === least).length > 1) return least;
    }
    return Math.min(...counts);
  };

  for (const [path, query] of lists) {
    const name = `${path}?${new URLSearchParams(query).toString()}`.replace(/\?$/, '');
    it(`reads at most ${each} rows for each that it shows: ${name}`, async () => {
      const address = `${test.url}/api/v1${path}?${new URLSearchParams({ limit: String(limit), ...query }).toString()}`;
      const ask = async (after = '') =>
        (
          await fetch(`${address}${after}`, { headers: { authorization: `Bearer ${test.token}` } })
        ).json() as Promise<{
          items: { seen?: unknown; toDo?: unknown; days?: unknown }[];
          next?: string | null;
        }>;
      const first = await ask();
      // The second page must not read the first one again.
      const after = typeof first.next !== 'string' ? '' : `&after=${first.next}`;
      // A page of a sweep is shown with what was seen on it, one of a list with what is to be done, and a
      // host with how it answered.
      const shown = (await ask(after)).items.reduce(
        (sum, { seen, toDo, days }) => sum + 1 + [seen, toDo, days].filter(Array.isArray).flat().length,
        0,
      );
      const read = await readFor(() => ask(after));
      if (process.env['ROWS'] !== undefined) console.log(`${name} | ${shown} | ${read}`);
      expect(read).to.be.at.most(itself + each * shown);
    });
  }

  it('shows somebody who has to do with one site what is theirs from few rows', async () => {
    const { client } = await join(test, 'A reader of s9', { sites: [{ site: 's9', role: 'reader' }] });
    const { data: theirs } = await client.call('embeds.list', { query: { limit } });
    expect(theirs.items.length).to.be.greaterThan(0);
    const embed = theirs.items[0]!.key;
    for (const ask of [
      () => client.call('embeds.list', { query: { limit } }),
      () => client.call('placements.list', { query: { limit } }),
      () => client.call('sites.list', { query: { limit } }),
      () => client.call('embeds.read', { params: { embed } }),
    ]) {
      const { data } = (await ask()) as { data: { items?: unknown[] } };
      const read = await readFor(ask);
      if (process.env['ROWS'] !== undefined) console.log(String(ask), read);
      expect(read, String(ask)).to.be.at.most(itself + each * (data.items?.length ?? 1));
    }
  });

  it('says what wants doing from a few hundred rows, however many want it', async () => {
    const { data } = await test.client.call('today.read', {});
    expect(data.states.map(({ state, count }) => [state, count])).to.deep.equal([
      ['missing', 200],
      ['out-of-date', 200],
    ]);
    // Limits are written down by hand, one by one: each of the fifty is looked at.
    const allowed = itself + 2 * 2 * 200 + 3 * 50 + 5 * each;
    expect(await readFor(() => test.client.call('today.read', {}))).to.be.at.most(allowed);
  });

  it('counts what wants attention from a few hundred rows, however much there is', async () => {
    const ask = () => test.client.call('findings.count', { query: {} });
    const { open, rules, sites } = (await ask()).data;
    expect([open, sites.length]).to.deep.equal([{ error: 200, warning: 200, note: 200 }, 20]);
    const told = rules.map(({ rule }) => rule);
    expect(told).to.include.members(['missing', 'altered', 'claims-collide', 'doubled']);
    expect(await readFor(ask)).to.be.at.most(itself + 2 * 3 * 200 + each * 24);
  });

  it(`reads at most ${each} rows for each thing in the head of a site`, async () => {
    const ask = () => test.client.call('heads.read', { params: { site: 's9' } });
    const { data } = await ask();
    expect(data.things).to.have.length(60);
    expect(await readFor(ask)).to.be.at.most(itself + each * data.things.length);
  });

  it('keeps how a page shows a block by a few rows, however many pages do', async () => {
    const { db } = test.orbis.connection;
    const key = { placementId: 1_000_001, pageId: 9 };
    const keep = (seen: 'live' | 'missing') => inTransaction(db, (tx) => keepSeenOnPage(tx, key, seen));
    expect(await keep('missing')).to.deep.equal({ seen: 'live', without: 9, changes: true });
    expect(await readFor(() => keep('missing'))).to.be.at.most(itself);
    expect(await keep('live')).to.deep.equal({ seen: 'live', without: 10, changes: true });
    const { page } = await pageByKey(db, 's9/p9');
    expect(await blocksOn(db, page)).to.have.length(1);
    expect(await readFor(() => blocksOn(db, page))).to.be.at.most(itself);
    const block = await pageByKey(db, 's9/{foot}');
    expect(await pagesShowing(db, block.page, 10)).to.have.length(10);
    expect(await readFor(() => pagesShowing(db, block.page, 10))).to.be.at.most(itself);
    const seen = { ...block.page, under: null };
    expect(await pagesShowing(db, seen, 10)).to.have.length(10);
    expect(await readFor(() => pagesShowing(db, seen, 10))).to.be.at.most(itself);
  });

  it('reads one embed by a few rows, whether nobody else holds its code or thousands do', async () => {
    const ask = async () =>
      (
        await fetch(`${test.url}/api/v1/embeds/e8`, { headers: { authorization: `Bearer ${test.token}` } })
      ).json() as Promise<{ same: string | null }>;
    expect((await ask()).same).to.equal(null);
    expect(await readFor(ask)).to.be.at.most(itself);
    await test.orbis.connection.db.execute(sql`update source set digest = repeat('a', 64)`);
    expect((await ask()).same).to.match(/^e\d+$/);
    expect(await readFor(ask)).to.be.at.most(itself);
  });
});
