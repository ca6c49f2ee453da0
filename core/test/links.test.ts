import { formatLink } from '@orbis/contract';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  codeOfOembed,
  fitsScheme,
  framingOf,
  hostsFor,
  oembedAddress,
  offerOembed,
  parseOembed,
  readLinkedPage,
  readProviderList,
  schemeHost,
  withRoom,
  writeOembed,
  type OfferedItem,
  type Size,
} from '@orbis/core';

const xml = (members: string): string =>
  `<?xml version="1.0" encoding="utf-8" standalone="yes"?>\n<oembed>${members}</oembed>`;

describe('an oEmbed answer', () => {
  const video = {
    version: '1.0',
    type: 'video',
    title: 'A “talk” & more',
    html: '<iframe src="https://a.localhost/?x=1&amp;y=2"></iframe>',
    width: 640,
    height: '360',
  };
  it('is the same in JSON and in XML', () => {
    const written = xml(
      Object.entries(video)
        .map(
          ([name, value]) =>
            `<${name}>${String(value).replaceAll('&', '&amp;').replaceAll('<', '&lt;')}</${name}>`,
        )
        .join(''),
    );
    const [json, fromXml] = [parseOembed(JSON.stringify(video), 'json'), parseOembed(written, 'xml')];
    expect(json).to.deep.equal(fromXml);
    expect(json)
      .to.deep.include({ ok: true })
      .and.to.have.property('answer')
      .that.includes({ type: 'video', title: 'A “talk” & more', width: 640, height: 360, html: video.html });
  });

  it('of a photo becomes a picture, of a link nothing', () => {
    const photo = parseOembed(
      JSON.stringify({
        type: 'photo',
        url: 'https://a.localhost/m?a=1&b="2"',
        width: 40,
        height: 30,
        title: 'Moor "at" night',
      }),
      'json',
    );
    expect(photo.ok && codeOfOembed(photo.answer)).to.equal(
      '<img src="https://a.localhost/m?a=1&amp;b=&quot;2&quot;" width="40" height="30" alt="Moor &quot;at&quot; night" loading="lazy">',
    );
    const link = parseOembed('{"type":"link","title":"x"}', 'json');
    expect(link.ok && codeOfOembed(link.answer)).to.equal(null);
  });

  for (const [label, text, format, why] of [
    ['no JSON', '<html>', 'json', /not a JSON object/],
    ['a list', '[]', 'json', /not a JSON object/],
    ['no XML', '<oembed><type>rich</oembed>', 'xml', /not an oEmbed document/],
    ['another document', '<a/>', 'xml', /not an oEmbed document/],
    [
      'entities of its own',
      '<!DOCTYPE o [<!ENTITY a "b">]><oembed><type>link</type></oembed>',
      'xml',
      /not an oEmbed document/,
    ],
    ['a type that is none', '{"type":"dance"}', 'json', /“dance”/],
    ['a video without its code', '{"type":"video","html":" "}', 'json', /no code for it/],
    ['a photo without its picture', '{"type":"photo","url":"javascript:x"}', 'json', /no address of one/],
  ] as const)
    it(`is refused: ${label}`, () => {
      const parsed = parseOembed(text, format);
      expect(parsed.ok ? '' : formatLink(parsed.reason)).to.match(why);
    });

  it('never throws, whatever arrives', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string(), fc.json(), fc.string().map(xml)),
        fc.constantFrom('json' as const, 'xml' as const),
        (text, format) => {
          expect(parseOembed(text, format).ok).to.be.a('boolean');
        },
      ),
      { seed: 5, numRuns: 300 },
    );
  });

  it('is asked for with the link escaped, once', () => {
    const link = 'https://a.localhost/?x=1&y=ü';
    for (const endpoint of [
      'https://a.localhost/oembed',
      'https://a.localhost/oembed?key=1',
      'https://a.localhost/oembed.{format}',
    ]) {
      const url = new URL(oembedAddress(endpoint, link, { format: 'xml', maxWidth: 800 }));
      expect(url.searchParams.get('url')).to.equal(link);
      expect(url.pathname.endsWith('.xml') ? 'xml' : url.searchParams.get('format')).to.equal('xml');
      expect(url.searchParams.get('maxwidth')).to.equal('800');
    }
  });
});

describe('oEmbed discovery', () => {
  const found = (html: string, linkHeader: string | null = null) =>
    readLinkedPage({ html, linkHeader, base: 'https://a.localhost/watch/7' }).endpoints;
  it('finds what the page and its header say, and nothing else', () => {
    const html = `<LINK REL="alternate nofollow" TYPE="application/json+oembed; charset=utf-8" href="/oembed?url=x&amp;format=json">
      <link rel=alternate type=text/xml+oembed href=//b.localhost/o.xml><link rel="alternate" type="application/rss+xml" href="/feed">
      <link rel="stylesheet" type="application/json+oembed" href="/no"><link rel="alternate" type="text/xml+oembed" href="javascript:no">`;
    expect(found(html)).to.deep.equal([
      { href: 'https://a.localhost/oembed?url=x&format=json', format: 'json' },
      { href: 'https://b.localhost/o.xml', format: 'xml' },
    ]);
    expect(
      found(
        html,
        '</header?url=x>; rel="alternate"; type="text/xml+oembed", <https://c.localhost/>; rel="canonical"',
      )[0],
    ).to.deep.equal({
      href: 'https://a.localhost/header?url=x',
      format: 'xml',
    });
    expect(found('<p>x</p>', 'nonsense, <')).to.deep.equal([]);
  });
});

describe('whether a page may be shown in a frame', () => {
  const page = 'https://page.localhost/a';
  for (const [label, headers, by, allowed] of [
    ['nothing said', {}, [], true],
    ['DENY', { frameOptions: 'deny' }, [], false],
    ['SAMEORIGIN, elsewhere', { frameOptions: 'SAMEORIGIN' }, ['https://own.localhost'], false],
    ['SAMEORIGIN, at home', { frameOptions: 'SAMEORIGIN' }, ['https://page.localhost'], true],
    [
      'what browsers ignore',
      { frameOptions: 'ALLOW-FROM https://own.localhost' },
      ['https://other.localhost'],
      true,
    ],
    ['nobody', { policies: ["frame-ancestors 'none'"] }, [], false],
    [
      'anybody, whatever the older header says',
      { policies: ['frame-ancestors *'], frameOptions: 'DENY' },
      [],
      true,
    ],
    ['other directives', { policies: ["default-src 'none'; script-src x"] }, [], true],
    [
      'a site that is named',
      { policies: ['default-src *; FRAME-ANCESTORS https://own.localhost'] },
      ['https://own.localhost'],
      true,
    ],
    [
      'a site that is not',
      { policies: ['frame-ancestors https://own.localhost'] },
      ['https://other.localhost'],
      false,
    ],
    [
      'one of two',
      { policies: ['frame-ancestors https://own.localhost'] },
      ['https://own.localhost', 'https://other.localhost'],
      false,
    ],
    ['below a host', { policies: ['frame-ancestors *.localhost'] }, ['https://own.localhost'], true],
    [
      'the host itself is not below it',
      { policies: ['frame-ancestors *.own.localhost'] },
      ['https://own.localhost'],
      false,
    ],
    ['another port', { policies: ['frame-ancestors own.localhost'] }, ['http://own.localhost:8080'], false],
    ['any port', { policies: ['frame-ancestors own.localhost:*'] }, ['http://own.localhost:8080'], true],
    ['a scheme', { policies: ['frame-ancestors https:'] }, ['https://own.localhost'], true],
    [
      'two policies, both must agree',
      { policies: ['frame-ancestors *', "frame-ancestors 'self'"] },
      ['https://own.localhost'],
      false,
    ],
    [
      'nobody known to show it, and only some may',
      { policies: ['frame-ancestors https://own.localhost'] },
      [],
      false,
    ],
  ] as [string, { frameOptions?: string; policies?: string[] }, string[], boolean][])
    it(label, () => {
      const framing = framingOf({
        page,
        frameOptions: headers.frameOptions ?? null,
        policies: headers.policies ?? [],
        by,
      });
      expect(framing.allowed).to.equal(allowed);
      if (!framing.allowed)
        expect(formatLink(framing.reason)).to.match(/\(frame-ancestors\)|\(X-Frame-Options\)/);
    });
});

describe('a list of oEmbed providers', () => {
  const endpoint = {
    url: 'https://moorreel.localhost/oembed',
    schemes: ['https://moorreel.localhost/watch/*'],
  };
  const list = (...entries: unknown[]) => {
    const read = readProviderList(JSON.stringify(entries));
    if (!read.ok) throw new Error(read.reason.code);
    return read;
  };
  const entry = (endpoints: unknown, more: object = {}) => ({
    provider_name: 'Moorreel',
    provider_url: 'https://moorreel.localhost/',
    endpoints,
    ...more,
  });

  it('makes its endpoints known, with their links and formats', () => {
    const { endpoints, unusable, entries } = list(
      entry([endpoint]),
      entry([{ ...endpoint, schemes: ['https://*.moorreel.localhost/watch/*'] }]),
      entry([
        {
          url: 'https://moorreel.localhost/oembed.{format}',
          schemes: ['http://moorreel.localhost/*'],
          formats: ['json', 'XML'],
          discovery: true,
        },
      ]),
      {
        ...entry([{ url: 'https://tarncast.localhost/o.xml', schemes: ['https://tarncast.localhost/*'] }]),
        provider_name: 'Tarncast',
        provider_url: 'nowhere',
      },
    );
    expect([entries, unusable]).to.deep.equal([4, []]);
    const site = 'https://moorreel.localhost/';
    expect(endpoints).to.deep.equal([
      {
        provider: 'Moorreel',
        site,
        url: endpoint.url,
        schemes: [...endpoint.schemes, 'https://*.moorreel.localhost/watch/*'],
        formats: ['json'],
      },
      {
        provider: 'Moorreel',
        site,
        url: 'https://moorreel.localhost/oembed.{format}',
        schemes: ['http://moorreel.localhost/*'],
        formats: ['json', 'xml'],
      },
      {
        provider: 'Tarncast',
        site: '',
        url: 'https://tarncast.localhost/o.xml',
        schemes: ['https://tarncast.localhost/*'],
        formats: ['xml'],
      },
    ]);
  });

  for (const [label, given, what, why] of [
    ['no object', 7, 'entry', /not an object/],
    ['no name', { ...entry([endpoint]), provider_name: ' ' }, 'provider_name', /no name/],
    ['no endpoints', entry([]), 'endpoints', /names none/],
    ['no address', entry([{ schemes: ['https://a.localhost/*'] }]), 'url', /not the address/],
    [
      'an address of another kind',
      entry([{ ...endpoint, url: 'ftp://a.localhost/' }]),
      'ftp://a.localhost/',
      /not the address/,
    ],
    [
      'no links',
      entry([{ url: endpoint.url, discovery: true }]),
      endpoint.url,
      /found by what their own pages say/,
    ],
    [
      'another format',
      entry([{ ...endpoint, formats: ['yaml'] }]),
      endpoint.url,
      /neither in JSON nor in XML/,
    ],
    [
      'links of another kind',
      entry([{ ...endpoint, schemes: ['reel:*'] }]),
      'reel:*',
      /only links with http/,
    ],
    [
      'a star within a name',
      entry([{ ...endpoint, schemes: ['https://*reel.localhost/*'] }]),
      'https://*reel.localhost/*',
      /before its first dot/,
    ],
    [
      'a star at the end of a host',
      entry([{ ...endpoint, schemes: ['https://reel.*/x'] }]),
      'https://reel.*/x',
      /before its first dot/,
    ],
    [
      'all hosts of a domain',
      entry([{ ...endpoint, schemes: ['https://*.localhost/*'] }]),
      'https://*.localhost/*',
      /too much/,
    ],
    ['a number for a pattern', entry([{ ...endpoint, schemes: [4] }]), '', /not a pattern/],
  ] as [string, unknown, string, RegExp][])
    it(`says what cannot be used, and takes the rest: ${label}`, () => {
      const { endpoints, unusable } = list(given, { ...entry([endpoint]), provider_name: 'Other' });
      expect(unusable[0]).to.include({ entry: 1, what });
      expect(formatLink(unusable[0]!.reason)).to.match(why);
      expect(endpoints.map(({ provider }) => provider)).to.deep.equal(['Other']);
    });

  it('is refused whole where it is no list', () => {
    for (const text of ['', '{}', '[', 'words']) expect(readProviderList(text).ok, text).to.equal(false);
    expect(list()).to.deep.equal({ ok: true, entries: 0, endpoints: [], unusable: [] });
  });

  for (const [link, scheme, fits] of [
    ['https://a.localhost/watch/7', 'https://a.localhost/watch/*', true],
    ['http://a.localhost/watch/7?x=1#y', 'https://a.localhost/watch/*', true],
    ['https://a.localhost/watch', 'https://a.localhost/watch/*', false],
    ['https://b.a.localhost/x', 'https://*.a.localhost/*', true],
    ['https://a.localhost/x', 'https://*.a.localhost/*', false],
    ['https://evila.localhost/x', 'https://*.a.localhost/*', false],
    ['https://A.localhost/x', 'https://a.LOCALHOST/x', true],
    ['https://a.localhost/X', 'https://a.localhost/x', false],
    ['https://a.localhost:8080/x', 'https://a.localhost/x', false],
    ['https://a.localhost:8080/x', 'https://a.localhost:8080/*', true],
    ['https://a.localhost/', 'https://a.localhost', true],
    ['https://a.localhost/u/me/s/one', 'https://a.localhost/u/*/s/*', true],
    ['https://a.localhost/u/me/t/one', 'https://a.localhost/u/*/s/*', false],
    ['ftp://a.localhost/x', 'https://a.localhost/x', false],
    ['https://other.localhost/?https://a.localhost/watch/7', 'https://a.localhost/watch/*', false],
    ['https://a.localhost@other.localhost/watch/7', 'https://a.localhost/watch/*', false],
  ] as const)
    it(`${fits ? 'knows' : 'does not know'} ${link} by ${scheme}`, () => {
      expect(fitsScheme(link, scheme)).to.equal(fits);
      if (fits) expect(hostsFor(new URL(link).hostname)).to.include(schemeHost(scheme));
    });

  it('matches stars as a regular expression would, however many there are', () => {
    const path = fc
      .array(fc.constantFrom('a', 'b', '/', 'ab', '-'), { maxLength: 8 })
      .map((parts) => parts.join(''));
    const pattern = fc
      .array(fc.constantFrom('a', 'b', '/', '*', '**', 'ab'), { maxLength: 6 })
      .map((parts) => parts.join(''));
    fc.assert(
      fc.property(path, pattern, (text, stars) => {
        const oracle = new RegExp(`^/${stars.replaceAll('*', '[^]*')}$`).test(
          new URL(`https://a.localhost/${text}`).pathname,
        );
        expect(fitsScheme(`https://a.localhost/${text}`, `https://a.localhost/${stars}`)).to.equal(oracle);
      }),
      { seed: 20261123, numRuns: 2000 },
    );
    expect(
      fitsScheme(`https://a.localhost/${'a'.repeat(20_000)}`, `https://a.localhost/${'*a'.repeat(200)}*b`),
    ).to.equal(false);
  });
});

describe('a page behind a link', () => {
  const read = (html: string) => readLinkedPage({ html, linkHeader: null, base: 'https://a.localhost/x' });
  for (const [html, title] of [
    ['<title>A &amp; B</title>', 'A & B'],
    ['<TITLE lang=en>\n A\t B \n</TITLE>', 'A B'],
    ['<title></title>', null],
    ['<p>no title</p>', null],
    ['<!-- <title>no</title> --><title>yes</title>', 'yes'],
    ['<script>"<title>no</title>"</script><title>yes</title><title>no</title>', 'yes'],
    ['<title>never closed', 'never closed'],
    ['<title><b>as it is</b></title>', '<b>as it is</b>'],
  ] as const)
    it(`is called as its title says: ${html}`, () => expect(read(html).title).to.equal(title));
  it('is called no longer than what anybody reads', () => {
    expect(read(`<title>${'x'.repeat(9000)}</title>`).title).to.have.length(500);
    expect(
      read('<title>T</title><link rel="alternate" type="application/json+oembed" href="/o?url=x">').endpoints,
    ).to.deep.equal([{ href: 'https://a.localhost/o?url=x', format: 'json' }]);
  });
});

describe('an answer that Orbis gives', () => {
  const px = (value: number) => ({ value, unit: 'px' as const });
  const size = (
    width: number | null,
    height: number | null,
    ratio = width && height ? width / height : null,
  ): Size => ({
    width: width === null ? null : px(width),
    height: height === null ? null : px(height),
    ratio,
  });
  const item: OfferedItem = {
    address: 'https://x.frames.example/?a=1&b="2"',
    title: 'A “talk” <b>',
    kind: 'video',
    size: size(560, 315),
    column: 728,
    allow: ['fullscreen', 'autoplay'],
    provider: { name: 'Hollin Fell', url: 'https://hollinfell.localhost' },
    thumbnail: null,
    cacheAge: 60,
  };
  for (const [label, given, room, width, height] of [
    ['as its code says', size(560, 315), {}, 560, 315],
    ['in less width', size(560, 315), { maxWidth: 280 }, 280, 158],
    ['in less height', size(560, 315), { maxHeight: 100 }, 178, 100],
    ['in hardly any', size(560, 315), { maxWidth: 1, maxHeight: 1 }, 1, 1],
    ['as wide as its spot', size(null, null), {}, 728, 546],
    ['as high as it says, at any width', size(null, 152), { maxWidth: 300 }, 300, 152],
    ['no higher than there is room', size(null, 900), { maxHeight: 400 }, 728, 400],
    ['by its shape alone', size(null, null, 0.5625), { maxHeight: 900 }, 506, 900],
    [
      'a share of its place',
      { width: { value: 100, unit: '%' as const }, height: px(152), ratio: null },
      {},
      728,
      152,
    ],
  ] as [string, Size, { maxWidth?: number; maxHeight?: number }, number, number][])
    it(`is as large as it is: ${label}`, () => {
      const offer = offerOembed({ ...item, size: given }, room);
      expect([offer.width, offer.height]).to.deep.equal([width, height]);
      expect(offer.html).to.include(`width="${width}" height="${height}"`);
    });

  it('is read back as it was meant, in both formats', () => {
    for (const given of [
      item,
      {
        ...item,
        kind: 'map' as const,
        allow: [],
        thumbnail: { url: 'https://x.localhost/t.jpg', width: 40, height: 30 },
      },
    ]) {
      const offer = offerOembed(given, {});
      for (const format of ['json', 'xml'] as const) {
        const parsed = parseOembed(writeOembed(offer, format), format);
        if (!parsed.ok) throw new Error(parsed.reason.code);
        expect(parsed.answer).to.deep.include({
          type: given.kind === 'video' ? 'video' : 'rich',
          title: item.title,
          provider: 'Hollin Fell',
          width: 560,
          height: 315,
          cacheAge: 60,
          html: offer.html,
        });
        expect(parsed.answer.thumbnail).to.deep.equal(given.thumbnail);
      }
      expect(offer.html)
        .to.include('src="https://x.frames.example/?a=1&amp;b=&quot;2&quot;"')
        .and.include(given.allow.length > 0 ? 'allow="fullscreen; autoplay"' : 'loading="lazy" style');
    }
  });

  it('is asked for with how much room there is', () => {
    expect(
      oembedAddress('https://a.localhost/o.{format}?key=1', 'https://b.localhost/?x=1&y', {
        format: 'xml',
        maxWidth: 300,
      }),
    ).to.equal('https://a.localhost/o.xml?key=1&url=https%3A%2F%2Fb.localhost%2F%3Fx%3D1%26y&maxwidth=300');
    expect(withRoom('https://a.localhost/o?url=x', {})).to.equal('https://a.localhost/o?url=x');
    expect(withRoom('https://a.localhost/o?url=x&maxwidth=9', { maxWidth: 3, maxHeight: 4 })).to.equal(
      'https://a.localhost/o?url=x&maxwidth=3&maxheight=4',
    );
  });
});
