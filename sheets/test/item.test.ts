import { expect } from 'chai';
import fc from 'fast-check';
import { compose, codeFromId, itemOf, openCode, type Sheet } from '@orbis/core';
import { parseSheet, writeSheet } from '@orbis/contract';
import { builtInSheets } from '@orbis/sheets';

const sheets = builtInSheets();
const providers = sheets.filter(({ files, pages }) => !files && !pages);
const named = (id: string): Sheet => sheets.find((sheet) => sheet.id === id)!;
const item = (text: string, sheet: Sheet): string | null => itemOf(openCode(text, { sheets }), sheet);

describe('the item that a code shows', () => {
  for (const sheet of providers)
    it(`of ${sheet.name} is the id that its code was made of, and none of anybody else’s`, () => {
      fc.assert(
        fc.property(fc.stringMatching(/^[A-Za-z0-9][A-Za-z0-9_-]{0,20}$/), (id) => {
          const code = codeFromId(sheet, id);
          expect(item(code, sheet)).to.equal(id);
          for (const other of providers)
            if (other !== sheet) expect(item(code, other), other.id).to.equal(null);
        }),
        { seed: 20261123, numRuns: 20 },
      );
    });

  for (const [label, text, provider, id] of [
    [
      'with parameters behind it',
      '<iframe src="https://play.kinorill.localhost/film/nB4?from=3#t"></iframe>',
      'kinorill',
      'nB4',
    ],
    ['on the quieter host', '<iframe src="//quiet.kinorill.localhost/film/nB4"></iframe>', 'kinorill', 'nB4'],
    [
      'escaped',
      '<iframe src="https://mapmere.localhost/embed/moor%20road%2F2"></iframe>',
      'mapmere',
      'moor road/2',
    ],
    [
      'with another step behind it',
      '<iframe src="https://tonebarn.localhost/podcast/fell/17/skin-slate"></iframe>',
      'tonebarn',
      '17',
    ],
    [
      'in the second frame',
      '<iframe src="https://nobody.localhost/x"></iframe><iframe src="https://mapmere.localhost/embed/tarn"></iframe>',
      'mapmere',
      'tarn',
    ],
    [
      'in an attribute, whatever its quotes',
      "<div data-of='a&amp;b' class=fennfeed-stream></div><script src=https://fennfeed.localhost/embed.js></script>",
      'fennfeed',
      'a&b',
    ],
    [
      'among other parameters of its script',
      '<script src="https://count.tallywren.localhost/w.js?paper=dark&amp;site=moor&amp;tongue=de"></script>',
      'tallywren',
      'moor',
    ],
    [
      'of an element of another name',
      '<section class="praisecroft-reviews" data-place="x"></section>',
      'praisecroft',
      null,
    ],
    [
      'of another script',
      '<script src="https://elsewhere.localhost/w.js?site=moor"></script>',
      'tallywren',
      null,
    ],
    ['of nothing', '<p>words</p>', 'stallmere', null],
  ] as const)
    it(`is found ${label}`, () => expect(item(text, named(provider))).to.equal(id));

  it('stays the same, whatever is set', () => {
    for (const sheet of providers.filter(({ settings }) => settings['accent'])) {
      const code = codeFromId(sheet, 'aB3');
      const { text } = compose(openCode(code, { sheets }), { accent: '#123456' });
      expect(item(text, sheet), sheet.id).to.equal('aB3');
    }
  });
});

describe('a sheet written as a file', () => {
  it('is the same sheet when it is read, with the order of its settings, and its remarks are only remarks', () => {
    for (const sheet of sheets) {
      const text = writeSheet(sheet, ['one: {two} # three', 'with\nid: another']);
      const read = parseSheet(text, 'x');
      expect(read).to.deep.equal(sheet);
      expect(Object.keys(read.settings)).to.deep.equal(Object.keys(sheet.settings));
      expect(text.split('\n').slice(0, 3)).to.deep.equal([
        '# one: {two} # three',
        '# with id: another',
        `id: ${sheet.id}`,
      ]);
    }
  });
});
