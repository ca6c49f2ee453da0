import { expect } from 'chai';
import { parseSheet, patternProblem, SheetInvalid } from '@orbis/contract';
import { matchFrame } from '@orbis/core';

const sheetWith = (hosts: string, pathname: string): string => `id: moorreel
name: Moorreel
version: 1
kind: video
hosts: [${hosts}]
links: []
frames:
  - hostname: moorreel.example
    pathname: ${pathname}
code:
  address: https://moorreel.example/show/{id}
  title: Moorreel
  allow: []
settings: {}
needs: {}
`;

/* What a sheet’s file is refused with; null where it is taken. */
function refusal(text: string): string | null {
  try {
    parseSheet(text, 'moorreel.yaml');
    return null;
  } catch (error) {
    expect(error).to.be.instanceOf(SheetInvalid);
    return (error as Error).message;
  }
}

describe('the patterns of a sheet', () => {
  for (const [label, pattern] of [
    ['a step', '/show/:id'],
    ['a set of characters of its own', '/show/:id([A-Za-z0-9_-]+)'],
    ['digits of some length', '/show/:id(\\d{4,12})'],
    ['a step that may be missing', '/show/:id{/skin-:skin}?'],
    ['stars', '/*/:id'],
  ] as const)
    it(`may have ${label}`, () => expect(patternProblem(pattern)).to.equal(null));
  it('may have a parameter anywhere in a query', () => {
    expect(patternProblem('{*&}?reel=:id{&*}?', 'search')).to.equal(null);
    expect(patternProblem('{*&}?reel=:id&with=:other', 'search')).to.be.a('string');
    expect(patternProblem('*&*&*&reel=:id', 'search')).to.be.a('string');
  });

  for (const [label, pattern] of [
    ['a group in a group', '/:id((a+)+)'],
    ['alternatives', '/:id(a|aa)'],
    ['anything as often as it likes', '/:id(.*)'],
    ['two repetitions in one group', '/:id([a-z]+[a-z]+)'],
    ['a group that is not closed', '/:id([a-z]+'],
    ['many groups in one step', '/:a-:b-:id'],
    ['many stars', '/*-*-:id'],
    ['more than anybody needs', `/${'a'.repeat(300)}/:id`],
  ] as const)
    it(`may not have ${label}`, () => expect(patternProblem(pattern)).to.be.a('string'));

  it('are refused where they cannot be compiled, with line and column', () => {
    expect(refusal(sheetWith('moorreel.example', '/show/:id'))).to.equal(null);
    expect(refusal(sheetWith('moorreel.example', "'/{show/:id'"))).to.match(
      /^moorreel\.yaml:8:5: frames\/0: this is no URL pattern/,
    );
    expect(refusal(sheetWith('moorreel.example', "'/:id/:id'"))).to.match(/this is no URL pattern/);
    expect(refusal(sheetWith('moorreel.example', "'/:id((a+)+)'"))).to.match(
      /^moorreel\.yaml:9:15: frames\/0\/pathname: .*more than a group needs/,
    );
  });

  for (const host of [
    "'a.example; script-src *'",
    "'a.example *'",
    "'a.example, b'",
    '"a.example\\n"',
    "'*'",
    "'https://a.example'",
    "'a.example/x'",
  ])
    it(`and its hosts are refused with line and column: ${host}`, () =>
      expect(refusal(sheetWith(host, '/show/:id'))).to.match(
        /^moorreel\.yaml:5:9: hosts\/0: the name of a host/,
      ));

  it('do not take long, whatever address they are asked about', () => {
    const sheet = parseSheet(sheetWith('moorreel.example', "'/show/:a([a-z-]+)-:id([a-z-]+)'"), 'x');
    const begun = performance.now();
    for (let length = 100; length < 5000; length += 100)
      matchFrame(`https://moorreel.example/show/${'a-'.repeat(length)}!`, [sheet]);
    // No figure of speed: a pattern that tried every way would not come back at all.
    expect(performance.now() - begun).to.be.below(20_000);
  });

  it('have few aliases to unfold', () => {
    const bomb = `a: &a [x, x, x, x, x, x, x, x, x]\n${'bcdefghi'
      .split('')
      .map(
        (name, i) => `${name}: &${name} [${Array.from({ length: 9 }, () => `*${'abcdefgh'[i]}`).join(', ')}]`,
      )
      .join('\n')}\n`;
    expect(refusal(bomb)).to.match(/alias/i);
  });
});
