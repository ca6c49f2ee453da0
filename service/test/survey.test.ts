import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import sharp from 'sharp';
import type { Client, PageSurvey } from '@orbis/contract';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';

/* A page with two columns, of which phones get one. It takes everything away that a look could ask it by. */
const published = `<!doctype html><title>Moor</title>
<style>
  body { margin: 0 } header { height: 60px }
  .columns { display: flex } main { flex: 1; padding: 0 20px; min-width: 0 } #side { width: 300px; padding: 10px; box-sizing: border-box }
  @media (max-width: 500px) { #side { display: none } }
  .tall { height: 9000px }
</style>
<header>Moor</header>
<div class="columns">
  <main><p>Words.</p><div class="slot slot-12345"></div><div class="tall"><b>high</b></div></main>
  <aside id="side"><p>Beside.</p></aside>
</div>
<script>
  document.querySelectorAll = () => [];
  document.querySelector = () => null;
  Element.prototype.getBoundingClientRect = () => ({ left: 7, top: 7, width: 7, height: 7 });
  JSON.stringify = () => '"fooled"';
  globalThis.orbis = 'fooled';
</script>`;

describe('a look at a published page', () => {
  let test: TestOrbis;
  let server: Server;
  const page = 'moor/start';
  const call: Client['call'] = (name, options) => test.client.call(name, options);
  const survey = async (selector?: string): Promise<PageSurvey> =>
    (
      await call('pageSurveys.create', {
        params: { page },
        body: selector === undefined ? {} : { selector },
      })
    ).data;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    server = createServer(({ url }, response) => {
      response.writeHead(url === '/start' ? 200 : 404, { 'content-type': 'text/html' }).end(published);
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const address = `http://moor.localhost:${(server.address() as AddressInfo).port}`;
    await call('sites.create', { body: { key: 'moor', name: 'Moor', address } });
    for (const path of ['start', 'gone'])
      await call('pages.create', { body: { key: `moor/${path}`, title: path } });
  });
  after(async () => {
    server.closeAllConnections();
    server.close();
    await test.stop();
  });

  it('says which elements can hold an embed, and how wide each is on three devices', async () => {
    const { areas, picture, url } = await survey();
    expect(url).to.match(/^http:\/\/moor\.localhost:\d+\/start$/);
    expect(areas.map(({ selector, widths }) => [selector, ...Object.values(widths)])).to.deep.equal([
      ['body', 390, 768, 1280],
      ['header', 390, 768, 1280],
      ['.columns', 390, 768, 1280],
      ['main', 350, 428, 940],
      ['.tall', 350, 428, 940],
      ['#side', null, 280, 280],
    ]);
    expect(areas.map(({ words }) => words)).to.include.members(['Moor', 'Words. high', 'Beside.']);
    expect(areas[5]!.box).to.include({ left: 980, top: 60, width: 300 });
    // A page can be as high as it likes, a picture cannot.
    expect([picture.width, picture.height]).to.deep.equal([1280, 6000]);
    const { width, height } = await sharp(Buffer.from(picture.data, 'base64')).metadata();
    expect([width, height]).to.deep.equal([1280, 6000]);
  });

  it('measures one element that is named, also one that is empty yet', async () => {
    const { areas } = await survey('main > .slot');
    expect(areas.map(({ selector, widths }) => [selector, widths])).to.deep.equal([
      ['main > .slot', { phone: 350, tablet: 428, desktop: 940 }],
    ]);
  });

  it('finds the spots that say where they are, and says which it does not find', async () => {
    const side = { key: `${page}#side`, selector: 'aside:nth-child(2)', heights: { desktop: 250 } };
    const { data } = await call('spots.create', { body: side });
    expect(data).to.deep.include({ selector: side.selector, heights: { desktop: 250 } });
    await call('spots.create', { body: { key: `${page}#old`, selector: ':unheard-of(main)' } });
    await call('spots.create', { body: { key: `${page}#unsaid` } });
    const { spots, areas } = await survey();
    expect(areas.at(-1)!.selector).to.equal('aside:nth-child(2)');
    expect(spots.map(({ key, area }) => [key, area?.selector])).to.deep.equal([
      [`${page}#side`, side.selector],
      [`${page}#old`, undefined],
    ]);
  });

  for (const [what, ask, code, words] of [
    ['nothing is there', () => survey('.nowhere'), 'selector-finds-nothing', '“.nowhere”'],
    ['it is no selector', () => survey('main >'), 'bad-request', 'is not a CSS selector'],
    [
      'the page cannot be read',
      () => call('pageSurveys.create', { params: { page: 'moor/gone' }, body: {} }),
      'page-unreadable',
      '404',
    ],
    [
      'there is no such page',
      () => call('pageSurveys.create', { params: { page: 'moor/never' }, body: {} }),
      'not-found',
      'moor/never',
    ],
  ] as const)
    it(`is refused in words where ${what}`, async () => {
      const { problem } = await refusal(ask());
      expect(problem.code).to.equal(code);
      expect(JSON.stringify(problem)).to.include(words);
    });

  it('what it told is kept with a spot, and comes back with what is taken back', async () => {
    const spot = `${page}#side`;
    const { etag } = await call('spots.read', { params: { spot } });
    const widths = { phone: 300, tablet: 300, desktop: 728 };
    const body = { widths, heights: { phone: 50 }, selector: 'main' };
    await call('spots.change', { params: { spot }, body, ifMatch: etag! });
    const last = async () => (await call('changes.list', { query: { limit: 1 } })).data.items[0]!;
    await call('changes.undo', { params: { change: (await last()).id }, body: {} });
    const { data: back } = await call('spots.read', { params: { spot } });
    expect([back.selector, back.heights]).to.deep.equal(['aside:nth-child(2)', { desktop: 250 }]);
    await call('spots.delete', { params: { spot }, ifMatch: '*' });
    await call('changes.undo', { params: { change: (await last()).id }, body: {} });
    expect((await call('spots.read', { params: { spot } })).data).to.deep.include({
      selector: 'aside:nth-child(2)',
      heights: { desktop: 250 },
    });
  });
});
