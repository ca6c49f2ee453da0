import { expect } from 'chai';
import { compose, current, openCode, type Options } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';

const sheets = builtInSheets();
const frame = '<iframe src="https://a.example/x" width="640" height="360" title="t"></iframe>';
const form = '<form action="https://a.example/in"><input name="mail"></form>';
const boxed =
  '<div style="position:relative;padding-bottom:56.25%"><iframe src="https://a.example/x" style="position:absolute;width:100%;height:100%"></iframe></div>';
const styleOf = (text: string, options: Options): string => {
  const { text: out, problems } = compose(openCode(text, { sheets }), options);
  expect(problems).to.deep.equal([]);
  return /style="([^"]*)"/.exec(out)![1]!;
};

describe('the edges of what stands on the page', () => {
  for (const [label, text, options, style] of [
    ['round corners of a frame', frame, { corners: 12 }, 'border-radius:12px'],
    ['round corners of a box, cut off there', form, { corners: 12 }, 'border-radius:12px;overflow:hidden'],
    [
      'round corners of a provider’s box',
      boxed,
      { corners: 12 },
      'position:relative;padding-bottom:56.25%;border-radius:12px;overflow:hidden',
    ],
    ['a line', frame, { border: 2 }, 'border:2px solid currentcolor;box-sizing:border-box'],
    [
      'a line in a colour, which brings one',
      frame,
      { 'border-colour': '#2f6145' },
      'border:1px solid #2f6145;box-sizing:border-box',
    ],
    [
      'a line that wins over none',
      frame,
      { fit: 'shape', border: 3 },
      'display:block;width:100%;height:auto;aspect-ratio:16/9;border:3px solid currentcolor;box-sizing:border-box;align-self:flex-start',
    ],
    ['a shadow', frame, { shadow: 'soft' }, 'box-shadow:0 1px 4px rgba(0,0,0,.25)'],
    ['least and most', frame, { 'min-width': 200, 'max-width': 500 }, 'max-width:500px;min-width:200px'],
  ] as [string, string, Options, string][])
    it(`are ${label}, are read back, and the same twice`, () => {
      expect(styleOf(text, options)).to.equal(style);
      const once = compose(openCode(text, { sheets }), options).text;
      const again = openCode(once, { sheets });
      expect(current(again)).to.include(
        Object.fromEntries(Object.entries(options).filter(([name]) => name !== 'fit' || text === frame)),
      );
      expect(compose(again, options).text).to.equal(once);
    });

  it('cannot be wider at least than at most', () => {
    const { problems } = compose(openCode(frame, { sheets }), { 'min-width': 600, 'max-width': 500 });
    expect(problems).to.deep.equal([
      { option: 'min-width', code: 'widths-cross', facts: { least: 600, most: 500 } },
    ]);
  });
});
