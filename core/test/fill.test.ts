import { expect } from 'chai';
import fc from 'fast-check';
import { canFill, fill, fillMarksIn } from '@orbis/core';

const opened = (kind: string, key: string): string => `<!-- orbis:${kind} ${key} -->`;
const closed = (kind: string): string => `<!-- /orbis:${kind} -->`;
const spot = opened('spot', 'hollinfell/talks#main');
const filledWith = (text: string, content: string): string =>
  fill(text, fillMarksIn(text).marks, () => content).text;

describe('a file that is filled', () => {
  const cases: [string, string, string, string][] = [
    [
      'on lines of their own',
      `<p>a</p>\n${spot}\nold\n${closed('spot')}\n`,
      '<b>n</b>',
      `<p>a</p>\n${spot}\n<b>n</b>\n${closed('spot')}\n`,
    ],
    ['on one line', `x ${spot}${closed('spot')} y`, '<b>n</b>', `x ${spot}\n<b>n</b>\n${closed('spot')} y`],
    ['indented', `  ${spot}\n  ${closed('spot')}`, '<b>n</b>', `  ${spot}\n<b>n</b>\n  ${closed('spot')}`],
    [
      'with the line ends of its own',
      `${spot}\r\n${closed('spot')}\r\n`,
      'a\nb',
      `${spot}\r\na\r\nb\r\n${closed('spot')}\r\n`,
    ],
    ['where nothing is placed any more', `${spot}\nold\n${closed('spot')}`, '', `${spot}\n${closed('spot')}`],
  ];
  for (const [what, text, content, wanted] of cases)
    it(`has what belongs there between its comments, ${what}`, () => {
      expect(filledWith(text, content)).to.equal(wanted);
      expect(filledWith(wanted, content)).to.equal(wanted);
    });

  it('says what changed', () => {
    const text = `${spot}\nsame\n${closed('spot')}${opened('head', 'hollinfell')}\n${closed('head')}`;
    const { marks, faults } = fillMarksIn(text);
    expect(faults).to.deep.equal([]);
    const { changed } = fill(text, marks, ({ kind }) => (kind === 'spot' ? 'same' : 'new'));
    expect(changed.map(({ kind, key, line }) => [kind, key, line])).to.deep.equal([
      ['head', 'hollinfell', 3],
    ]);
  });

  const faults: [string, string, string, number][] = [
    ['not closed', `a\n${spot}`, 'not-closed', 2],
    ['not opened', `a\n${closed('spot')}`, 'not-opened', 2],
    ['closed as something else', `${spot}\n${closed('head')}`, 'not-opened', 2],
    ['within another', `${spot}\n${opened('head', 'x')}\n${closed('spot')}`, 'within-another', 2],
    ['of no known kind', opened('sport', 'hollinfell/talks#main'), 'unknown-kind', 1],
    ['without a key', '<!-- orbis:spot -->', 'no-key', 1],
    ['with a page where a spot should be', opened('spot', 'hollinfell/talks'), 'not-a-key', 1],
    ['with a whole site at the foot', opened('foot', 'hollinfell'), 'not-a-key', 1],
  ];
  for (const [what, text, code, line] of faults)
    it(`is not, with a comment ${what}`, () =>
      expect(fillMarksIn(text).faults[0]).to.include({ code, line }));

  it('takes no code that has such comments itself', () => {
    expect(canFill('<p>orbis:spot</p><!-- other -->')).to.equal(true);
    expect(canFill(closed('spot'))).to.equal(false);
  });

  it('changes nothing else, and twice is once, whatever the file and the code', () => {
    const words = fc.string({
      unit: fc.constantFrom('a', '<', '!', '-', '>', '\n', '\r\n', ' ', 'é', '\t'),
      maxLength: 30,
    });
    fc.assert(
      fc.property(words, words, words, words, (before, old, after, code) => {
        const text = `${before}${spot}${old}${closed('spot')}${after}`;
        fc.pre(fillMarksIn(text).marks.length === 1 && canFill(code));
        const once = filledWith(text, code);
        expect(once.startsWith(before + spot)).to.equal(true);
        expect(once.endsWith(closed('spot') + after)).to.equal(true);
        expect(once.replaceAll('\r\n', '\n')).to.include(code.replaceAll('\r\n', '\n').trim());
        expect(filledWith(once, code)).to.equal(once);
      }),
    );
  });
});
