import { expect } from 'chai';
import { wholeWay, type Options } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';

const text =
  '<iframe src="https://play.kinorill.localhost/film/nB4?knobs=1&amp;from=5" title="Opening talk" width="560" height="315"></iframe>';
const goes = (publish: (pasted: string) => string, options: Options = { start: 112 }) =>
  wholeWay({
    text,
    options,
    sheets: builtInSheets(),
    placement: '0123456789',
    place: 'hollinfell/talks#opening',
    publish,
    digest: (given) => `${given.length}`,
  });

describe('the whole way of a code', () => {
  it('leads from what was pasted to what is live on the page, with what was asked', () => {
    const { code, composition, plan, seen } = goes((pasted) => `<h1>Talks</h1>\n<main>${pasted}</main>`);
    expect(code.reading.provider?.id).to.equal('kinorill');
    expect(composition.problems).to.deep.equal([]);
    expect(composition.text).to.contain('from=112');
    expect(plan.steps.map(({ action }) => action)).to.deep.equal(['paste']);
    expect(seen).to.deep.equal({
      placement: '0123456789',
      state: 'live',
      delivery: 1,
      line: 2,
      served: false,
      findings: [],
      // Behind the heading, with its mark, and nothing of what follows.
      spans: [{ start: 21, end: 21 + composition.text.length + ' data-orbis="0123456789.1"'.length }],
    });
  });

  it('tells what an editor changed, and what was never pasted', () => {
    expect(goes((pasted) => pasted.replace(' title="Opening talk"', '')).seen.state).to.equal('altered');
    expect(goes(() => '<main></main>').seen.state).to.equal('planned');
  });
});
