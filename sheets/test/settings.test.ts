import { expect } from 'chai';
import fc from 'fast-check';
import { adjust, applyEdits, codeFromLink, openCode, read, settings, type Settings, type Sheet } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';

const sheets = builtInSheets();
const seed = 20261123;
const codeOf = (sheet: Sheet, id = 'a1B2'): string => codeFromLink({ sheet, id, url: new URL('https://elsewhere.localhost/') });
const adjusted = (text: string, wishes: Settings): string => {
  const { edits, problems } = adjust(openCode(text, { sheets }), wishes);
  expect(problems).to.deep.equal([]);
  return applyEdits(text, edits);
};

/** Values that a sheet takes for a setting. */
function valuesOf(sheet: Sheet, name: keyof Sheet['settings']): fc.Arbitrary<unknown> {
  const rule = sheet.settings[name]!;
  const { type } = settings.find((setting) => setting.name === name)!;
  switch (type) {
    case 'time':
      return fc.integer({ min: 0, max: 5000 });
    case 'switch':
      return fc.boolean();
    case 'number': {
      const { least = 0, most = 100, whole = false } = rule as { least?: number; most?: number; whole?: boolean };
      return whole ? fc.integer({ min: least, max: most }) : fc.integer({ min: least * 4, max: most * 4 }).map((n) => n / 4);
    }
    case 'choice':
      return fc.constantFrom(...Object.keys((rule as { choices: Record<string, string> }).choices));
    case 'colour':
      return fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
    case 'text':
      return fc.constantFrom('en', 'hollinfell', 'a b', 'ü&"<>', "it's", 'x=1?y#z', '%41', '🌌');
    case 'coordinates':
      return fc.record({ latitude: fc.integer({ min: -85e4, max: 85e4 }).map((n) => n / 1e4), longitude: fc.integer({ min: -18e5, max: 18e5 }).map((n) => n / 1e4) });
  }
}
const wishesOf = (sheet: Sheet): fc.Arbitrary<Settings> =>
  fc
    .record(Object.fromEntries((Object.keys(sheet.settings) as (keyof Sheet['settings'])[]).map((name) => [name, fc.option(valuesOf(sheet, name), { nil: undefined })])))
    .map((record) => Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as Settings)
    // What contradicts itself is refused, and tested where that is the matter.
    .filter((wishes) => !(wishes.autoplay && wishes.muted === false) && !(wishes.start !== undefined && wishes.end !== undefined && wishes.end <= wishes.start));

describe('the settings of every provider', () => {
  for (const sheet of sheets) {
    it(`${sheet.name}: twice is once, in any order, and no wish is no change`, () => {
      const code = codeOf(sheet);
      expect(read(code, { sheets }).provider?.id).to.equal(sheet.id);
      expect(adjusted(code, {})).to.equal(code);
      fc.assert(
        fc.property(wishesOf(sheet), (wishes) => {
          const once = adjusted(code, wishes);
          expect(adjusted(once, wishes), once).to.equal(once);
          expect(adjusted(code, Object.fromEntries(Object.entries(wishes).reverse()))).to.equal(once);
          expect(read(once, { sheets }).provider?.id).to.equal(sheet.id);
        }),
        { seed, numRuns: 120 },
      );
    });
  }

  it('are what the URL standard’s own parser reads in the address, and nothing else of it is touched', () => {
    const framed = sheets.filter((sheet) => Object.values(sheet.settings).some((rule) => rule.in === 'query' && rule.of !== 'loader'));
    expect(framed.length).to.be.at.least(5);
    for (const sheet of framed) {
      const code = codeOf(sheet).replace(/(src="[^"#]*)/, '$1?kept=%7Eé&amp;opaque=!k7!zq2');
      fc.assert(
        fc.property(wishesOf(sheet), (wishes) => {
          const [address] = read(adjusted(code, wishes), { sheets }).addresses;
          const url = new URL(address!.url);
          expect(address!.url).to.include('?kept=%7Eé&opaque=!k7!zq2');
          for (const name of ['account', 'language', 'prefill'] as const) {
            const rule = sheet.settings[name];
            if (wishes[name] !== undefined && rule?.in === 'query') expect(url.searchParams.get(rule.name)).to.equal(wishes[name]);
          }
          const accent = sheet.settings.accent;
          if (wishes.accent !== undefined && accent?.in === 'query')
            expect(url.searchParams.get(accent.name)).to.equal(accent.format === 'rrggbb' ? wishes.accent.slice(1) : wishes.accent);
        }),
        { seed, numRuns: 60 },
      );
    }
  });

  it('stand as attributes that the page reads back, whatever is in them', () => {
    for (const sheet of sheets.filter(({ settings: own }) => own.account?.in === 'attribute')) {
      for (const account of ['a b', 'ü&"<>', "it's", '{{x', '&amp;']) {
        const text = adjusted(codeOf(sheet), { account });
        const element = openCode(text, { sheets }).markup.elements.find((e) => e.attributes.has(sheet.settings.account!.name));
        expect(element?.attributes.value(sheet.settings.account!.name), sheet.name).to.equal(account);
      }
    }
  });

  it('are refused with what the provider takes, where it does not take the value', () => {
    const problem = (id: string, wishes: Settings) => adjust(openCode(codeOf(sheets.find((sheet) => sheet.id === id)!), { sheets }), wishes).problems;
    expect(problem('mapmere', { view: 'moonlit' })).to.deep.equal([
      { wish: 'view', code: 'value-not-offered', facts: { setting: 'view', provider: 'Mapmere', expected: 'map, terrain' } },
    ]);
    expect(problem('praisecroft', { count: 9 })[0]!.facts['expected']).to.equal('a whole number from 1 up to 8');
    expect(problem('mapmere', { page: 3 })[0]!.code).to.equal('setting-not-offered');
    expect(problem('slotsedge', { title: 'x' })[0]!.code).to.equal('part-missing');
  });

  it('go to their own provider’s frame, also where another one stands before it', () => {
    const mapmere = sheets.find((sheet) => sheet.id === 'mapmere')!;
    const other = '<iframe src="https://nobody.localhost/x?zoom=1" title="t"></iframe>';
    const own = codeOf(mapmere);
    expect(adjusted(`${other}\n${own}`, { zoom: 5 })).to.equal(`${other}\n${adjusted(own, { zoom: 5 })}`);
  });

  it('move to the quieter host and back, and leave all else as it is', () => {
    const kinorill = sheets.find((sheet) => sheet.id === 'kinorill')!;
    const code = codeOf(kinorill);
    const quiet = adjusted(code, { privacy: true });
    expect(quiet).to.equal(code.replace('play.kinorill', 'quiet.kinorill'));
    expect(adjusted(quiet, { privacy: false })).to.equal(code);
    expect(adjusted(code, { privacy: false })).to.equal(code);
  });

  it('add the permission that they need, once, beside those that the frame has', () => {
    const kinorill = sheets.find((sheet) => sheet.id === 'kinorill')!;
    const playing = adjusted(codeOf(kinorill), { autoplay: true });
    expect(playing).to.include('allow="fullscreen; autoplay"');
    expect(adjusted(playing, { autoplay: true })).to.equal(playing);
    expect(adjusted(codeOf(kinorill), { autoplay: false })).not.to.include('autoplay');
  });

  it('name and size every frame, and do the sum where the shape is known', () => {
    const text = '<iframe src="https://nobody.localhost/x" width="400" height="300"></iframe>';
    const code = openCode(text, { sheets });
    const { edits, brought } = adjust(code, { title: 'A “fell”', width: 800 });
    expect(applyEdits(text, edits)).to.equal('<iframe title="A “fell”" src="https://nobody.localhost/x" width="800" height="600"></iframe>');
    expect(edits.map(({ reason }) => reason)).to.include('800 px wide in the shape 1.3333:1 is 600 px high.');
    expect(brought.map(({ wish, by }) => [wish, by])).to.deep.equal([['height', 'width']]);
    expect(applyEdits(text, adjust(code, { width: 800, height: 200 }).edits)).to.include('width="800" height="200"');
  });
});
