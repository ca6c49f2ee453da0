/* Pages come in every encoding that browsers read, said in whatever way: what is on them is seen all the
   same. */
import { expect } from 'chai';
import fc from 'fast-check';
import iconv from 'iconv-lite';
import { lookAtPage } from '@orbis/core';
import { decodePage } from '../src/fetching/decode.ts';

/* Each with letters that it has, and that are other bytes in UTF-8. */
const encodings = [
  ['utf-8', 'äßéΩя星🌌'],
  ['utf-16le', 'äßéΩя星🌌'],
  ['utf-16be', 'äßéΩя星🌌'],
  ['windows-1252', 'äßéœ€'],
  ['iso-8859-2', 'őžšČ'],
  ['windows-1251', 'яжЩё'],
  ['koi8-r', 'яжЩё'],
  ['shift_jis', '星図カ'],
  ['euc-jp', '星図カ'],
  ['gb18030', '星图你'],
  ['big5', '星圖你'],
  ['euc-kr', '별하늘'],
] as const;

/* How a page says what it is in (HTML, section 13.2.3.2); one of two bytes a letter only by its mark. */
const ways = ['mark', 'header', 'meta', 'old-meta'] as const;
const isWide = (name: string): boolean => name.startsWith('utf-16');

function published(
  name: string,
  way: (typeof ways)[number],
  html: (head: string) => string,
): { bytes: Buffer; type: string } {
  const head =
    way === 'meta'
      ? `<meta charset="${name}">`
      : way === 'old-meta'
        ? `<meta http-equiv="content-type" content="text/html; charset=${name}">`
        : '';
  return {
    bytes: iconv.encode(html(head), name, { addBOM: way === 'mark' }),
    type: way === 'header' ? `text/html; charset=${name}` : 'text/html',
  };
}

describe('a page in any encoding', () => {
  for (const [name, letters] of encodings)
    it(`is read as browsers read it: ${name}`, () => {
      const words = fc
        .array(fc.constantFrom(...letters, ' ', 'a', '&'), { minLength: 1, maxLength: 12 })
        .map((all) => `x${all.join('')}x`);
      const possible = isWide(name) ? (['mark', 'header'] as const) : name === 'utf-8' ? ways : ways.slice(1);
      fc.assert(
        fc.property(words, words, fc.constantFrom(...possible), (title, around, way) => {
          const escaped = title.replaceAll('&', '&amp;');
          const code = `<iframe src="https://play.kinorill.localhost/film/a" title="${escaped}" data-orbis="0000000001.1"></iframe>`;
          const page = (of: string) => (head: string) =>
            `<!doctype html><html><head>${head}<title>${escaped}</title></head><body><p>${around.replaceAll('&', '&amp;')}</p>${of}</body></html>`;
          const look = (of: string) => {
            const { bytes, type } = published(name, way, page(of));
            return lookAtPage(decodePage(bytes, type), {
              ...{ address: 'https://hollinfell.localhost/', inHead: [], needed: [] },
              expected: [{ placement: '0000000001', seenBefore: true, issued: new Map([[1, code]]) }],
            }).placements[0]!;
          };
          expect(look(code)).to.deep.include({ state: 'live', findings: [] });
          expect(look(code.replace('title="x', 'title="y')).state).to.equal('altered');
          expect(look('').state).to.equal('missing');
        }),
        { numRuns: 150 },
      );
    });
});
