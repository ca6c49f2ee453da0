import { expect } from 'chai';
import { URLPattern } from 'urlpattern-polyfill';
import { matchFrame, sheetOfFrame, type AddressPattern } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';

const [sheet] = builtInSheets();
const withPattern = (pattern: AddressPattern) => [{ ...sheet!, frames: [pattern] }];

describe('matching an address with a sheet', () => {
  const patterns: AddressPattern[] = [
    { hostname: 'p.localhost', pathname: '/film/:id' },
    { hostname: 'p.localhost', pathname: '/:id' },
    { hostname: 'p.localhost', pathname: '/a/:id/embed' },
    { hostname: 'p.localhost', pathname: '/v', search: 'item=:id' },
    { hostname: '*.p.localhost', pathname: '/film/:id' },
    { hostname: 'p.localhost', pathname: '/film/:id(\\d+)' },
    { hostname: 'p.localhost', pathname: '/film/:id{/:rest}?' },
    { hostname: 'p.localhost', pathname: '/:show/:id{/b-:look}?' },
    { hostname: 'p.localhost', pathname: '/:show/:id/:rest' },
  ];
  const addresses = [
    '/film/a1',
    '/film/a1/',
    '/film/',
    '/film/17',
    '/film/a%2Fb',
    '/film/ü',
    '/a1',
    '/',
    '/a/x/embed',
    '/a/x/embed/',
    '/v?item=7',
    '/v?item=',
    '/film/a1?x=1#y',
    '/film/a/b',
    '/film/a/b-c',
    '/film/a/b-',
    '/film/a/b-c/d',
  ].flatMap((path) =>
    ['p.localhost', 'q.p.localhost', 'P.localhost:7430', 'other.localhost'].map(
      (host) => `https://${host}${path}`,
    ),
  );
  for (const pattern of patterns) {
    it(`agrees with the standard’s own pattern for ${pattern.hostname}${pattern.pathname}${pattern.search ? `?${pattern.search}` : ''}`, () => {
      const oracle = new URLPattern({ ...pattern });
      for (const address of addresses) {
        const found = oracle.exec(new URL(address).href);
        const group = found?.pathname.groups['id'] ?? found?.search.groups['id'];
        const id = group === undefined ? null : decodeURIComponent(group);
        const sheets = withPattern(pattern);
        expect(matchFrame(address, sheets)?.id ?? null, address).to.equal(id || null);
        expect(sheetOfFrame(address, sheets), address).to.equal(id ? sheets[0] : null);
      }
    });
  }
  it('takes protocol-relative addresses, and nothing that is no http(s) address', () => {
    const sheets = withPattern(patterns[0]!);
    expect(matchFrame('//p.localhost/film/a', sheets)?.id).to.equal('a');
    for (const address of [
      '/film/a',
      'reel/a',
      'ftp://p.localhost/film/a',
      'javascript:p.localhost/film/a',
      '',
      'https://',
      'https://p.localhost@other.localhost/film/a',
    ])
      expect([matchFrame(address, sheets), sheetOfFrame(address, sheets)], address).to.deep.equal([
        null,
        null,
      ]);
    expect(matchFrame('https://user@p.localhost/film/a', sheets)?.id).to.equal('a');
  });
});
