import { expect } from 'chai';
import type { Sheet } from '@orbis/core';
import {
  formatOptions,
  optionWords,
  OrbisError,
  parseOptions,
  parseSheet,
  SheetInvalid,
} from '@orbis/contract';
import { builtInSheets } from '@orbis/sheets';

const sheets = builtInSheets();
const sheet = (id: string): Sheet => sheets.find((known) => known.id === id)!;

describe('options of sheets, as people type and read them', () => {
  it('are read with the sheets that may declare them', () => {
    expect(parseOptions(['counts=visitors', 'zoom=3'], [sheet('tallywren')])).to.deep.equal({
      counts: 'visitors',
      zoom: 3,
    });
    expect(parseOptions(['fennfeed.layout=grid', 'only=mirror, fox', 'gap=8'], sheets)).to.deep.equal({
      'fennfeed.layout': 'grid',
      'only': ['mirror', 'fox'],
      'gap': '8px',
    });
  });

  it('are asked back where two sheets mean different things by a name, and not where they mean the same', () => {
    const code = (word: string): string => {
      try {
        parseOptions([word], sheets);
        return 'read';
      } catch (error) {
        return (error as OrbisError).code;
      }
    };
    expect(
      ['layout=grid', 'fennfeed.layout=grid', 'counts=visits', 'cuonts=visits', 'counts=seals'].map(code),
    ).to.deep.equal(['option-ambiguous', 'read', 'read', 'option-unknown', 'value-invalid']);
    expect(() => parseOptions(['layout=grid'], sheets)).to.throw(
      '“layout” is not the same with Fennfeed, Praisecroft. Say whose you mean, such as fennfeed.layout.',
    );
    expect(() => parseOptions(['cuonts=visits'], sheets)).to.throw('Did you mean “counts”?');
  });

  it('are written so that they can be typed again, also where no sheet is at hand', () => {
    const asked = {
      'only': ['mirror', 'fox'],
      'gap': '8px',
      'counts': 'visitors',
      'zoom': 3,
      'parameter.hue': '1',
    };
    const line = formatOptions(asked).map(({ name, value }) => `${name}=${value}`);
    expect(line).to.deep.equal([
      'zoom=3',
      'counts=visitors',
      'gap=8px',
      'only=mirror, fox',
      'parameter.hue=1',
    ]);
    expect(parseOptions(line, sheets)).to.deep.equal(asked);
  });

  it('have the words of their sheet', () => {
    expect(optionWords('counts', sheet('tallywren')))
      .to.include({ label: 'Counts' })
      .and.nested.include({ 'words.visitors': 'Visitors' });
    expect(optionWords('counts').label).to.equal('counts');
  });
});

describe('options in a sheet’s file', () => {
  const counts = {
    type: 'choice',
    label: 'Counts',
    explain: 'What it counts.',
    example: 'heads',
    in: 'query',
    name: 'tells',
    of: 'loader',
    choices: { heads: 'h' },
  };
  const faults = (options: object): string => {
    try {
      parseSheet(JSON.stringify({ ...sheet('tallywren'), options }), 'own.json');
      return '';
    } catch (error) {
      return (error as SheetInvalid).faults.map(({ path, problem }) => `${path}: ${problem}`).join('\n');
    }
  };

  it('are taken where each says what it is, where it goes and how it is called', () =>
    expect(faults({ counts })).to.equal(''));

  for (const [label, options, fault] of [
    ['a name of Orbis’s own', { zoom: counts }, 'options/zoom: Orbis has an option “zoom” for all providers'],
    ['a name that nobody could type', { 'What it counts': counts }, 'options/What it counts'],
    ['a type that there is not', { counts: { ...counts, type: 'mood' } }, 'options/counts/type'],
    ['no words for it', { counts: { ...counts, explain: '' } }, 'options/counts/explain'],
    [
      'an example that is none',
      { counts: { ...counts, example: 'tails' } },
      'options/counts/example: “tails” is no value of it',
    ],
    [
      'a label for what is no choice',
      { counts: { ...counts, labels: { tails: 'Tails' } } },
      'options/counts/labels/tails',
    ],
    ['no attribute that holds its JSON', { counts: { ...counts, in: 'json' } }, 'options/counts: in JSON'],
    [
      'something to shut out that is not there',
      { counts: { ...counts, excludes: ['mood'] } },
      'options/counts/excludes: there is no setting “mood”',
    ],
  ] as const) {
    it(`are refused with ${label}`, () => expect(faults(options)).to.include(fault));
  }
});
