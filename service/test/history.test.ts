/* What was done to an embed, a page or a site, and how sweeps saw it change, is one list for each. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { sweepAll } from '@orbis/demo';
import type { Happened } from '@orbis/contract';
import { refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from './support/site-of-pages.ts';

describe('the history of a thing', () => {
  let test: TestOrbis;
  let own: SiteOfPages;
  let placement = '';
  before(async () => {
    test = await startTestOrbis();
    own = await startSiteOfPages();
    const { client } = test;
    await client.call('sites.create', {
      body: { key: 'hollinfell', name: 'Hollin Fell', address: own.address },
    });
    await client.call('pages.create', { body: { key: 'hollinfell/talks', title: 'Talks' } });
    await client.call('spots.create', { body: { key: 'hollinfell/talks#opening' } });
    for (const name of ['Opening', 'Second'])
      await client.call('embeds.create', { body: { name, text: talkCode(1, name) } });
    const { data } = await client.call('placements.create', {
      body: { embed: 'opening', place: 'hollinfell/talks#opening' },
    });
    placement = data.id;
  });
  after(async () => {
    await own.stop();
    await test.stop();
  });

  const ofEmbed = async (embed: string, query = {}) =>
    (await test.client.call('history.ofEmbed', { params: { embed }, query })).data;
  const ofPage = async () =>
    (await test.client.call('history.ofPage', { params: { page: 'hollinfell/talks' }, query: {} })).data;
  const ofSite = async () =>
    (await test.client.call('history.ofSite', { params: { site: 'hollinfell' }, query: {} })).data;
  const lines = ({ items }: { items: Happened[] }): string[] =>
    items.map(({ change, seen, by }) =>
      change
        ? `${by}: ${change.said}${change.undoneAt === null ? '' : ' (taken back)'}`
        : `${seen!.embed} in ${seen!.place}: ${seen!.was}, then ${seen!.state}`,
    );
  const place = 'hollinfell/talks#opening';
  const publish = async (isThere: boolean): Promise<void> => {
    const { text } = (await test.client.call('deliveries.create', { params: { placement } })).data;
    own.pages.set('talks', pageOf(isThere ? text : '<p>Nothing</p>'));
    await sweepAll(test.client);
  };

  it('begins with what was done, by whom', async () => {
    expect(lines(await ofEmbed('opening'))).to.deep.equal([
      `Tester: Placed opening in ${place}`,
      'Tester: Collected opening',
    ]);
    expect(lines(await ofEmbed('second'))).to.deep.equal(['Tester: Collected second']);
    expect(lines(await ofPage())).to.deep.equal([
      `Tester: Placed opening in ${place}`,
      `Tester: Added the spot ${place}`,
      'Tester: Added the page hollinfell/talks',
    ]);
    expect(lines(await ofSite())).to.deep.equal([
      ...lines(await ofPage()),
      'Tester: Added the site hollinfell',
    ]);
  });

  it('goes on with what sweeps see, only where that is otherwise than before', async () => {
    await publish(true);
    await sweepAll(test.client);
    await publish(false);
    const seen = [`opening in ${place}: live, then missing`, `opening in ${place}: planned, then live`];
    expect(lines(await ofEmbed('opening')).slice(0, 2)).to.deep.equal(seen);
    expect(lines(await ofPage()).slice(0, 2)).to.deep.equal(seen);
    expect(lines(await ofSite()).slice(0, 2)).to.deep.equal(seen);
    const { stateSince } = (await test.client.call('placements.read', { params: { placement } })).data;
    const [missing] = (await ofEmbed('opening')).items;
    expect(stateSince).to.equal(missing!.at);
    await sweepAll(test.client);
    const again = (await test.client.call('placements.read', { params: { placement } })).data;
    expect(again.stateSince, 'still missing since then').to.equal(stateSince);
  });

  it('says since when something is out of date: since something else is wanted', async () => {
    await publish(true);
    const before = new Date().toISOString();
    await test.client.call('changes.create', {
      body: { where: 'name=Opening', options: { title: 'The first talk' } },
    });
    const { data } = await test.client.call('placements.list', { query: { embed: 'opening' } });
    expect(data.items[0]).to.include({ state: 'out-of-date' });
    expect(data.items[0]!.stateSince! >= before).to.equal(true);
    expect(lines(await ofEmbed('opening'))[0]).to.match(/^Tester: Set options of one embed/);
    expect(lines(await ofSite())[0], 'an option of an embed is not of a site').to.match(/missing, then live/);
  });

  it('names many placements that were changed at once with each of them, and what was taken back', async () => {
    await test.client.call('placements.changeMany', {
      body: { placements: [placement], make: 'paused' },
    });
    const said = `Tester: Paused opening in ${place}`;
    for (const told of [await ofEmbed('opening'), await ofPage(), await ofSite()])
      expect(lines(told)[0]).to.equal(said);
    await test.client.call('changes.undo', {
      body: {},
      params: { change: (await ofPage()).items[0]!.change!.id },
    });
    expect(lines(await ofPage())[0]).to.equal(`${said} (taken back)`);
    expect(lines(await ofEmbed('second'))).to.have.length(1);
  });

  it('keeps what a page was called, and what was removed', async () => {
    const { client } = test;
    await client.call('pages.create', { body: { key: 'hollinfell/plans', title: 'Plans' } });
    await client.call('pages.create', { body: { key: 'hollinfell/tour', title: 'Tour' } });
    const { etag } = await client.call('pages.read', { params: { page: 'hollinfell/tour' } });
    await client.call('pages.change', {
      ...{ params: { page: 'hollinfell/tour' }, body: { path: 'visit' }, ifMatch: etag! },
    });
    const { items } = (
      await client.call('history.ofPage', { params: { page: 'hollinfell/visit' }, query: {} })
    ).data;
    expect(lines({ items })).to.deep.equal([
      'Tester: Gave the page hollinfell/tour the address hollinfell/visit',
      'Tester: Added the page hollinfell/tour',
    ]);
    const plans = await client.call('pages.read', { params: { page: 'hollinfell/plans' } });
    await client.call('pages.delete', { params: { page: 'hollinfell/plans' }, ifMatch: plans.etag! });
    expect(lines(await ofSite())[0]).to.equal('Tester: Removed the page hollinfell/plans');
  });

  it('is made up of what was done before it was kept, as far as that names what it was done to', async () => {
    const { db } = test.orbis.connection;
    const changes = async (): Promise<string[][]> =>
      Promise.all(
        [await ofEmbed('opening'), await ofEmbed('second'), await ofPage(), await ofSite()].map(({ items }) =>
          lines({ items: items.filter(({ change }) => change !== null) }),
        ),
      );
    const before = await changes();
    const file = new URL('../migrations/0046_history_and_inspections.sql', import.meta.url);
    const statement = readFileSync(file, 'utf8').split('--> statement-breakpoint').at(-1)!;
    await db.execute('delete from history where change_id is not null');
    await db.execute(statement);
    const without = /Paused|Added the spot|hollinfell\/(tour|plans)/;
    expect(await changes()).to.deep.equal(before.map((told) => told.filter((line) => !without.test(line))));
  });

  it('is read page by page, and refused for what is not there', async () => {
    const all = (await ofEmbed('opening')).items;
    const found: Happened[] = [];
    for (let after: string | undefined, more = true; more;) {
      const { items, next } = await ofEmbed('opening', { limit: 2, after });
      found.push(...items);
      more = next !== null;
      after = next ?? undefined;
    }
    expect(found).to.deep.equal(all);
    expect(all.length).to.be.greaterThan(5);
    const none = refusal(test.client.call('history.ofEmbed', { params: { embed: 'nosuch' }, query: {} }));
    expect((await none).problem.code).to.equal('not-found');
  });
});
