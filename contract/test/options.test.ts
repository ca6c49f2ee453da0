import { expect } from 'chai';
import {
  formatOptions,
  optionsSchema,
  OrbisError,
  parseOptions,
  parsePlace,
  writePlace,
} from '@orbis/contract';

describe('options as people type them', () => {
  it('become canonical values, and come back the same', () => {
    const options = parseOptions([
      'start=1:52',
      'end=1h',
      'autoplay=yes',
      'controls=off',
      'fit=shape',
      'shape=9:16',
      'max-width=800px',
      'share=62.5%',
      'align=Centre',
      'parameter.hue=a=b ',
    ]);
    const canonical = {
      'start': 112,
      'end': 3600,
      'autoplay': true,
      'controls': false,
      'fit': 'shape',
      'shape': { width: 9, height: 16 },
      'max-width': 800,
      'share': 62.5,
      'align': 'centre',
      'parameter.hue': 'a=b ',
    };
    expect(options).to.deep.equal(canonical);
    expect(parseOptions(formatOptions(options).map(({ name, value }) => `${name}=${value}`))).to.deep.equal(
      options,
    );
    expect(optionsSchema.parse(options)).to.deep.equal(options);
  });

  it('may be several in one word', () => {
    expect(parseOptions(['fit=9:16', 'max-width=360'])).to.deep.equal({
      'fit': 'shape',
      'shape': { width: 9, height: 16 },
      'max-width': 360,
    });
    expect(() => parseOptions(['fit=16'])).to.throw(OrbisError, 'fit=shape');
  });

  for (const [word, code] of [
    ['begin=3', 'option-unknown'],
    ['parameter.=3', 'option-unknown'],
    ['parameter.hue', 'value-invalid'],
    ['start', 'value-invalid'],
    ['share=0', 'value-invalid'],
    ['share=101', 'value-invalid'],
    ['max-width=wide', 'value-invalid'],
    ['shape=16', 'value-invalid'],
    ['loop=maybe', 'value-invalid'],
  ] as const) {
    it(`refuse ${word}`, () =>
      expect(() => parseOptions([word]))
        .to.throw(OrbisError)
        .with.property('code', code));
  }
});

describe('options as they cross a wire', () => {
  for (const [label, options] of [
    ['a name that no option can have', { 'Begin at': 3 }],
    ['a name of three parts', { 'a.b.c': 3 }],
    ['a value that no option has', { counts: { visits: 1 } }],
    ['a value of another type', { start: '1:52' }],
    ['a number beyond the limits', { 'max-width': 0 }],
    ['a parameter without a name', { 'parameter.': 'x' }],
    ['a parameter that is no text', { 'parameter.hue': 12 }],
    [
      'more parameters than anybody sets by hand',
      Object.fromEntries(Array.from({ length: 51 }, (_, i) => [`parameter.p${i}`, 'x'])),
    ],
  ] as const) {
    it(`are refused with ${label}`, () => expect(optionsSchema.safeParse(options).success).to.equal(false));
  }
});

describe('places as people write them', () => {
  for (const text of ['hollinfell/talks#main', 'hollinfell/#main', 'a-b/c/d.html#top-2'])
    it(`reads ${text}`, () => expect(writePlace(parsePlace(text))).to.equal(text));
  for (const text of [
    'hollinfell',
    'hollinfell/talks',
    '/talks#main',
    'Hollin/talks#main',
    'hollinfell//talks#main',
    'hollinfell/talks#',
    'hollinfell/a b#main',
    'hollinfell/talks#Main',
  ]) {
    it(`refuses ${text}`, () =>
      expect(() => parsePlace(text))
        .to.throw(OrbisError)
        .with.property('code', 'place-invalid'));
  }
});
