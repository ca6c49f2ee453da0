import { expect } from 'chai';
import { withProvedMends } from '../src/reading/proved-mends.ts';
import type { FoundFact } from '../src/reading/reading.ts';

const finding = (rule: string, text: string, level: FoundFact['level'] = 'error'): FoundFact => ({
  rule,
  level,
  start: 0,
  end: 1,
  line: 1,
  column: 1,
  facts: {},
  mend: [{ start: 0, end: 1, text, reason: { code: 'x', facts: {} } }],
});
const offered = (of: FoundFact[], again: (text: string) => FoundFact[]): number[] =>
  withProvedMends(of, 'abc', again).map(({ mend }) => mend.length);

describe('a mending that is offered', () => {
  it('takes its finding away', () => {
    expect(offered([finding('one', 'A')], () => [])).to.deep.equal([1]);
    expect(offered([finding('one', 'A')], () => [finding('one', 'A')])).to.deep.equal([0]);
  });
  it('changes something', () => {
    expect(offered([finding('one', 'a')], () => [])).to.deep.equal([0]);
  });
  it('brings no error that was not there; what it only uncovers is none', () => {
    expect(offered([finding('one', 'A')], () => [finding('two', 'A')])).to.deep.equal([0]);
    expect(offered([finding('one', 'A')], () => [finding('two', 'A', 'warning')])).to.deep.equal([1]);
    expect(offered([finding('misspelt', 'A')], () => [finding('two', 'A')])).to.deep.equal([1]);
    const both = [finding('one', 'A'), finding('two', 'A')];
    expect(offered(both, () => [finding('two', 'A')])).to.deep.equal([1, 0]);
  });
  it('is tried alone where several of a rule do not hold together', () => {
    const good = { ...finding('one', 'A'), mend: [{ ...finding('one', 'A').mend[0]!, start: 2, end: 3 }] };
    const again = (text: string): FoundFact[] => (text === 'abA' ? [finding('one', 'A')] : [good, good]);
    expect(offered([finding('one', 'A'), good], again)).to.deep.equal([0, 1]);
  });
});
