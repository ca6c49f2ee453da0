import { expect } from 'chai';
import { parseOembed, read, readLinkedPage, type OembedAnswer, type Options } from '@orbis/core';
import { loopbackFetch } from '@orbis/demo';
import { get, type Got } from './support/get.ts';
import { until } from './support/until.ts';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('Orbis as an oEmbed provider', () => {
  let test: TestOrbis;
  let link: string;
  let placement: string;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test);
    const { data: embed } = await test.client.call('embeds.create', {
      body: {
        name: 'Sponsored, do not tell',
        text: talkCode(test.world.port).replace('Opening talk', 'Opening &lt;talk>'),
        options: { start: 112 },
      },
    });
    const { data } = await test.client.call('placements.create', {
      body: { embed: embed.key, place: 'hollinfell/talks#opening' },
    });
    placement = data.id;
    expect(data.served).to.equal(false);
    ({ link } = (await test.client.call('placements.link', { params: { placement } })).data);
  });
  after(() => test.stop());
  const ask = async (parameters: Record<string, string>, at = link): Promise<Got> =>
    get(`${new URL('/oembed', at).href}?${new URLSearchParams(parameters).toString()}`);
  const answer = async (
    parameters: Record<string, string> = {},
    format: 'json' | 'xml' = 'json',
  ): Promise<OembedAnswer> => {
    const { body } = await ask({ url: link, format, ...parameters });
    const parsed = parseOembed(body, format);
    if (!parsed.ok) throw new Error(parsed.reason.code);
    return parsed.answer;
  };
  const change = async (options: Options): Promise<void> => {
    const { etag } = await test.client.call('embeds.read', { params: { embed: 'sponsored-do-not-tell' } });
    await test.client.call('revisions.create', {
      params: { embed: 'sponsored-do-not-tell' },
      ifMatch: etag!,
      body: { options },
    });
  };
  const publish = (code: string) =>
    loopbackFetch()(`http://hollinfell.localhost:${test.world.port}/edit/talks`, {
      method: 'POST',
      redirect: 'manual',
      body: new URLSearchParams({ 'spot-opening': code }).toString(),
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
    });
  const swept = async () => {
    const { data } = await test.client.call('sweeps.create', { body: { page: 'hollinfell/talks' } });
    for (let ended = false; !ended;)
      ended = (await test.client.call('sweeps.read', { params: { sweep: data.id } })).data.endedAt !== null;
    return (await test.client.call('placements.read', { params: { placement } })).data;
  };

  it('serves the document of a placement on a host of its own, framed by its own site only, and names where questions go', async () => {
    expect(link).to.match(/^http:\/\/[0-9a-z]{10}\.frames\.localhost:\d+\/$/);
    const { status, headers, body } = await get(link);
    expect(status).to.equal(200);
    expect(body)
      .to.include('from=112')
      .and.include('<title>Opening &lt;talk&gt;</title>')
      .and.not.include('data-orbis')
      .and.not.include('Sponsored');
    expect(headers['content-security-policy'])
      .to.include(`frame-ancestors http://hollinfell.localhost:${test.world.port} ${test.url}`)
      .and.match(/^sandbox allow-scripts/);
    expect(headers).to.not.have.property('set-cookie');
    const found = readLinkedPage({ html: body, linkHeader: null, base: link }).endpoints;
    expect(found.map(({ format }) => format)).to.deep.equal(['json', 'xml']);
    for (const { href, format } of found) {
      const told = await get(href);
      expect(told.status).to.equal(200);
      const parsed = parseOembed(told.body, format);
      expect(
        parsed.ok && [parsed.answer.type, parsed.answer.title, parsed.answer.width, parsed.answer.height],
      ).to.deep.equal(['video', 'Opening <talk>', 560, 315]);
    }
  });

  it('is shut off from all others by its headers, and sets no cookie', async () => {
    for (const at of [link, `${link}nothing`, new URL('/robots.txt', link).href]) {
      const { headers } = await get(at);
      expect(headers).to.deep.include({
        'origin-agent-cluster': '?1',
        'cross-origin-resource-policy': 'same-origin',
        'x-content-type-options': 'nosniff',
      });
      expect(headers).not.to.have.property('set-cookie');
    }
  });

  it('is not sent again to a visitor who has it, and small to whoever takes it so', async () => {
    const plain = await get(link);
    expect(plain.headers).to.include({ 'cache-control': 'public, max-age=60', 'vary': 'Accept-Encoding' });
    expect(plain.headers).to.not.have.property('content-encoding');
    for (const [accepts, encoding] of [
      ['gzip, deflate, br', 'br'],
      ['gzip', 'gzip'],
    ] as const) {
      const { headers } = await get(link, { headers: { 'accept-encoding': accepts } });
      expect(headers['content-encoding']).to.equal(encoding);
      expect(Number(headers['content-length'])).to.be.below(plain.body.length);
      const again = await get(link, {
        headers: { 'accept-encoding': accepts, 'if-none-match': String(headers['etag']) },
      });
      expect([again.status, again.body, again.headers['etag']]).to.deep.equal([304, '', headers['etag']]);
      expect(again.headers['content-security-policy']).to.equal(plain.headers['content-security-policy']);
      expect((await get(link, { headers: { 'if-none-match': String(headers['etag']) } })).status).to.equal(
        200,
      );
    }
  });

  it('is framed at each address of its site, once they are named', async () => {
    const params = { site: 'hollinfell' };
    const change = async (furtherAddresses: string[]) => {
      const { etag } = await test.client.call('sites.read', { params });
      return test.client.call('sites.change', { params, ifMatch: etag!, body: { furtherAddresses } });
    };
    const { data } = await change([
      'https://www.fell.example/',
      'http://try.fell.example:81/new',
      'https://www.fell.example',
    ]);
    expect(data.furtherAddresses).to.deep.equal([
      'https://www.fell.example',
      'http://try.fell.example:81/new',
    ]);
    const named = `frame-ancestors http://hollinfell.localhost:${test.world.port} https://www.fell.example http://try.fell.example:81 ${test.url};`;
    await until(async () => String((await get(link)).headers['content-security-policy']).includes(named));
    const error = await refusal(change(['https://a.example', 'ftp://b.example']));
    expect([error.code, error.problem.errors?.[0]?.pointer]).to.deep.equal([
      'address-invalid',
      '/furtherAddresses/1',
    ]);
    await change([]);
    await until(
      async () => !String((await get(link)).headers['content-security-policy']).includes('fell.example'),
    );
  });

  it('has an address of its own in each version, where it may be kept for good', async () => {
    const first = await get(link);
    const version = new URL(String(first.headers['content-location']), link).href;
    expect(version).to.match(new RegExp(`^${link}versions/[\\w-]{22}$`));
    const kept = await get(version);
    expect([kept.status, kept.body]).to.deep.equal([200, first.body]);
    expect(kept.headers).to.deep.include({
      'cache-control': 'public, max-age=31536000, immutable',
      'content-security-policy': first.headers['content-security-policy'],
      'etag': first.headers['etag'],
    });
    const none = await get(version.replace(/.$/, (last) => (last === 'A' ? 'B' : 'A')));
    expect([none.status, none.headers['cache-control']]).to.deep.equal([404, 'no-store']);
    await change({ start: 60 });
    await until(async () => (await get(version)).status === 404);
    const { headers } = await get(link);
    expect(headers['content-location']).to.not.equal(first.headers['content-location']);
    await change({ start: 112 });
    await until(async () => (await get(version)).status === 200);
  });

  it('tells content networks how long they may go on with it, and by what it is taken out', async () => {
    const { headers } = await get(link);
    const { hostname } = new URL(link);
    expect(headers).to.include({
      'cdn-cache-control': 'max-age=60, stale-while-revalidate=600, stale-if-error=86400',
      'cache-groups': `"${hostname.split('.')[0]!}"`,
    });
    // Browsers, and whoever keeps it for good, are told nothing of that.
    expect(headers['cache-control']).to.equal('public, max-age=60');
    const version = await get(new URL(String(headers['content-location']), link).href);
    expect(version.headers).to.include({ 'cache-groups': headers['cache-groups'] });
    expect(version.headers).to.not.have.property('cdn-cache-control');
    const none = await get(link.replace(hostname, `nothing.${hostname.split('.').slice(1).join('.')}`));
    expect(none.headers).to.not.have.any.keys('cdn-cache-control', 'cache-groups');
  });

  it('is answered from memory as it is from the database, however it is asked for', async () => {
    const told = ({ headers, ...rest }: Got) => {
      const {
        date,
        'cache-status': status,
        'ratelimit': limit,
        'ratelimit-policy': policy,
        ...others
      } = headers;
      return {
        ...rest,
        headers: { ...others, kept: /; hit;/.test(String(status)), limited: limit !== undefined },
      };
    };
    for (const [headers, changes] of [
      [{}, {}],
      [{ 'accept-encoding': 'br' }, {}],
      // In these ways no browser asks: the app answers.
      [{ 'accept-encoding': 'br;q=1' }, { limited: true }],
      [{ 'cache-control': 'no-cache' }, { limited: true }],
    ] as [Record<string, string>, object][]) {
      // Past what is kept, then from what is: on a busy machine that may be past again meanwhile.
      const answered = async (kept: boolean): Promise<ReturnType<typeof told>> => {
        for (;;) {
          if (!kept) await new Promise((resolve) => setTimeout(resolve, 1100));
          const answer = told(await get(link, { headers }));
          if (answer.headers.kept === kept) return answer;
        }
      };
      const first = await answered(false);
      const second = await answered(true);
      expect(first.headers).to.deep.include({ kept: false, limited: true });
      expect(second, JSON.stringify(headers)).to.deep.equal({
        ...first,
        headers: { ...first.headers, kept: true, limited: false, ...changes },
      });
    }
    const other = link.replace('.frames.', '.elsewhere.');
    expect((await get(link, { headers: { host: new URL(other).host } })).status).to.equal(421);
    expect((await get(link, { method: 'POST' })).status).to.equal(405);
  });

  it('answers in JSON and in XML alike, with a frame no larger than there is room', async () => {
    expect(await answer({}, 'xml')).to.deep.equal(await answer());
    expect(read((await answer()).html!, { sheets: [] }).addresses[0]!.url).to.equal(link);
    for (const [room, width, height] of [
      [{ maxwidth: '320' }, 320, 180],
      [{ maxheight: '90' }, 160, 90],
      [{ maxwidth: '320', maxheight: '90' }, 160, 90],
      [{ maxwidth: '5000' }, 560, 315],
      [{ maxwidth: 'wide', maxheight: '-3' }, 560, 315],
    ] as const) {
      const told = await answer(room);
      expect([told.width, told.height], JSON.stringify(room)).to.deep.equal([width, height]);
      expect(told.html).to.include(`width="${width}" height="${height}"`);
    }
    expect((await answer()).cacheAge).to.be.greaterThan(0);
  });

  it('says 404 of what is none of its links, 501 of other formats, and 400 where no link is named', async () => {
    const strange = link.replace(/\/\/\w{10}/, '//1111111111');
    for (const [parameters, status] of [
      [{ url: strange }, 404],
      [{ url: 'https://elsewhere.localhost/x' }, 404],
      [{ url: link.replace('frames.localhost', 'elsewhere.localhost') }, 404],
      [{ url: 'words' }, 404],
      [{ url: link, format: 'yaml' }, 501],
      [{ url: strange, format: 'yaml' }, 501],
      [{}, 400],
    ] as [Record<string, string>, number][])
      expect((await ask(parameters)).status, JSON.stringify(parameters)).to.equal(status);
    expect((await get(strange)).status).to.equal(404);
  });

  it('has a link for specimens, whose document, script and answer do nothing', async () => {
    const specimen = link.replace(/\/\/\w{10}/, '//0000000000');
    const page = await get(specimen);
    expect([page.status, page.headers['content-security-policy']]).to.deep.equal([
      200,
      "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors *",
    ]);
    expect(page.body).to.include('A specimen: it does nothing').and.not.include('<script');
    const { endpoints } = readLinkedPage({ html: page.body, linkHeader: null, base: specimen });
    expect(endpoints.map(({ href }) => new URL(href).searchParams.get('url'))).to.deep.equal([specimen]);
    const script = await get(`${specimen}specimen.js`);
    expect([script.status, script.body]).to.deep.equal([200, '']);
    for (const format of ['json', 'xml'] as const) {
      const told = parseOembed((await ask({ url: specimen, format })).body, format);
      expect(told.ok && told.answer.html).to.include(`<iframe src="${specimen}"`);
    }
    expect((await ask({ url: specimen, format: 'yaml' })).status).to.equal(501);
  });

  it('shows what is changed later without pasting again, and a sweep knows it by its link', async () => {
    await publish((await answer()).html!);
    const live = await swept();
    expect([live.state, live.served, live.carries, live.findings]).to.deep.equal(['live', true, null, []]);
    await change({ start: 60 });
    await until(async () => (await get(link)).body.includes('from=60'));
    expect((await swept()).state).to.equal('live');
    const { data: delivery } = await test.client.call('deliveries.create', { params: { placement } });
    await publish(`${(await answer()).html!}${delivery.text}`);
    const both = await swept();
    expect([both.state, both.served, both.findings.map(({ rule }) => rule)]).to.deep.equal([
      'live',
      false,
      ['doubled'],
    ]);
    await publish('<p>nothing</p>');
    expect((await swept()).state).to.equal('missing');
  });

  it('serves nothing of an embed that is retired, and again when it is restored', async () => {
    const retire = async (retired: boolean): Promise<void> => {
      const { etag } = await test.client.call('embeds.read', { params: { embed: 'sponsored-do-not-tell' } });
      await test.client.call('embeds.change', {
        params: { embed: 'sponsored-do-not-tell' },
        ifMatch: etag!,
        body: { retired },
      });
    };
    await retire(true);
    await until(async () => (await get(link)).status === 410);
    const { body, headers } = await get(link);
    expect((await ask({ url: link })).status).to.equal(410);
    expect(body).to.match(
      /<html lang="en">[^]*<p>This is no longer shown here\. <a href="[^"]+\/films\/nB4moorNight" target="_blank"[^>]*>Open it at Kinorill<\/a><\/p>/,
    );
    // Where it stood in a frame, it is read in that frame.
    expect(headers['content-security-policy']).to.equal(
      "sandbox allow-popups allow-popups-to-escape-sandbox; default-src 'none'",
    );
    const german = await get(link, { headers: { 'accept-language': 'de-CH, fr;q=0.5' } });
    expect([german.headers['content-language'], german.headers['vary']]).to.deep.equal([
      'de',
      'Accept-Language',
    ]);
    expect(german.body).to.include('Das wird hier nicht mehr gezeigt.').and.include('Bei Kinorill öffnen');
    expect((await get(link, { headers: { 'accept-language': 'cy' } })).body).to.include(
      'This is no longer shown here.',
    );
    expect((await refusal(test.client.call('placements.link', { params: { placement } }))).code).to.equal(
      'embed-retired',
    );
    await retire(false);
    expect((await get(link)).status).to.equal(200);
  });

  it('serves nothing of a placement whose link was never handed out', async () => {
    await test.client.call('spots.create', { body: { key: 'hollinfell/talks#second' } });
    const { data } = await test.client.call('placements.create', {
      body: { embed: 'sponsored-do-not-tell', place: 'hollinfell/talks#second' },
    });
    const guessed = link.replace(placement, data.id);
    expect([(await get(guessed)).status, (await ask({ url: guessed })).status]).to.deep.equal([410, 410]);
  });

  it('serves nothing of a placement that has ended', async () => {
    await test.client.call('placements.delete', { params: { placement }, ifMatch: '*' });
    await until(async () => (await get(link)).status === 410);
    expect((await ask({ url: link })).status).to.equal(410);
    expect((await refusal(test.client.call('placements.read', { params: { placement } }))).code).to.equal(
      'not-found',
    );
  });
});
