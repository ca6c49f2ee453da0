import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { loopbackFetch } from '@orbis/demo';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';

describe('collecting by link', () => {
  let test: TestOrbis;
  let server: Server;
  let answer: RequestListener = (_q, r) => r.end();
  let elsewhere: string;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    server = createServer((request, response) => answer(request, response));
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    elsewhere = `http://elsewhere.localhost:${(server.address() as AddressInfo).port}`;
  });
  after(async () => {
    server.closeAllConnections();
    server.close();
    await test.stop();
  });
  const on = (host: string, path: string): string => `http://${host}.localhost:${test.world.port}${path}`;
  const collect = async (name: string, text: string, ask = true) =>
    (await test.client.call('embeds.create', { body: { name, text, ask } })).data;
  const size = async (): Promise<number> =>
    (await test.client.call('embeds.list', { query: { limit: 200 } })).data.items.length;
  const html = { 'content-type': 'text/html' };

  it('says first whom it would ask, and asks nobody then', async () => {
    const before = await size();
    let asked = 0;
    answer = (_q, r) => {
      asked++;
      r.writeHead(200, html).end('<p>x</p>');
    };
    const link = async (address: string) =>
      (await test.client.call('links.find', { body: { link: address } })).data;
    const kinorill = await link(on('kinorill', '/films/cM7comet'));
    expect(kinorill.asks.map(({ host }) => host)).to.deep.equal([`kinorill.localhost:${test.world.port}`]);
    expect(kinorill.code).to.include('/film/cM7comet"');
    expect((await link(`${elsewhere}/a`)).asks.map(({ host }) => host)).to.deep.equal([
      new URL(elsewhere).host,
    ]);
    expect((await link(on('fennfeed', '/of/hollinfell'))).asks).to.deep.equal([]);
    expect([asked, await size()]).to.deep.equal([0, before]);
    expect((await refusal(test.client.call('links.find', { body: { link: 'kinorill' } }))).code).to.equal(
      'no-link',
    );
  });

  for (const [name, host, path, title, format] of [
    ['Kinorill', 'kinorill', '/films/cM7comet', 'What a comet leaves behind', 'json'],
    ['Mapmere, which speaks XML only', 'mapmere', '/maps/tarn', 'The tarn, where the festival is', 'xml'],
    ['Tonebarn', 'tonebarn', '/hear/16', 'Under the Fell, 16', 'json'],
    ['Folioferry', 'folioferry', '/charts/winter.pdf', 'winter.pdf', 'json'],
  ] as const) {
    it(`asks a known provider what its link is: ${name}`, async () => {
      const { found, base, reading } = await collect(`By link ${host}`, on(host, path));
      expect(found).to.deep.include({ how: 'sheet', title });
      expect(found!.endpoint).to.include(`format=${format}`);
      expect(base).to.include(`title="${title}"`);
      expect(reading.provider!.id).to.equal(host);
    });
  }

  it('collects without asking where that is asked for, with the time of the link', async () => {
    const { found, base, current } = await collect('Unasked', on('kinorill', '/k/rG5rings?at=1m5s'), false);
    expect([found, current.options]).to.deep.equal([null, { start: 65 }]);
    expect(base).to.include('title="Kinorill video"');
  });

  describe('of a provider that nobody knows', () => {
    const answers: Record<string, (base: string) => [type: string, body: string]> = {
      json: () => [
        'application/json',
        JSON.stringify({
          version: '1.0',
          type: 'video',
          title: 'A film',
          author_name: 'Ida',
          html: '<iframe src="https://films.localhost/e/7" width="480" height="270"></iframe>',
          width: 480,
          height: 270,
          thumbnail_url: 'https://films.localhost/7.jpg',
        }),
      ],
      xml: () => [
        'text/xml',
        '<?xml version="1.0"?><oembed><version>1.0</version><type>photo</type><title>A moor</title><url>https://films.localhost/m.jpg</url><width>40</width><height>30</height></oembed>',
      ],
      link: () => ['application/json', '{"version":"1.0","type":"link","title":"Just a page"}'],
    };
    beforeEach(() => {
      answer = (request, response) => {
        const { pathname, searchParams } = new URL(request.url!, elsewhere);
        const wanted = searchParams.get('kind') ?? 'json';
        if (pathname === '/oembed') {
          const [type, body] = answers[wanted]!(elsewhere);
          return void response.writeHead(200, { 'content-type': type }).end(body);
        }
        const type = wanted === 'xml' ? 'text/xml+oembed' : 'application/json+oembed';
        if (pathname === '/header')
          return void response
            .writeHead(200, { ...html, link: `</oembed?kind=${wanted}>; rel="alternate"; type="${type}"` })
            .end('<title>Page</title>');
        response
          .writeHead(200, html)
          .end(
            `<title>Page &amp; more</title><link rel="alternate" type="${type}" href="/oembed?kind=${wanted}">`,
          );
      };
    });

    it('finds oEmbed by the page, and by its header', async () => {
      const { found, base, current } = await collect('Found in the page', `${elsewhere}/watch/7`);
      expect(found).to.deep.include({
        how: 'oembed',
        title: 'A film',
        author: 'Ida',
        width: 480,
        height: 270,
        endpoint: `${elsewhere}/oembed?kind=json`,
      });
      expect([base, current.options]).to.deep.equal([
        '<iframe src="https://films.localhost/e/7" width="480" height="270"></iframe>',
        { title: 'A film' },
      ]);
      const photo = await collect('Found in the header', `${elsewhere}/header?kind=xml`);
      expect(photo.base).to.equal(
        '<img src="https://films.localhost/m.jpg" width="40" height="30" alt="A moor" loading="lazy">',
      );
    });

    it('frames the page where the answer is only a link, or there is none', async () => {
      const { found, base } = await collect('Framed', `${elsewhere}/watch/7?kind=link`);
      expect(found).to.deep.include({ how: 'page', title: 'Page & more' });
      expect(base).to.include(
        `<iframe src="${elsewhere}/watch/7?kind=link" width="800" height="600" title="Page &amp; more" loading="lazy">`,
      );
    });

    it('follows a redirect, and says where it led', async () => {
      const inner = answer;
      answer = (request, response) =>
        request.url === '/short'
          ? response.writeHead(302, { location: '/watch/7' }).end()
          : inner(request, response);
      expect((await collect('Led on', `${elsewhere}/short`)).found).to.deep.include({
        link: `${elsewhere}/short`,
        url: `${elsewhere}/watch/7`,
        how: 'oembed',
      });
    });
  });

  describe('of a file', () => {
    it('reads type, size, dimensions and length out of its beginning', async () => {
      const site = `http://hollinfell.localhost:${test.world.port}/files`;
      const film = await collect('Film', `${site}/dome-opens.webm#t=12`);
      expect(film.found).to.deep.include({
        how: 'file',
        type: 'video/webm',
        width: 640,
        height: 360,
        length: 300.004,
        bytes: 1_104_989,
        ranges: true,
      });
      expect(film.current.options).to.deep.equal({ start: 12 });
      const late = test.client.call('revisions.create', {
        params: { embed: film.key },
        body: { options: { start: 310 } },
        ifMatch: '*',
      });
      expect((await refusal(late)).message).to.equal('It is 5:00 long: start 5:10 is beyond its end.');
      const sound = await collect('Sound', `${site}/under-the-fell.wav`);
      expect(sound.found).to.deep.include({ type: 'audio/wav', length: 40 });
      expect(sound.base).to.match(/^<audio /);
      const chart = await collect('Chart', `${site}/star-chart.pdf`);
      expect([chart.found!.type, chart.kind]).to.deep.equal(['application/pdf', 'document']);
      const moor = await collect('Moor', `${site}/moor.svg`);
      expect(moor.found).to.deep.include({ type: 'image/svg+xml', width: 640, height: 360 });
    });

    it('believes its bytes, not its name', async () => {
      answer = (_q, r) =>
        r.writeHead(200, { 'content-type': 'application/octet-stream' }).end('%PDF-1.4\n%âãÏÓ\n1 0 obj');
      const found = await collect('Named wrongly', `${elsewhere}/film.mp4`);
      expect([found.found!.type, found.base.startsWith('<iframe ')]).to.deep.equal(['application/pdf', true]);
      answer = (_q, r) =>
        r.writeHead(200, { 'content-type': 'video/mp4' }).end(Buffer.from('504b0304140000000800', 'hex'));
      expect((await refusal(collect('No film', `${elsewhere}/film.mp4`))).code).to.equal('link-not-shown');
    });
  });

  describe('keeps nothing, and says what is the matter', () => {
    for (const [label, listener, code, said] of [
      ['a page that is gone', (_q, r) => r.writeHead(404, html).end(), 'link-unreachable', 'answers 404'],
      [
        'a page that refuses frames',
        (_q, r) => r.writeHead(200, { ...html, 'x-frame-options': 'DENY' }).end('<p>x</p>'),
        'link-refuses-frames',
        'X-Frame-Options',
      ],
      [
        'a policy that refuses them',
        (_q, r) =>
          r.writeHead(200, { ...html, 'content-security-policy': "frame-ancestors 'none'" }).end('x'),
        'link-refuses-frames',
        'lets nobody',
      ],
      ['a connection that breaks', (_q, r) => r.destroy(), 'link-unreachable', 'broke the connection off'],
      [
        'redirects without an end',
        (q, r) => r.writeHead(302, { location: `${q.url}x` }).end(),
        'link-unreachable',
        'more than 5 times',
      ],
      [
        'nonsense where an answer was promised',
        (q, r) =>
          q.url === '/o'
            ? r.writeHead(200).end('{')
            : r.writeHead(200, html).end('<link rel=alternate type=application/json+oembed href=/o>'),
        'link-unreachable',
        'not a JSON object',
      ],
      [
        'another type',
        (_q, r) => r.writeHead(200, { 'content-type': 'application/zip' }).end('PK'),
        'link-not-shown',
        'application/zip',
      ],
    ] as [string, RequestListener, string, string][]) {
      it(label, async () => {
        const before = await size();
        answer = listener;
        const error = await refusal(collect('Nothing', `${elsewhere}/a`));
        expect([error.code, error.message.includes(said)], error.message).to.deep.equal([code, true]);
        expect(await size()).to.equal(before);
      });
    }

    // Of each another reel: an answer that holds for a while is not asked for again.
    for (const [fault, said, reel] of [
      ['gone', 'answers 410', 'nB4moorNight'],
      ['wrong-type', 'not a JSON object', 'tS9turning'],
      ['redirects', 'asked about this link', 'fN2north'],
    ] as const) {
      it(`a known provider that is ${fault}`, async () => {
        const set = (value: string | null) =>
          loopbackFetch()(`http://demo.localhost:${test.world.port}/faults/kinorill`, {
            method: 'PUT',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ fault: value }),
          });
        await set(fault);
        try {
          const error = await refusal(collect('Faulty', on('kinorill', `/films/${reel}`)));
          expect([error.code, error.message.includes(said)], error.message).to.deep.equal([
            'link-unreachable',
            true,
          ]);
          expect(
            (await collect('Faulty, unasked', on('kinorill', '/films/cM7comet'), false)).provider,
          ).to.equal('kinorill');
        } finally {
          await set(null);
        }
      });
    }
  });

  describe('several at once', () => {
    const collectAll = async (links: string[], more: object = {}) =>
      (await test.client.call('links.collect', { body: { links, ask: true, tags: ['several'], ...more } }))
        .data;
    it('makes an embed of each, called as its provider calls it, with what its link asks for', async () => {
      const links = [
        on('kinorill', '/films/rG5rings'),
        on('mapmere', '/maps/moor-road'),
        on('kinorill', '/k/rG5rings?at=1m5s'),
        `http://hollinfell.localhost:${test.world.port}/files/star-chart.pdf`,
      ];
      const { taken, refused } = await collectAll(links);
      expect(refused).to.deep.equal([]);
      expect(taken.map(({ item, link, name }) => [item, link, name])).to.deep.equal([
        [1, links[0], 'Rings, seen through small telescopes'],
        [2, links[1], 'The moor road to the observatory'],
        [3, links[2], 'Rings, seen through small telescopes'],
        [4, links[3], 'Star chart'],
      ]);
      expect(new Set(taken.map(({ embed }) => embed)).size).to.equal(4);
      const { data } = await test.client.call('embeds.read', { params: { embed: taken[2]!.embed } });
      expect([data.current.options, data.tags, data.found!.title]).to.deep.equal([
        { start: 65 },
        ['several'],
        'Rings, seen through small telescopes',
      ]);
    });

    it('collects none where one cannot be, unless that is said; and asks nobody where that is asked for', async () => {
      answer = (_q, r) => r.writeHead(404).end();
      const links = [on('mapmere', '/maps/tarn'), `${elsewhere}/gone`];
      const before = await size();
      const error = await refusal(collectAll(links));
      expect([error.code, error.problem.errors!.map(({ pointer }) => pointer)]).to.deep.equal([
        'import-refused',
        ['/links/1'],
      ]);
      expect(await size()).to.equal(before);
      const some = await collectAll(links, { skipRefused: true });
      expect([
        some.taken.length,
        some.refused.map(({ item, detail }) => [item, detail.includes('answers 404')]),
      ]).to.deep.equal([1, [[2, true]]]);
      let asked = 0;
      answer = () => asked++;
      const unasked = await collectAll([`${elsewhere}/talks/first-light`], { ask: false });
      expect([unasked.taken[0]!.name, asked]).to.deep.equal(['First light', 0]);
      expect((await refusal(collectAll(['words']))).code).to.equal('no-link');
    });

    it('calls one without a name as its provider does, or as its code says', async () => {
      const called = async (text: string, ask = true): Promise<string> =>
        (await test.client.call('embeds.create', { body: { text, ask } })).data.name;
      expect(await called(on('mapmere', '/maps/moor-road'))).to.equal('The moor road to the observatory');
      expect(await called('<iframe src="https://nobody.localhost/a" title="Ten to nine"></iframe>')).to.equal(
        'Ten to nine',
      );
      expect(
        await called(
          '<div class="praisecroft-reviews" data-place="x"></div><script async src="https://praisecroft.localhost/reviews.js"></script>',
        ),
      ).to.equal('Praisecroft reviews');
    });
  });
});
