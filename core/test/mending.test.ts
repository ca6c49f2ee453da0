import { expect } from 'chai';
import { mend, read, type Reading } from '@orbis/core';
import { formatMend } from '@orbis/contract';
import { sheets } from './corpus.ts';
import { mendCases } from './mend-cases.ts';
import { ruleCases } from './rule-cases.ts';

const context = { sheets };
const rulesOf = (reading: Reading): string[] => reading.findings.map((f) => f.rule);

describe('mending', () => {
  for (const [rule, code, mended] of mendCases)
    it(`${rule} makes of ${code.slice(0, 80)} what was meant`, () =>
      expect(mend(code, context, [rule]).text).to.equal(mended));

  it('leaves nothing of what it mendCases, says what it did, and has nothing to do the second time', () => {
    for (const [rule, code] of mendCases) {
      const { text, done } = mend(code, context, [rule]);
      expect(rulesOf(read(text, context)), code).not.to.include(rule);
      expect(done.map((step) => step.rule)).to.include(rule);
      for (const { reason } of done) expect(formatMend(reason)).to.match(/^[“A-Za-z0-9].*\.$/);
      expect(mend(text, context, [rule])).to.deep.equal({ text, done: [] });
    }
  });

  it('is offered only where it takes its finding away', () => {
    const mendOf = (code: string, rule: string): number[] =>
      read(code, context)
        .findings.filter((each) => each.rule === rule)
        .map(({ mend }) => mend.length);
    // Text of the page has run into the form: where it ends, nobody can tell.
    expect(mendOf('<form action="https://e.localhost/x"><input name=a><p>More', 'cut-off')).to.deep.equal([
      0,
    ]);
    // Each of these is mended, also where the other is not.
    expect(
      mendOf('<img src="http://e.example/a.png" alt=a><img src="http://e.example/b.png" alt=b>', 'insecure'),
    ).to.deep.equal([1, 1]);
    // Too long to be read once more for it.
    expect(
      mendOf(`<img src="http://e.example/a.png" alt=a>${'<p>x</p>'.repeat(20_000)}`, 'insecure'),
    ).to.deep.equal([0]);
  });
  it('goes on with what a mending brings to light, and leaves what is only worth knowing', () => {
    const { text, done } = mend(
      '&lt;ifrmae scr="http://elsewhere.example/?utm_source=x"&gt;&lt;/ifrmae&gt;',
      context,
    );
    expect(text).to.equal('<iframe src="https://elsewhere.example/?utm_source=x"></iframe>');
    expect(done.map((step) => step.rule)).to.deep.equal(['visible-code', 'misspelt', 'misspelt', 'insecure']);
  });

  it('has no edit that reaches beyond the text, and none for what only the owner can mend', () => {
    for (const [, speaks, silent] of ruleCases) {
      for (const code of [...speaks, ...silent]) {
        for (const { mend: edits } of read(code, context).findings)
          for (const { start, end } of edits)
            expect(start >= 0 && end >= start && end <= code.length, code).to.equal(true);
      }
    }
    expect(
      read('<iframe src="https://e.localhost/YOUR_ID"></iframe>', context).findings.flatMap(
        (found) => found.mend,
      ),
    ).to.deep.equal([]);
  });
});
