/* The whole way of an owner who begins: a site of forty pages that has embeds already, from its first harvest
   to the day on which a colour is changed everywhere. */
import { expect } from 'chai';
import { snippetText } from '@orbis/core';
import { outcomeOf, type FoundPages, type Placement } from '@orbis/contract';
import { sweepAll } from '@orbis/demo';
import { until } from './support/until.ts';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from './support/site-of-pages.ts';

const paths = Array.from({ length: 40 }, (_, i) => `night-${String(i + 1).padStart(2, '0')}`);

/* What stands on a page before anybody knows of Orbis: a film, a map, or a widget with its script. */
function pasted(path: string): string {
  const number = Number(path.slice(-2));
  if (number % 3 === 0)
    return `<iframe src="https://mapmere.localhost/embed/map?lat=54.3${number}&amp;lng=-2.1&amp;zoom=13" width="640" height="480" title="Map of ${path}"></iframe>`;
  if (number % 3 === 1)
    return `<iframe width="560" height="315" src="https://play.kinorill.localhost/film/${path}?knobs=1" title="Film of ${path}" allowfullscreen></iframe>`;
  return `<div class="otherside" data-night="${path}"></div>\n<script async src="https://otherside.localhost/widget.js"></script>`;
}

describe('a whole cold tour', () => {
  let test: TestOrbis;
  let site: SiteOfPages;
  before(async () => {
    test = await startTestOrbis();
    site = await startSiteOfPages();
    for (const path of paths) site.pages.set(path, pageOf(pasted(path)));
    const addresses = paths.map((path) => `<url><loc>${site.address}/${path}</loc></url>`).join('');
    site.pages.set('sitemap.xml', (_request, response) =>
      response
        .writeHead(200, { 'content-type': 'application/xml' })
        .end(`<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${addresses}</urlset>`),
    );
  });
  after(async () => {
    await site.stop();
    await test.stop();
  });

  const placements = async (): Promise<Placement[]> =>
    (await test.client.call('placements.list', { query: { limit: 200 } })).data.items;
  const states = async (): Promise<Record<string, number>> => {
    const counts: Record<string, number> = {};
    for (const { state } of await placements()) counts[state] = (counts[state] ?? 0) + 1;
    return counts;
  };
  const rulesFound = async (): Promise<string[]> =>
    (await test.client.call('findings.list', { query: {} })).data.items.map(({ rule }) => rule);
  /* What holds of a whole site is looked up every ten seconds: what was told meanwhile is solved by then. */
  const nothingWantsAttention = async (): Promise<void> => {
    expect((await rulesFound()).filter((rule) => rule !== 'site-out-of-date')).to.deep.equal([]);
    await until(async () => (await rulesFound()).length === 0);
  };
  /* Pastes what Orbis says where it says, in the place of what stood there. */
  const publish = async ({ id, page }: Pick<Placement, 'id' | 'page'>): Promise<void> => {
    const { snippets, text } = (await test.client.call('deliveries.create', { params: { placement: id } }))
      .data;
    const head = snippets.filter(({ position }) => position === 'page-head').map((each) => snippetText(each));
    site.pages.set(page.slice('fell/'.length), pageOf(text, head.join('\n')));
  };

  it('finds the pages, harvests them, and collects what is there', async () => {
    const { client } = test;
    await client.call('sites.create', { body: { key: 'fell', name: 'Hollin Fell', address: site.address } });
    const response = await client.open('pageSearches.create', {
      params: { site: 'fell' },
      body: { by: 'sitemap' },
    });
    const { pages } = await outcomeOf<FoundPages, object>(response, () => undefined, 'broken off');
    expect(pages.map(({ path }) => path)).to.deep.equal(paths);
    const added = await client.call('pageImports.create', {
      params: { site: 'fell' },
      body: { pages: pages.map(({ path, title }) => ({ path, title: title || path })) },
    });
    expect(added.data).to.deep.equal({ added: 40, known: 0 });
    for (const path of paths) {
      const { data } = await client.call('harvests.create', { body: { address: `${site.address}/${path}` } });
      expect(data.items, path).to.have.length(1);
      await client.call('harvests.take', {
        params: { harvest: data.id },
        body: { items: [{ number: 1, name: path }] },
      });
    }
    const { data } = await client.call('embeds.list', { query: { limit: 200 } });
    expect(data.items.map(({ key }) => key).sort()).to.deep.equal(paths);
  });

  it('registers each where it stands; a sweep knows that its own code is not there yet', async () => {
    const { client } = test;
    for (const path of paths) {
      await client.call('spots.create', { body: { key: `fell/${path}#main` } });
      await client.call('placements.create', { body: { embed: path, place: `fell/${path}#main` } });
    }
    await sweepAll(client);
    const all = await placements();
    expect(all).to.have.length(40);
    // What was pasted before is not what is handed out: nobody takes it for that.
    expect(all.filter(({ state }) => state === 'live')).to.deep.equal([]);
  });

  it('replaces all of it by what the plans say, and sees it live, with nothing that wants attention', async () => {
    const { client } = test;
    for (const each of await placements()) {
      const { steps } = (await client.call('plans.read', { params: { page: each.page } })).data;
      expect(
        steps.map(({ action }) => action),
        each.page,
      ).to.include.oneOf(['paste', 'replace']);
      await publish(each);
    }
    await sweepAll(client);
    expect(await states()).to.deep.equal({ live: 40 });
    await nothingWantsAttention();
  });

  it('changes a colour everywhere, ticks the pages off, and sees all of it live again', async () => {
    const { client } = test;
    await client.call('sites.change', {
      params: { site: 'fell' },
      ifMatch: '*',
      body: { defaults: { any: { 'border': 2, 'border-colour': '#1f4e5f' } as never } },
    });
    const { data: list } = await client.call('changeLists.create', {
      body: { name: 'The new colour', where: 'site=fell state=out-of-date' },
    });
    expect(list.pages).to.equal(40);
    const params = { list: list.id };
    const { items } = (await client.call('changeListPages.list', { params, query: { limit: 200 } })).data;
    for (const { page, work, toDo } of items) {
      expect(toDo, page).to.have.length(1);
      await publish({ id: toDo[0]!.placement, page });
      await client.call('changeListPages.tick', { params: { ...params, page }, body: { work } });
    }
    expect((await client.call('changeLists.read', { params })).data.ticked).to.equal(40);
    await sweepAll(client);
    expect(await states()).to.deep.equal({ live: 40 });
    for (const path of paths) expect(String(site.pages.get(path)), path).to.include('#1f4e5f');
    await nothingWantsAttention();
    const { solved, findings } = (
      await client.call('sweeps.onPage', { params: { page: `fell/${paths[0]!}` }, query: {} })
    ).data.items[0]!;
    expect([solved.length, findings.length]).to.deep.equal([0, 0]);
  });
});
