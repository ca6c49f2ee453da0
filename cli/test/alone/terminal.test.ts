import { expect } from 'chai';
import fc from 'fast-check';
import { forTerminal, wholeNumber } from '../../src/terminal.ts';
import { run } from '../support.ts';

describe('what is written to a terminal', () => {
  for (const [label, text, written] of [
    ['plain text', 'A talk\n\tof 1:52', 'A talk\n\tof 1:52'],
    ['our own colours', '\x1b[31mred\x1b[39m \x1b[2mdim\x1b[22m', '\x1b[31mred\x1b[39m \x1b[2mdim\x1b[22m'],
    ['a title that clears the screen', 'a\x1b[2Jb', 'a�[2Jb'],
    ['one that hides what follows', 'a\x1b[8mb', 'a�[8mb'],
    ['one that renames the window', 'a\x1b]0;x\x07b', 'a�]0;x�b'],
    ['an introducer of one byte', 'a\u009b2Jb', 'a�2Jb'],
    ['one that overwrites its line', 'good\rbad', 'good�bad'],
    ['one that turns the writing round', 'a\u202egpj.exe', 'a�gpj.exe'],
    ['line ends of another system', 'a\r\nb', 'a\nb'],
  ] as const)
    it(`is ${label}`, () => expect(forTerminal(text)).to.equal(written));
  it('steers nothing, whatever it is made of', () =>
    fc.assert(
      fc.property(
        fc.string({
          unit: fc.constantFrom(
            'a',
            '\x1b',
            '[',
            '3',
            '1',
            'm',
            ';',
            ']',
            '\u009b',
            '\r',
            '\n',
            'J',
            '\u202e',
          ),
        }),
        (text) => {
          // eslint-disable-next-line no-control-regex
          const uncoloured = forTerminal(text).replaceAll(/\x1b\[(?:0|1|2|4|22|24|3[0-79]|9[0-7])m/g, '');
          // eslint-disable-next-line no-control-regex
          expect(uncoloured).to.not.match(/[\x00-\x08\x0b-\x1f\x7f-\x9f\u202e]/);
        },
      ),
    ));
  it('is as it is where it goes elsewhere', async () => {
    const ran = await run(['read', '-'], {
      stdin: '<iframe src="https://a.localhost/\x1b[2J" title="x"></iframe>',
    });
    expect(ran.exit).to.be.oneOf([0, 1]);
  });
  it('has numbers only where a number was typed', () => {
    expect([
      wholeNumber('30', 1, 60),
      wholeNumber('0', 1, 60),
      wholeNumber('1e3', 1, 2000),
      wholeNumber('', 0, 9),
      wholeNumber('61', 1, 60),
    ]).to.deep.equal([30, null, null, null, null]);
  });
});
