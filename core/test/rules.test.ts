import { expect } from 'chai';
import { read, rules, type Reading } from '@orbis/core';
import { sheets } from './corpus.ts';
import { frame, ruleCases } from './rule-cases.ts';

const context = { sheets };
const rulesOf = (reading: Reading): string[] => reading.findings.map((f) => f.rule);
const player = 'https://play.kinorill.localhost/film/a1';

describe('the rules on a code', () => {
  for (const [rule, speaks, silent] of ruleCases) {
    for (const code of speaks)
      it(`${rule} speaks on ${code.slice(0, 90)}`, () =>
        expect(rulesOf(read(code, context))).to.include(rule));
    for (const code of silent)
      it(`${rule} is silent on ${code.slice(0, 90)}`, () =>
        expect(rulesOf(read(code, context))).not.to.include(rule));
  }

  it('are all in that ruleCases, which is silent at least as often as it speaks, and each says what it rests on', () => {
    expect(rules.map((rule) => rule.id).sort()).to.deep.equal(ruleCases.map(([rule]) => rule).sort());
    const count = (which: 1 | 2): number => ruleCases.reduce((sum, row) => sum + row[which].length, 0);
    expect(count(2)).to.be.at.least(count(1));
    for (const rule of rules) expect(rule.source, rule.id).to.match(/\S{3}/);
  });

  it('say that a value on a word of presence is needless, where it does no harm', () => {
    const [found] = read('<video controls="true" src=x>Watch</video>', context).findings;
    expect([found!.rule, found!.level]).to.deep.equal(['value-on-presence', 'note']);
  });

  it('know the length that somebody told, before what the code tells', () => {
    const code = frame(`${player}?from=50`, 'title=t data-duration=60');
    expect(rulesOf(read(code, { ...context, length: 40 }))).to.include('clip-beyond');
    expect(rulesOf(read(code, context))).not.to.include('clip-beyond');
  });

  it('point at the line and column', () => {
    const text = `first\r\n  ${frame('javascript:x')}`;
    const found = read(text, context).findings.find((f) => f.rule === 'active-address')!;
    expect([found.line, found.column]).to.deep.equal([2, 16]);
    expect(text.slice(found.start, found.end)).to.equal('javascript:x');
  });
});
