import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import {
  compose,
  codeFromId,
  itemOf,
  learnSheet,
  openCode,
  read,
  renderTemplate,
  type LearnAnswers,
  type Proposal,
  type Options,
  type Sheet,
} from '@orbis/core';
import { sheetSchema } from '@orbis/contract';
import { builtInSheets } from '@orbis/sheets';
import { standInCodes } from './stand-in-codes.ts';

const sheets = builtInSheets();
const others = (provider: string): Sheet[] => sheets.filter(({ id }) => id !== provider);
const codesOf = (provider: string): string[] =>
  standInCodes.find((row) => row.provider === provider)!.codes.map(([, code]) => code);
const learned = (
  provider: string,
  answers: LearnAnswers = {},
  codes = codesOf(provider).slice(0, 3),
): Proposal => {
  const result = learnSheet(codes, { sheets: others(provider), answers });
  if (!result.ok) throw new Error(JSON.stringify(result.problem));
  return result.proposal;
};
const placeOf = (rule: Sheet['settings'][keyof Sheet['settings']]): unknown =>
  rule && [
    rule.in,
    rule.name.replace(/^step.$/, 'show'),
    rule.of ?? 'frame',
    rule.attribute,
    rule.call,
    rule.piece,
  ];

/* "Of the 57 settings …, 49 are recognised" */
function recognisedInDocuments(): number[] {
  const text = readFileSync(new URL('../../docs/provider-sheets.md', import.meta.url), 'utf8');
  const found = /of (\d+) settings of the thirteen providers, (\d+) are recognised/.exec(text);
  return [Number(found?.[2]), Number(found?.[1])];
}

/**
 * What is asked of each, as it is not plain: neither names nor values tell it. Everything else is right
 * without an answer.
 */
const asked: Record<string, LearnAnswers> = {
  kinorill: { roll: 'autoplay', knobs: 'controls', words: 'captions' },
  tonebarn: {
    'kind': 'audio',
    'keep': 'download',
    'skin.slate': 'dark',
    'skin.linen': 'light',
    'begin': 'start',
  },
  folioferry: { take: 'download' },
  hoardinglea: { 'backdrop': 'theme', 'backdrop.pale': 'light', 'backdrop.deep': 'dark' },
  fennfeed: { kind: 'feed' },
  slotsedge: { nights: 'count' },
  formwold: { kind: 'form' },
};

describe('a sheet learned from three codes', () => {
  for (const { provider, codes } of standInCodes) {
    const builtIn = sheets.find(({ id }) => id === provider)!;
    it(`of ${builtIn.name}: gives each back, knows a fourth and its id, and nobody else’s codes`, () => {
      const { sheet, templates, samples } = learned(provider);
      templates.codes.samples.forEach((values, i) =>
        expect(renderTemplate(templates.codes, values)).to.equal(codes[i]![1]),
      );
      expect(samples).to.deep.equal(codes.slice(0, 3).map(([item]) => ({ is: 'code', item })));
      const [item, text] = codes[3]!;
      const held = openCode(text, { sheets: [sheet, ...others(provider)] });
      expect([held.sheet?.id, itemOf(held, sheet)]).to.deep.equal([sheet.id, item]);
      for (const other of standInCodes.filter((row) => row.provider !== provider))
        for (const [, code] of other.codes)
          expect(read(code, { sheets: [sheet] }).sheet, other.provider).to.equal(null);
      expect(sheetSchema.safeParse(sheet).error).to.equal(undefined);
      // The code that it makes of an id alone is one that the provider's real sheet knows, with the same id.
      const made = codeFromId(sheet, 'aB3');
      expect(read(made, { sheets: others('none') }).provider?.id).to.equal(provider);
      expect(itemOf(openCode(made, { sheets: [sheet] }), sheet)).to.equal('aB3');
    });

    it(`of ${builtIn.name}: says nothing wrong of a setting, and asks what is not plain`, () => {
      const before = learned(provider);
      for (const name of before.settings)
        expect(placeOf(before.sheet.settings[name]!), name).to.deep.equal(placeOf(builtIn.settings[name]!));
      const open = before.lines.filter(({ sure }) => !sure).map(({ about }) => about);
      expect(open).to.deep.equal(
        open.filter((about) =>
          Object.keys(asked[provider] ?? {}).some(
            (answer) => answer === about || answer.startsWith(`${about}.`),
          ),
        ),
      );
      for (const { about, means, may } of before.lines.filter(({ what }) => what === 'parameter')) {
        if (means !== null) expect(may, about).to.include(means);
        expect(may, about).to.include('-');
      }
      // Once everything is answered, nothing is open and every setting of the real sheet
      // that the samples show is there.
      const after = learned(provider, asked[provider] ?? {});
      expect(after.lines.filter(({ sure }) => !sure)).to.deep.equal([]);
      const shown = Object.keys(builtIn.settings).filter(
        (name) => !(provider === 'tonebarn' && name === 'account'),
      );
      expect([...after.settings].sort()).to.deep.equal(shown.sort());
    });
  }

  it('does what the provider’s own sheet does, for the settings that both have', () => {
    const asked: Record<string, Options> = {
      kinorill: { start: 12, muted: true, loop: true, language: 'fr', accent: '#123456' },
      mapmere: { zoom: 7, centre: { latitude: 54.1, longitude: -2.2 }, accent: '#123456', language: 'fr' },
      fennfeed: { account: 'moor', count: 9, theme: 'dark', accent: '#123456' },
      slotsedge: { account: 'moor', accent: '#123456', language: 'fr' },
      stallmere: { accent: '#123456', count: 2 },
      tallywren: { account: 'moor', theme: 'dark', language: 'fr' },
    };
    for (const [provider, options] of Object.entries(asked)) {
      const code = codesOf(provider)[3]!;
      const [mine, theirs] = [learned(provider).sheet, sheets.find(({ id }) => id === provider)!].map(
        (sheet) => {
          const { text, problems } = compose(openCode(code, { sheets: [sheet] }), options);
          expect(problems, provider).to.deep.equal([]);
          return text;
        },
      );
      expect(mine, provider).to.equal(theirs);
    }
  });

  it('counts what it recognises without an answer as the documents say', () => {
    const all = standInCodes.flatMap(({ provider }) =>
      Object.keys(sheets.find(({ id }) => id === provider)!.settings),
    );
    const right = standInCodes.flatMap(({ provider }) => learned(provider).settings);
    expect([right.length, all.length]).to.deep.equal(recognisedInDocuments());
  });

  it('learns links too: their pattern, their time, and that they have the codes’ ids', () => {
    const codes = codesOf('kinorill').slice(0, 2);
    const { sheet, samples, lines } = learned('kinorill', {}, [
      ...codes,
      'https://kinorill.localhost/films/nB4moorNight',
      'https://kinorill.localhost/films/xY?at=1m5s',
    ]);
    expect(samples.map(({ is, item }) => [is, item])).to.deep.equal([
      ['code', 'nB4moorNight'],
      ['code', 'cM7comet'],
      ['link', 'nB4moorNight'],
      ['link', 'xY'],
    ]);
    expect(sheet.links).to.deep.equal([{ hostname: 'kinorill.localhost', pathname: '/films/:id' }]);
    expect(lines.find(({ about }) => about === 'link')!.reasons).to.deep.equal([
      { code: 'id-in-codes', facts: {} },
    ]);
    expect(sheet.direct).to.equal('{scheme}://kinorill.localhost{+port}/films/{id}');
  });

  it('refuses with the reason, where nothing can be learned', () => {
    const refusal = (codes: string[], answers: LearnAnswers = {}, known = others('mapmere')) => {
      const result = learnSheet(codes, { sheets: known, answers });
      return result.ok ? null : [result.problem.code, result.problem.facts];
    };
    const [a, b] = codesOf('mapmere') as [string, string];
    expect(refusal([a])).to.deep.equal(['too-few', { found: 1 }]);
    expect(refusal([a, 'some words'])).to.deep.equal(['no-embed', { sample: 2 }]);
    expect(refusal([a, '<p>words</p>'])).to.deep.equal(['nothing-to-know-by', { sample: 2 }]);
    expect(refusal([a, b], {}, sheets)).to.deep.equal(['known', { sample: 1, provider: 'Mapmere' }]);
    expect(
      refusal(['https://gladewick.localhost/decks/a', 'https://gladewick.localhost/decks/b']),
    ).to.deep.equal(['links-only', {}]);
    expect(
      refusal([a, '<iframe src="https://gladewick.localhost/show/a" title="t"></iframe>']),
    ).to.deep.equal(['not-alike', { sample: 2, host: 'gladewick.localhost', first: 'mapmere.localhost' }]);
    expect(refusal([a, a.padEnd(30_000)])).to.deep.equal(['too-long', { sample: 2 }]);
    expect(refusal([a, b], { zoom: 'muted' })![0]).to.equal('answer-does-not-fit');
    expect(refusal([a, b], { kind: 'slide' })![0]).to.equal('answer-does-not-fit');
    expect(refusal([a, b], { item: 'layer' })![0]).to.equal('answer-does-not-fit');
    expect(refusal([a, b], { id: 'Two Words' })![0]).to.equal('answer-does-not-fit');
    expect(refusal([a, b], { zest: 'zoom' })![0]).to.equal('answer-unknown');
  });

  it('follows the owner’s answers: another id, another name, a parameter that is nothing', () => {
    const { sheet, samples } = learned('mapmere', {
      item: 'lat',
      name: 'Moor maps',
      id: 'moor-maps',
      kind: 'map',
      zoom: '-',
    });
    expect([sheet.id, sheet.name, sheet.settings.zoom]).to.deep.equal(['moor-maps', 'Moor maps', undefined]);
    expect(samples.map(({ item }) => item)).to.deep.equal(['54.3712', '54.3804', '54.3651']);
    expect(itemOf(openCode(codesOf('mapmere')[0]!, { sheets: [sheet] }), sheet)).to.equal('54.3712');
    // A name that is taken is not taken again.
    const again = learnSheet(codesOf('mapmere'), {
      sheets: [...others('mapmere'), { ...sheet, id: 'mapmere', frames: [], hosts: ['x.localhost'] }],
    });
    expect(again.ok && again.proposal.sheet.id).to.equal('mapmere-2');
  });
});
