import { expect } from 'chai';
import { OrbisError, parsePlace, parseWishes, sayWishes, writePlace } from '@orbis/contract';

describe('wishes as people write them', () => {
  it('become canonical values, and come back the same', () => {
    const wishes = parseWishes(['start=1:52', 'end=1h', 'autoplay=yes', 'controls=off', 'fit=shape', 'shape=9:16', 'max-width=800px', 'share=62.5%', 'align=Centre']);
    expect(wishes).to.deep.equal({
      settings: { start: 112, end: 3600, autoplay: true, controls: false },
      dress: { 'fit': 'shape', 'shape': { width: 9, height: 16 }, 'max-width': 800, 'share': 62.5, 'align': 'centre' },
    });
    expect(parseWishes(sayWishes(wishes).map(({ name, value }) => `${name}=${value}`))).to.deep.equal(wishes);
  });

  for (const [word, code] of [
    ['begin=3', 'wish-unknown'],
    ['start', 'value-invalid'],
    ['share=0', 'value-invalid'],
    ['share=101', 'value-invalid'],
    ['max-width=wide', 'value-invalid'],
    ['shape=16', 'value-invalid'],
    ['loop=maybe', 'value-invalid'],
  ] as const) {
    it(`refuse ${word}`, () =>
      expect(() => parseWishes([word]))
        .to.throw(OrbisError)
        .with.property('code', code));
  }
});

describe('places as people write them', () => {
  for (const text of ['hollinfell/talks#main', 'hollinfell/#main', 'a-b/c/d.html#top-2']) it(`reads ${text}`, () => expect(writePlace(parsePlace(text))).to.equal(text));
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
