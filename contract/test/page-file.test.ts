import { expect } from 'chai';
import fc from 'fast-check';
import { pageKey, PageListInvalid, pagesInList, pathOnSite, titleOfPath } from '@orbis/contract';

const site = { address: 'https://site.example', name: 'The site' };

describe('a list of pages', () => {
  for (const [address, of, expected] of [
    ['https://site.example/talks', site.address, { path: 'talks' }],
    ['https://site.example', site.address, { path: '' }],
    ['http://site.example/talks/#next', site.address, { path: 'talks/' }],
    ['/talks', site.address, { path: 'talks' }],
    ['/', site.address, { path: '' }],
    ['https://SITE.example/Ä b', site.address, { path: '%C3%84%20b' }],
    ['https://site.example/fell/talks', 'https://site.example/fell', { path: 'talks' }],
    ['https://site.example/fell', 'https://site.example/fell', { path: '' }],
    ['/talks', 'https://site.example/fell', { path: 'talks' }],
    ['https://site.example/fells', 'https://site.example/fell', { why: 'elsewhere' }],
    ['https://other.example/talks', site.address, { why: 'elsewhere' }],
    ['https://site.example:444/talks', site.address, { why: 'elsewhere' }],
    ['https://me@site.example/talks', site.address, { why: 'elsewhere' }],
    ['https://site.example/talks?page=2', site.address, { why: 'question' }],
    ['https://site.example/a//b', site.address, { why: 'odd' }],
    [`https://site.example/${'a'.repeat(341)}`, site.address, { why: 'odd' }],
    ['talks', site.address, { why: 'odd' }],
    ['https://', site.address, { why: 'odd' }],
  ] as const)
    it(`knows ${address.slice(0, 60)} on ${of}`, () => {
      expect(pathOnSite(address, [of])).to.deep.equal(expected);
    });

  it('knows pages at any address of the site', () => {
    const both = ['https://site.example', 'https://www.site.example:444/new'];
    expect(pathOnSite('https://www.site.example:444/new/talks', both)).to.deep.equal({ path: 'talks' });
    expect(pathOnSite('https://www.site.example:444/new/talks?a', both)).to.deep.equal({ why: 'question' });
    expect(pathOnSite('https://www.site.example/talks', both)).to.deep.equal({ why: 'elsewhere' });
    expect(pathOnSite('/talks', both)).to.deep.equal({ path: 'talks' });
  });

  it('makes keys only that a page can have, of whatever address', () => {
    fc.assert(
      fc.property(fc.oneof(fc.webUrl(), fc.string(), fc.webPath()), (text) => {
        const place = pathOnSite(text, ['https://site.example']);
        if ('path' in place) expect(pageKey.safeParse(`site/${place.path}`).success).to.equal(true);
      }),
    );
  });

  for (const [path, title] of [
    ['', 'The site'],
    ['talks', 'Talks'],
    ['a/open-day_2.html', 'Open day 2'],
    ['a/%C3%84rger/', 'Ärger'],
    ['a/%zz', '%zz'],
  ] as const)
    it(`calls ${path || 'the home page'} “${title}”`, () => {
      expect(titleOfPath(path, site.name)).to.equal(title);
    });

  it('has an address a line', () => {
    expect(
      pagesInList(
        '\uFEFFhttps://site.example/\r\n# more\n\n /open-day \nhttps://site.example/open-day',
        site,
      ),
    ).to.deep.equal([
      { path: '', title: 'The site' },
      { path: 'open-day', title: 'Open day' },
    ]);
  });

  it('is a table as well', () => {
    expect(pagesInList('Address;Title\n/talks;"Talks; all"\nhttps://site.example/map;', site)).to.deep.equal([
      { path: 'talks', title: 'Talks; all' },
      { path: 'map', title: 'Map' },
    ]);
  });

  for (const [text, message] of [
    [
      '/talks\nhttps://other.example/',
      'Line 2: “https://other.example/” is no page of https://site.example.',
    ],
    ['/talks?page=2', 'Line 1: “/talks?page=2” has a question mark'],
    ['talks', 'Line 1: “talks” is no address: write it as https://…'],
    ['path,title\n/a,A\nb,B', 'Row 3: “b” is no address'],
    ['path,title\n/a', 'This is no table of pages: line 2: a row has more or fewer fields'],
  ] as const)
    it(`says what is wrong: ${message.slice(0, 40)}`, () => {
      expect(() => pagesInList(text, site)).to.throw(PageListInvalid, message);
    });
});
