import { expect } from 'chai';
import { OrbisError } from '@orbis/contract';
import { sweepAll } from '@orbis/demo';
import { FetchFailure } from '../src/fetching/failure.ts';
import { textWithBrowser } from '../src/sweeping/with-browser.ts';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from './support/site-of-pages.ts';

/* A page that shows nothing before its script has run, which puts this there. */
const builtOf = (html: string): string =>
  `<!doctype html><html><head><title>Fell</title></head><body><div id="app"></div><script>document.getElementById('app').innerHTML = ${JSON.stringify(html).replaceAll('<', '\\u003c')}</script></body></html>`;

describe('a page that its scripts build', () => {
  let test: TestOrbis;
  let site: SiteOfPages;
  let id: string;
  let code: string;
  let withBrowser = 0;
  before(async () => {
    test = await startTestOrbis();
    site = await startSiteOfPages();
    const { client } = test;
    await client.call('sites.create', { body: { key: 'fell', name: 'Fell', address: site.address } });
    await client.call('pages.create', { body: { key: 'fell/talks', title: 'Talks' } });
    await client.call('spots.create', { body: { key: 'fell/talks#main' } });
    const text = `<iframe src="${site.address}/film" title="Film" allow="fullscreen"></iframe>`;
    await client.call('embeds.create', { body: { name: 'Film', text } });
    ({ id } = (
      await client.call('placements.create', { body: { embed: 'film', place: 'fell/talks#main' } })
    ).data);
    ({ text: code } = (await client.call('deliveries.create', { params: { placement: id } })).data);
    site.pages.set('film', '<p>Film</p>');
  });
  after(async () => {
    await site.stop();
    await test.stop();
  });

  const publish = (html: string): void =>
    void site.pages.set('talks', (request, response) => {
      if (/chrome/i.test(request.headers['user-agent'] ?? '')) withBrowser++;
      response.writeHead(200, { 'content-type': 'text/html' }).end(html);
    });
  const seen = async (): Promise<{ state: string; rules: string[] }> => {
    withBrowser = 0;
    await sweepAll(test.client);
    const { state } = (await test.client.call('placements.read', { params: { placement: id } })).data;
    const { items } = (await test.client.call('findings.list', { query: {} })).data;
    return { state, rules: items.map(({ rule }) => rule) };
  };
  const render = (rendered: boolean): Promise<unknown> =>
    test.client.call('sites.change', { params: { site: 'fell' }, ifMatch: '*', body: { rendered } });

  it('says nothing of what is placed there, as long as nobody wants a browser to look', async () => {
    publish(builtOf(pageOf(code)));
    expect(await seen()).to.deep.equal({ state: 'unreachable', rules: ['built-by-scripts'] });
    expect(withBrowser).to.equal(0);
  });

  it('is read with a browser where its site says so', async () => {
    await render(true);
    expect(await seen()).to.deep.equal({ state: 'live', rules: [] });
    expect(withBrowser).to.equal(1);
    publish(builtOf(pageOf(code.replace(' allow="fullscreen"', ''))));
    expect(await seen()).to.deep.equal({ state: 'altered', rules: ['altered'] });
  });

  it('has its embed missing where a browser does not see it either', async () => {
    publish(builtOf(pageOf('')));
    expect(await seen()).to.deep.equal({ state: 'missing', rules: ['missing'] });
    publish(builtOf(''));
    expect(await seen()).to.deep.equal({ state: 'unreachable', rules: ['built-by-scripts'] });
  });

  it('needs no browser where all of it is there without', async () => {
    publish(pageOf(code));
    expect(await seen()).to.deep.equal({ state: 'live', rules: [] });
    expect(withBrowser).to.equal(0);
  });

  it('cannot be read where no browser can show it, and that is said', async () => {
    const missing = { work: () => Promise.reject(new OrbisError('browser-missing')) };
    const error = await textWithBrowser(missing, site.address, []).catch((reason: unknown) => reason);
    expect(error).to.be.instanceOf(FetchFailure);
    expect((error as FetchFailure).message).to.include('Chromium');
  });
});
