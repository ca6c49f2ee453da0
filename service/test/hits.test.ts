import { expect } from 'chai';
import { pino } from 'pino';
import { countHits, type HitCounter } from '../src/frames/count-hits.ts';
import { get } from './support/get.ts';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { until } from './support/until.ts';

const site = (): string => 'http://hollinfell.localhost:1';
const preview = (): string => 'https://preview.hollinfell.example';

describe('where served frames are shown', () => {
  let test: TestOrbis;
  let [placement, other] = ['', ''];
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test, ['one', 'two']);
    await test.client.call('sites.change', {
      params: { site: 'hollinfell' },
      body: { address: site(), furtherAddresses: [preview()] },
      ifMatch: (await test.client.call('sites.read', { params: { site: 'hollinfell' } })).etag!,
    });
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(1) } });
    const placed = async (spot: string): Promise<string> =>
      (
        await test.client.call('placements.create', {
          body: { embed: 'talk', place: `hollinfell/talks#${spot}` },
        })
      ).data.id;
    [placement, other] = [await placed('one'), await placed('two')];
  });
  after(() => test.stop());

  const counters: HitCounter[] = [];
  afterEach(async () => {
    for (const each of counters.splice(0)) await each.stop();
  });
  let today = '2026-11-27T23:59:58Z';
  const counter = (): HitCounter => {
    const made = countHits({
      connection: test.orbis.connection,
      origins: () => ({ console: 'https://orbis.example' }),
      now: () => new Date(today),
      log: pino({ level: 'silent' }),
    });
    counters.push(made);
    return made;
  };
  const from = (referer?: string) => ({
    'sec-fetch-dest': 'iframe',
    ...(referer !== undefined && { referer }),
  });
  const hits = async (id = placement) =>
    (await test.client.call('placements.hits', { params: { placement: id } })).data;

  it('is nothing until they are, and names what is not there', async () => {
    expect(await hits()).to.deep.include({ times: 0, pages: [] });
    expect((await refusal(hits('zzzzzzzzzz'))).code).to.equal('not-found');
  });

  it('is counted by day and by the page that a browser names, without what is behind its question mark', async () => {
    const counting = counter();
    const note = (referer?: string): void =>
      counting.note({ id: placement, sites: [site(), preview()] }, from(referer));
    for (let i = 0; i < 3; i++) note(`${site()}/talks?visitor=7#me`);
    note(`${site()}/`);
    note(`${site()}/elsewhere`);
    note('https://copied.example/page');
    note(`${preview()}/talks`);
    note();
    note('about:client');
    // Nobody shows it in a frame, or the owner looks at it in the console.
    counting.note(
      { id: placement, sites: [site(), preview()] },
      { 'sec-fetch-dest': 'document', 'referer': site() },
    );
    counting.note({ id: placement, sites: [site(), preview()] }, {});
    note('https://orbis.example/register/1');
    await counting.flush();
    today = '2026-11-28T00:00:02Z';
    note(`${site()}/talks`);
    await counting.flush();
    expect(await hits()).to.deep.include({
      times: 10,
      pages: [
        { page: `${site()}/talks`, times: 4, lastDay: '2026-11-28', registered: true },
        { page: null, times: 2, lastDay: '2026-11-27', registered: null },
        { page: site(), times: 1, lastDay: '2026-11-27', registered: null },
        { page: `${site()}/elsewhere`, times: 1, lastDay: '2026-11-27', registered: false },
        { page: 'https://copied.example/page', times: 1, lastDay: '2026-11-27', registered: false },
        { page: `${preview()}/talks`, times: 1, lastDay: '2026-11-27', registered: true },
      ],
    });
  });

  it('is bounded, whatever is made up: pages elsewhere sooner than those of its site', async () => {
    const counting = counter();
    for (let i = 0; i < 300; i++) {
      counting.note({ id: other, sites: [site(), preview()] }, from(`${site()}/p${i}`));
      counting.note(
        { id: other, sites: [site(), preview()] },
        from(`https://e${i}.example/${'x'.repeat(400)}`),
      );
      counting.note({ id: `nobody${i}`.padEnd(10, '0'), sites: [site(), preview()] }, from(site()));
    }
    await counting.flush();
    const { pages, times } = await hits(other);
    const { db } = test.orbis.connection;
    const { sql } = await import('drizzle-orm');
    const [[row]] = (await db.execute(
      sql`SELECT COUNT(*) AS kept, SUM(times) AS times, MAX(LENGTH(page)) AS longest FROM hit WHERE placement_id = (SELECT id FROM placement WHERE public_id = ${other})`,
    )) as unknown as [[{ kept: number; times: string; longest: number }]];
    // 200 of its site, 10 elsewhere, and one line for all others.
    expect([row.kept, Number(row.times)]).to.deep.equal([211, 600]);
    expect(row.longest).to.be.at.most(300);
    expect([pages.length, pages[0]]).to.deep.equal([
      50,
      { page: null, times: 390, lastDay: '2026-11-28', registered: null },
    ]);
    expect(times).to.equal(600);
  });

  it('is kept for the next time while the database is away, and nothing is counted twice', async () => {
    let isAway = true;
    const counting = countHits({
      connection: {
        ...test.orbis.connection,
        during: (caller, work) =>
          isAway ? Promise.reject(new Error('away')) : test.orbis.connection.during(caller, work),
      },
      origins: () => ({ console: 'https://orbis.example' }),
      now: () => new Date(today),
      log: pino({ level: 'silent' }),
    });
    counters.push(counting);
    const before = (await hits()).times;
    counting.note({ id: placement, sites: [site(), preview()] }, from(site()));
    await counting.flush();
    counting.note({ id: placement, sites: [site(), preview()] }, from(site()));
    await counting.flush();
    isAway = false;
    await counting.flush();
    await counting.flush();
    expect((await hits()).times).to.equal(before + 2);
  });

  it('is counted where documents are served, from memory as well', async () => {
    const { link } = (await test.client.call('placements.link', { params: { placement } })).data;
    const before = (await hits()).times;
    for (let i = 0; i < 4; i++)
      expect((await get(link, { headers: from(`${site()}/talks`) })).status).to.equal(200);
    await until(async () => (await hits()).times === before + 4);
  });
});
