import { expect } from 'chai';
import { allOptions, effectiveOptions, optionNamed, typeNames } from '@orbis/core';

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
