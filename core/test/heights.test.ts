import { expect } from 'chai';
import fc from 'fast-check';
import { formatHeights, parseHeights, type HeightAt } from '@orbis/core';
import { roomFor } from '../src/presentation/size/room.ts';

/* What a browser makes of it in a place of this width: the oracle. */
function atWidth(css: string, width: number): number {
  const value = (term: string): number => {
    const [, base, sign, perCent] =
      /^calc\((-?[\d.]+)px (\+|-) ([\d.]+)%\)$/.exec(term) ?? /^(-?[\d.]+)px$/.exec(term)!;
    return (
      Number(base) + (sign === undefined ? 0 : ((sign === '-' ? -1 : 1) * Number(perCent) * width) / 100)
    );
  };
  const inner = /^max\((.*)\)$/.exec(css)?.[1] ?? css;
  return Math.max(...inner.split(',').map(value));
}

const heights = fc
  .uniqueArray(
    fc.record({ width: fc.integer({ min: 160, max: 2560 }), height: fc.integer({ min: 1, max: 9000 }) }),
    {
      minLength: 1,
      maxLength: 10,
      selector: ({ width }) => width,
    },
  )
  .map((at) => at.sort((a, b) => a.width - b.width));
/* Two places after the point of a per cent, at the widest width. */
const nearly = 0.3;

describe('the room that is kept', () => {
  for (const [label, at, exact, css] of [
    ['one height', [[640, 400]], false, '400px'],
    [
      'lower where there is more room',
      [
        [320, 900],
        [820, 400],
      ],
      false,
      'max(400px,calc(1220px - 100%))',
    ],
    [
      'the same everywhere',
      [
        [320, 250],
        [640, 250],
      ],
      true,
      'max(250px,250px)',
    ],
    [
      'a step is not kept free where nothing may be there',
      [
        [300, 600],
        [400, 590],
        [500, 300],
      ],
      false,
      'max(300px,calc(1050px - 150%))',
    ],
    [
      'nothing of a frame is cut off',
      [
        [300, 600],
        [400, 590],
        [500, 300],
      ],
      true,
      'max(300px,calc(630px - 10%),calc(1750px - 290%))',
    ],
  ] as [string, [number, number][], boolean, string][])
    it(`is a length of CSS: ${label}`, () =>
      expect(
        roomFor(
          at.map(([width, height]): HeightAt => ({ width, height })),
          exact,
        ),
      ).to.equal(css));

  it('is never lower than a frame needs, at any width that was measured', () =>
    fc.assert(
      fc.property(heights, (at) => {
        for (const { width, height } of at)
          expect(atWidth(roomFor(at, true), width)).to.be.at.least(height - nearly);
      }),
    ));

  it('is never higher than what was measured, and right at the ends', () =>
    fc.assert(
      fc.property(heights, (at) => {
        const css = roomFor(at, false);
        const least = at.at(-1)!.height;
        for (const { width, height } of at)
          expect(atWidth(css, width)).to.be.at.most(Math.max(height, least) + nearly);
        expect(atWidth(css, at.at(-1)!.width)).to.be.closeTo(least, nearly);
        expect(atWidth(css, at[0]!.width)).to.be.closeTo(Math.max(at[0]!.height, least), nearly);
      }),
    ));
});

describe('heights as people type them', () => {
  for (const [text, written] of [
    ['800:392,320:872', '320:872, 800:392'],
    ['320:872  480:608 on 2026-11-27', '320:872, 480:608 on 2026-11-27'],
    ['640:1', '640:1'],
    ['640', null],
    ['640:0', null],
    ['640:300, 640:400', null],
    ['640:300 on 2026-13-41', null],
    ['1:1 2:1 3:1 4:1 5:1 6:1 7:1 8:1 9:1 10:1 11:1', null],
    ['', null],
  ] as const)
    it(JSON.stringify(text), () => {
      const read = parseHeights(text);
      expect(read && formatHeights(read)).to.equal(written);
    });

  it('come back as they were written', () =>
    fc.assert(
      fc.property(heights, fc.constantFrom(null, '2026-11-27'), (at, measured) => {
        expect(parseHeights(formatHeights({ at, measured }))).to.deep.equal({ at, measured });
      }),
    ));
});
