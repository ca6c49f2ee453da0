import { expect } from 'chai';
import { allOptions, compose, current, effectiveOptions, openCode, optionNamed, typeNames } from '@orbis/core';
import { codes, sheets, talk } from './corpus.ts';

describe('the table of options', () => {
  for (const option of allOptions) {
    it(`${option.name} says what it rests on, and reads its own example back`, () => {
      expect(typeNames).to.include(option.type.name);
      expect(option.source).not.to.equal('');
      const parsed = option.type.parse(option.example);
      expect(parsed.ok).to.equal(true);
      if (parsed.ok) expect(option.type.format(parsed.value)).to.equal(option.example);
    });
  }

  it('has each name once, and finds it by that', () => {
    expect(allOptions.length).to.be.at.least(29);
    expect(new Set(allOptions.map(({ name }) => name)).size).to.equal(allOptions.length);
    for (const option of allOptions) expect(optionNamed(option.name)).to.equal(option);
    expect(optionNamed('parameter.hue')?.type.name).to.equal('text');
    for (const unknown of ['', 'begin', 'parameter', 'parameter.', 'parameter.a b', 'toString', '__proto__']) expect(optionNamed(unknown), unknown).to.equal(null);
  });

  for (const [label, text] of [
    ['start', ''],
    ['start', '1:75'],
    ['muted', 'perhaps'],
    ['page', '0'],
    ['page', '1.5'],
    ['theme', 'pink'],
    ['accent', 'red'],
    ['language', 'the one of here'],
    ['centre', '91, 0'],
    ['shape', '16'],
    ['share', '101'],
    ['max-width', 'wide'],
    ['title', '\u0000'],
  ] as const) {
    it(`${label} refuses ${JSON.stringify(text)} with a code of what would do`, () => {
      const parsed = optionNamed(label)!.type.parse(text);
      expect(parsed).to.have.nested.property('expected.code').that.is.a('string');
    });
  }
});

describe('what a code says itself', () => {
  const says = (text: string) => current(openCode(text, { sheets }));
  for (const [label, text, expected] of [
    ['in attributes and its address', talk, { title: 'The long night', width: 560, height: 315, controls: true, shape: { width: 16, height: 9 } }],
    ['in a style', '<iframe src="https://e.localhost/" style="max-width: 640px; margin: 0 auto; width:80%"></iframe>', { 'max-width': 640, 'share': 80, 'align': 'centre' }],
    [
      'in the style of a box that the frame is laid over',
      '<div style="position:relative;padding-bottom:75%;max-width:300px"><iframe src="https://e.localhost/" style="position:absolute;width:100%"></iframe></div>',
      { 'max-width': 300, 'shape': { width: 4, height: 3 } },
    ],
    ['with what only follows people', '<a href="https://e.localhost/?utm_source=x">x</a>', { tracking: true }],
    ['in sizes that are not px', '<iframe src="https://e.localhost/" width="100%" height="20em"></iframe>', {}],
    ['in the language of its frame', '<iframe src="https://e.localhost/" lang="cy"></iframe>', { lang: 'cy' }],
    ['of nothing', '<p>x</p>', {}],
  ] as const) {
    it(`is read back ${label}`, () => expect(says(text)).to.deep.include(expected).and.not.have.property('privacy'));
  }

  it('is what was asked for, for presentation too', () => {
    const asked = { 'fit': 'shape', 'shape': { width: 4, height: 3 }, 'max-width': 500, 'align': 'right', 'title': 'Another', 'lang': 'de' };
    for (const text of [talk, codes['an unquoted style']!]) expect(says(compose(openCode(text, { sheets }), asked).text)).to.deep.include(asked);
  });
});

describe('values from several levels', () => {
  it('come from the nearest, and the others can be seen', () => {
    expect(
      effectiveOptions({ placement: { start: 5 }, embed: { 'start': 9, 'max-width': 700 }, site: { 'max-width': 600, 'align': 'centre' }, rule: { tracking: false } }),
    ).to.deep.equal({
      options: { 'start': 5, 'max-width': 700, 'align': 'centre', 'tracking': false },
      levels: { 'start': 'placement', 'max-width': 'embed', 'align': 'site', 'tracking': 'rule' },
      overridden: [
        { option: 'start', level: 'embed', value: 9 },
        { option: 'max-width', level: 'site', value: 600 },
      ],
    });
    expect(effectiveOptions({}).options).to.deep.equal({});
  });
});
