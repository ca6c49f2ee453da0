/* A page is looked at as a visitor looks at it: what shows, what jumps, what loads before anybody allowed it,
   what plays, and what a form sends. */
import { createHash } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Duplex } from 'node:stream';
import { expect } from 'chai';
import sharp from 'sharp';
import { outcomeOf, type KeptFinding, type Look } from '@orbis/contract';
import { refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from './support/site-of-pages.ts';

/* The page’s scripts take away what a look could ask it by. */
const hostile = `<script>
  document.querySelectorAll = () => []; document.querySelector = () => null;
  Element.prototype.getBoundingClientRect = () => ({ left: 7, top: 7, width: 7, height: 7 });
  JSON.stringify = () => '"fooled"'; globalThis.orbis = 'fooled';
</script>`;

describe('a look at a page with what is placed on it', () => {
  let test: TestOrbis;
  let own: SiteOfPages;
  let provider: Server;
  let port = 0;
  const opened: Duplex[] = [];
  const sent: string[] = [];
  let first: Look;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes', ORBIS_LOOKS_KEPT: '9' } });
    own = await startSiteOfPages();
    provider = createServer((request, response) => {
      const path = new URL(request.url!, 'http://x').pathname;
      if (request.method === 'POST') sent.push(path);
      const html = (text: string, headers = {}): void =>
        void response.writeHead(200, { 'content-type': 'text/html', ...headers }).end(text);
      if (path === '/empty') html('<!doctype html><title>Nothing</title>');
      else if (path === '/refuses') html('<p>No', { 'x-frame-options': 'DENY' });
      else if (path === '/grows.js')
        response.writeHead(200, { 'content-type': 'text/javascript' }).end(
          `setTimeout(() => { document.getElementById('grows').innerHTML = '<div style="height:500px;background:linear-gradient(red,blue)">High</div>'; }, 400);
           console.error('the widget is not well'); new Image().src = 'http://counts.localhost:${port}/pixel.gif';
           setTimeout(() => { throw new Error('and breaks') }, 10);`,
        );
      else
        html(
          `<!doctype html><title>Map</title><body style="background:repeating-linear-gradient(45deg,teal,tan 20px)">Map`,
        );
    });
    provider.on('upgrade', ({ headers }, socket) => {
      const accept = createHash('sha1')
        .update(`${headers['sec-websocket-key']}258EAFA5-E914-47DA-95CA-C5AB0DC85B11`)
        .digest('base64');
      const answer = ['Upgrade: websocket', 'Connection: Upgrade', `Sec-WebSocket-Accept: ${accept}`];
      socket.write(`HTTP/1.1 101 Switching Protocols\r\n${answer.join('\r\n')}\r\n\r\n`);
      opened.push(socket);
      // What a client sends is masked; closing is no text (RFC 6455, section 5.2).
      socket.on('data', (data: Buffer) => {
        if ((data[0]! & 0x0f) === 1) sent.push('a message');
      });
      socket.on('error', () => undefined);
    });
    await new Promise<void>((resolve) => provider.listen(0, '127.0.0.1', resolve));
    ({ port } = provider.address() as AddressInfo);
    await test.client.call('sites.create', {
      body: { key: 'hollinfell', name: 'Hollin Fell', address: own.address },
    });
  });
  after(async () => {
    for (const socket of opened) socket.destroy();
    provider.closeAllConnections();
    provider.close();
    await own.stop();
    await test.stop();
  });

  /* A page on which these codes stand, as they are handed out. */
  async function published(
    path: string,
    embeds: readonly { name: string; text: string; options?: object }[],
    around = (codes: string): string => pageOf(codes + '<p>Words behind it.</p>'.repeat(30)),
  ): Promise<Map<string, string>> {
    const { client } = test;
    await client.call('pages.create', { body: { key: `hollinfell/${path}`, title: path } });
    const placements = new Map<string, string>();
    const codes: string[] = [];
    for (const [i, { name, text, options = {} }] of embeds.entries()) {
      await client.call('spots.create', {
        body: { key: `hollinfell/${path}#s${i}`, widths: { phone: 358, tablet: 736, desktop: 760 } },
      });
      const { key } = (await client.call('embeds.create', { body: { name, text, options } as never })).data;
      const { id } = (
        await client.call('placements.create', { body: { embed: key, place: `hollinfell/${path}#s${i}` } })
      ).data;
      const { text: code } = (await client.call('deliveries.create', { params: { placement: id } })).data;
      codes.push(code);
      placements.set(name, id);
    }
    own.pages.set(path, around(codes.join('\n')));
    return placements;
  }
  const look = async (path: string, body: { sendForms?: boolean } = {}): Promise<[Look, number[]]> => {
    const widths: number[] = [];
    const response = await test.client.open('looks.take', { params: { page: `hollinfell/${path}` }, body });
    const done = await outcomeOf<Look, { width: number }>(response, ({ width }) => widths.push(width), 'off');
    return [done, widths];
  };
  const placedIn = ({ placed }: Look, name: string) => placed.find(({ embedName }) => embedName === name)!;
  const open = async (path: string): Promise<KeptFinding[]> =>
    (await test.client.call('findings.list', { query: { limit: 200 } })).data.items.filter(
      ({ page }) => page === `hollinfell/${path}`,
    );

  it('sees what shows at three widths, and finds it again in pictures of the page', async () => {
    await published(
      'map',
      [
        {
          name: 'Map',
          text: `<iframe src="http://maps.localhost:${port}/map" width="600" height="300" title="Map"></iframe>`,
        },
      ],
      (codes) => pageOf(codes, hostile),
    );
    const [seen, widths] = await look('map');
    first = seen;
    expect(widths).to.deep.equal([390, 768, 1280]);
    expect(seen.widths.map(({ width }) => width)).to.deep.equal([390, 768, 1280]);
    const map = placedIn(seen, 'Map');
    expect(map.widths.map(({ shows, box }) => [shows, box?.width, box?.height])).to.deep.equal([
      [true, 604, 304],
      [true, 604, 304],
      [true, 604, 304],
    ]);
    expect(map.before).to.deep.include({ requests: 1, hosts: [`maps.localhost:${port}`] });
    expect(map.before.bytes).to.be.greaterThan(100);
    expect(map.after).to.deep.include({ requests: 0, hosts: [] });
    expect((await open('map')).map(({ rule }) => rule)).to.deep.equal(['wider-than-window']);
    const answer = await fetch(`${test.url}/api/v1/looks/${seen.id}/pictures/390`, {
      headers: { authorization: `Bearer ${test.token}` },
    });
    expect(answer.headers.get('content-type')).to.equal('image/webp');
    const picture = sharp(Buffer.from(await answer.arrayBuffer()));
    expect((await picture.metadata()).width).to.equal(390);
    // The outline is drawn where the map is.
    const { left, top } = map.widths[0]!.box!;
    const { data } = await picture
      .extract({ left: left + 200, top: top + 1, width: 1, height: 1 })
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([data[0]! > data[1]!, data[2]! > data[1]!], String([...data])).to.deep.equal([true, true]);
  });

  it('says what is empty, what was refused, what makes the page jump, and what scripts say', async () => {
    await published('odd', [
      {
        name: 'Empty',
        text: `<iframe src="http://maps.localhost:${port}/empty" width="300" height="150" title="Empty"></iframe>`,
      },
      {
        name: 'Refused',
        text: `<iframe src="http://maps.localhost:${port}/refuses" width="300" height="150" title="Refused"></iframe>`,
      },
      {
        name: 'Grows',
        text: `<div id="grows" class="reviews"></div>\n<script src="http://reviews.localhost:${port}/grows.js"></script>`,
      },
    ]);
    const [seen] = await look('odd');
    expect(placedIn(seen, 'Empty').widths.map(({ shows }) => shows)).to.deep.equal([false, false, false]);
    expect(placedIn(seen, 'Refused').widths.map(({ shows }) => shows)).to.deep.equal([false, false, false]);
    const grows = placedIn(seen, 'Grows');
    expect(grows.widths.map(({ shows }) => shows)).to.deep.equal([true, true, true]);
    expect(
      grows.widths.every(({ moved }) => moved > 0.1),
      JSON.stringify(grows.widths),
    ).to.equal(true);
    expect(grows.before.hosts).to.deep.equal([`counts.localhost:${port}`, `reviews.localhost:${port}`]);
    expect(seen.complaints.map(({ code, host }) => [code, host.split(':')[0]])).to.deep.include.members([
      ['frame-refused', 'maps.localhost'],
      ['said', 'reviews.localhost'],
      ['broke', 'reviews.localhost'],
    ]);
    expect(seen.complaints.find(({ code }) => code === 'said')?.message).to.contain(
      '“the widget is not well”',
    );
    const found = (await open('odd')).map(({ rule, embedName }) => `${embedName}: ${rule}`).sort();
    expect(found).to.deep.equal(['Empty: shows-nothing', 'Grows: moves-page', 'Refused: shows-nothing']);
    // What is mended is solved by the next look.
    own.pages.set(
      'odd',
      own.pages
        .get('odd')!
        .toString()
        .replaceAll('/empty', '/map')
        .replaceAll('/refuses', '/map')
        .replace('class="reviews"', 'class="reviews" style="min-height:520px"'),
    );
    await look('odd');
    expect(await open('odd')).to.deep.equal([]);
  });

  it('plays a film from where it is to begin up to where it is to stop', async () => {
    await published('talk', [
      { name: 'Talk', text: talkCode(test.world.port), options: { start: 112, end: 184, fit: 'shape' } },
    ]);
    const [seen] = await look('talk');
    const { playing, widths } = placedIn(seen, 'Talk');
    expect(widths.map(({ shows }) => shows)).to.deep.equal([true, true, true]);
    expect(playing).to.deep.include({ began: 'pressed', stops: true });
    expect(playing!.from).to.be.within(111.5, 116);
    expect(await open('talk')).to.deep.equal([]);
  });

  it('sees that nothing is loaded before somebody clicks, and what is loaded then', async () => {
    await published('later', [
      {
        name: 'Later',
        text: `<iframe src="http://maps.localhost:${port}/map" width="300" height="150" title="Map"></iframe>`,
        options: { load: 'click' },
      },
    ]);
    const [seen] = await look('later');
    expect(placedIn(seen, 'Later')).to.deep.include({
      waits: true,
      before: { requests: 0, bytes: 0, hosts: [] },
    });
    expect(placedIn(seen, 'Later').after.hosts).to.deep.equal([`maps.localhost:${port}`]);
    expect(await open('later')).to.deep.equal([]);
    // Somebody has put it onto the page once more, as it was.
    own.pages.set(
      'later',
      own.pages
        .get('later')!
        .toString()
        .replace('<p>Words', `<iframe src="http://maps.localhost:${port}/map" hidden></iframe><p>Words`),
    );
    await look('later');
    expect((await open('later')).map(({ rule, facts }) => [rule, facts['host']])).to.deep.equal([
      ['loads-early', `maps.localhost:${port}`],
    ]);
  });

  it('sends a form only where it is told to, and to nobody', async () => {
    await published('form', [
      {
        name: 'Letter',
        text: `<form action="http://letters.localhost:${port}/send" method="post"><label>Your address <input type="email" name="mail" required></label><input name="trap" style="display:none"><button>Sign up</button></form><img src="http://letters.localhost:${port}/map" alt=""><script>const line = new WebSocket('ws://letters.localhost:${port}/line'); document.addEventListener('input', ({ target }) => line.send(target.value), true)</script>`,
      },
    ]);
    expect(placedIn((await look('form'))[0], 'Letter').sent).to.equal(null);
    const [seen] = await look('form', { sendForms: true });
    expect(placedIn(seen, 'Letter').sent).to.deep.equal({
      isSent: true,
      host: `letters.localhost:${port}`,
      method: 'POST',
      fields: ['mail', 'trap'],
    });
    // Nor by a line that was open before.
    expect(opened.length).to.be.greaterThan(0);
    expect(sent).to.deep.equal([]);
  });

  it('names the pages that load most from others, the heaviest first, by their newest look', async () => {
    const { items } = (await test.client.call('looks.heaviest', { query: { site: 'hollinfell' } })).data;
    const pages = items.map(({ page }) => page.split('/')[1]);
    expect(new Set(pages).size).to.equal(pages.length);
    expect(pages[0]).to.equal('talk');
    expect(items[0]).to.deep.include({ title: 'talk', hosts: 1 });
    const bytes = items.map((each) => each.bytes);
    expect(bytes).to.deep.equal([...bytes].sort((a, b) => b - a));
    expect((await test.client.call('looks.heaviest', { query: { limit: 1 } })).data.items).to.deep.equal([
      items[0],
    ]);
  });

  it('waits for a pop-up, and takes a picture of the window with it', async () => {
    await published('popup', [
      {
        name: 'Friends',
        text: `<script async src="http://js.popplenook.localhost:${test.world.port}/popup.js"></script>\n<div class="popplenook-popup" data-campaign="friends-of-the-fell" data-after="2"></div>`,
      },
    ]);
    const [seen] = await look('popup');
    expect(seen.hasPopUp).to.equal(true);
    expect(placedIn(seen, 'Friends')).to.deep.include({ kind: 'popup', findings: [] });
    const answer = await fetch(`${test.url}/api/v1/looks/${seen.id}/pictures/popup`, {
      headers: { authorization: `Bearer ${test.token}` },
    });
    const { width, height } = await sharp(Buffer.from(await answer.arrayBuffer())).metadata();
    expect([width, height]).to.deep.equal([1280, 800]);
  });

  it('keeps so many looks, the newest first, and lets pictures go with the others', async () => {
    const { client } = test;
    const list = async (path: string) =>
      (await client.call('looks.list', { params: { page: `hollinfell/${path}` }, query: {} })).data.items;
    expect([...(await list('form')), ...(await list('later'))].length).to.equal(4);
    expect((await list('map')).length).to.equal(1);
    for (let i = 0; i < 2; i += 1) await look('map');
    // Nine in all: what was seen first is gone, whatever page it was of.
    expect((await list('map')).length).to.equal(2);
    const gone = first.id;
    expect((await refusal(client.call('looks.read', { params: { look: gone } }))).code).to.equal('not-found');
    const answer = await fetch(`${test.url}/api/v1/looks/${gone}/pictures/1280`, {
      headers: { authorization: `Bearer ${test.token}` },
    });
    expect(answer.status).to.equal(404);
  });
});
