import { expect } from 'chai';
import {
  isSelector,
  measuredWidths,
  openCode,
  planPage,
  type Options,
  type SpotHeights,
} from '../src/index.ts';

const digest = (text: string): string => text;
const film = '<iframe src="https://kinorill.localhost/embed/1" width="560" height="315"></iframe>';
const widths = { phone: 358, tablet: 540, desktop: 760 };

describe('the room of a spot', () => {
  const found = (text: string, options: Options, heights: SpotHeights) =>
    planPage(
      [
        {
          ...{ id: '0000000000', place: 'x/p#a', code: openCode(text, { sheets: [] }), mark: null },
          ...{ asked: { embed: options }, room: { widths, heights } },
        },
      ],
      { head: true },
      digest,
    ).findings.flatMap(({ rule, facts: { devices, height } }) =>
      rule === 'too-high' ? [[devices, height]] : [],
    );

  const all = (height: number): SpotHeights => ({ phone: height, tablet: height, desktop: height });
  const cases: [what: string, text: string, options: Options, heights: SpotHeights, expected: unknown][] = [
    ['nothing says how high it is', film, {}, {}, []],
    ['it is just as high', film, {}, all(315), []],
    ['it is too high on all', film, {}, all(314), [['phone tablet desktop', 315]]],
    ['only one device has a height', film, {}, { desktop: 90 }, [['desktop', 315]]],
    [
      'it keeps its shape, and fits a phone alone',
      film,
      { fit: 'shape' },
      all(202),
      [['tablet desktop', 304]],
    ],
    ['it keeps its shape and is never wide', film, { 'fit': 'shape', 'max-width': 320 }, all(180), []],
    [
      'another size is asked for',
      film,
      { fit: 'fixed', width: 300, height: 251 },
      all(250),
      [['phone tablet desktop', 251]],
    ],
    [
      'it has no height',
      '<div class="x"></div><script src="https://a.localhost/x.js"></script>',
      {},
      all(50),
      [],
    ],
  ];
  for (const [what, text, options, heights, expected] of cases)
    it(`is high enough or not where ${what}`, () =>
      expect(found(text, options, heights)).to.deep.equal(expected));

  it('is as wide as measured, and as it was where nothing was', () => {
    expect(measuredWidths({ phone: null, tablet: 700, desktop: 300 }, widths)).to.deep.equal({
      widths: { phone: 358, tablet: 700, desktop: 300 },
      hidden: ['phone'],
    });
  });

  for (const [text, isOne] of [
    ['main', true],
    ['#content > .column:nth-of-type(2), body', true],
    ['.side\\:wide', true],
    ['', false],
    ['main >', false],
    ['> main', false],
    ['main > + p', false],
    ['main p', true],
    ['section:has(> img)', true],
    ['main { color: red }', false],
    ['12px', false],
    [`${'a:not('.repeat(5000)}`, false],
  ] as const)
    it(`is named by a CSS selector or not: ${text.slice(0, 40)}`, () =>
      expect(isSelector(text)).to.equal(isOne));
});
