import { expect } from 'chai';
import fc from 'fast-check';
import { linksOfPage, readSitemap, withoutSiteName } from '@orbis/core';

const list = (tag: 'urlset' | 'sitemapindex', entry: string, addresses: readonly string[]): string =>
  `<?xml version="1.0"?><${tag} xmlns="urn:x">${addresses
    .map((address) => `<${entry}>\n<loc> ${address} </loc><lastmod>2026-11-01</lastmod></${entry}>`)
    .join('')}</${tag}>`;

describe('the pages of a site', () => {
  const [one, two] = ['https://site.example/', 'https://site.example/talks?of=a&b=c'];
  const written = two.replace('&', '&amp;');
  for (const [name, text, expected] of [
    ['pages', list('urlset', 'url', [one, written, one]), { kind: 'pages', addresses: [one, two] }],
    ['one page', list('urlset', 'url', [one]), { kind: 'pages', addresses: [one] }],
    ['no page', '<urlset/>', { kind: 'pages', addresses: [] }],
    ['further files', list('sitemapindex', 'sitemap', [one]), { kind: 'index', addresses: [one] }],
    [
      'prefixes',
      `<s:urlset xmlns:s="urn:x"><s:url><s:loc>${one}</s:loc></s:url></s:urlset>`,
      { kind: 'pages', addresses: [one] },
    ],
    [
      'what is no address',
      list('urlset', 'url', ['talks', 'javascript:1', one]),
      { kind: 'pages', addresses: [one] },
    ],
    ['a list of lines', `\uFEFF${one}\r\n\r\n${two}\n`, { kind: 'pages', addresses: [one, two] }],
    ['a list with another line', `${one}\nAnd more`, null],
    ['a page', '<!doctype html><html><body><p>Not found</body></html>', null],
    ['another document', '<feed><entry/></feed>', null],
    ['a broken one', '<urlset><url><loc>https://site.example/', null],
    ['one with entities of its own', `<!DOCTYPE x [<!ENTITY a "b">]>${list('urlset', 'url', ['&a;'])}`, null],
    ['nothing', ' ', null],
  ] as const)
    it(`are read from a sitemap: ${name}`, () => {
      expect(readSitemap(text)).to.deep.equal(expected);
    });

  it('are those that were written into one, whatever they are', () => {
    const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll("'", '&apos;');
    fc.assert(
      fc.property(
        fc.array(fc.webUrl({ withQueryParameters: true, withFragments: true }), { maxLength: 20 }),
        (urls) => {
          const expected = [...new Set(urls.map((url) => new URL(url).href))];
          expect(readSitemap(list('urlset', 'url', urls.map(escaped)))?.addresses).to.deep.equal(expected);
        },
      ),
    );
  });

  it('lead to others, by links that are resolved as browsers do', () => {
    const page = `<title>Talks\n &amp; more</title><base href="/deep/"><a href="a">A</a><a href=" /b#c ">B</a><a href="/b">B</a>
<area href="//other.example/d"><a href="mailto:x@y.example">M</a><a>None</a><a href="http://[">Odd</a><link href="/no">`;
    expect(linksOfPage(page, 'https://site.example/x')).to.deep.equal({
      title: 'Talks & more',
      addresses: ['https://site.example/deep/a', 'https://site.example/b', 'https://other.example/d'],
    });
    expect(linksOfPage('<p>Nothing', 'https://site.example/')).to.deep.equal({ title: null, addresses: [] });
  });

  for (const [titles, expected] of [
    [
      ['Hollin Fell', 'Talks · Hollin Fell', 'A night - or two · Hollin Fell'],
      ['Hollin Fell', 'Talks', 'A night - or two'],
    ],
    [
      ['Fell | Talks', 'Fell | Map'],
      ['Talks', 'Map'],
    ],
    [['Talks · Hollin Fell'], ['Talks · Hollin Fell']],
    [
      ['One - a', 'Two - b', 'Three'],
      ['One - a', 'Two - b', 'Three'],
    ],
    [[], []],
  ] as const)
    it(`are called without the name of the site: ${titles.join(', ')}`, () => {
      expect(withoutSiteName(titles)).to.deep.equal(expected);
    });
});
