import { expect } from 'chai';
import * as fc from 'fast-check';
import { judgeSeen, kinds, lostSince, type SeenPlaced } from '@orbis/core';

const box = { left: 16, top: 200, width: 560, height: 315 };
const well: SeenPlaced = {
  kind: 'video',
  isThere: true,
  waits: false,
  clip: { start: null, end: null },
  widths: [390, 768, 1280].map((width) => ({
    ...{ width, shows: true, moved: 0 },
    box: { ...box, width: Math.min(box.width, width - 32) },
  })),
  hostsBefore: ['play.kinorill.localhost'],
  playing: null,
};
/* The same in one of its windows. */
const at = (width: number, otherwise: object): SeenPlaced['widths'] =>
  well.widths.map((each) => (each.width === width ? { ...each, ...otherwise } : each));
const played = (
  from: number,
  stops: boolean | null = null,
  length: number | null = 600,
): SeenPlaced['playing'] => ({ began: 'pressed', from, stops, length });
const rows: [string, Partial<SeenPlaced>, string[]][] = [
  ['is well', {}, []],
  ['has no size on a phone', { widths: at(390, { box: null, shows: false }) }, ['shows-nothing warning 390']],
  ['is empty on a desktop', { widths: at(1280, { shows: false }) }, ['shows-nothing warning 1280']],
  [
    'is empty everywhere',
    { widths: well.widths.map((each) => ({ ...each, shows: false })) },
    ['shows-nothing error 390, 768, 1280'],
  ],
  ['is below the picture', { widths: at(1280, { shows: null }) }, []],
  ['is a pop-up, which shows itself later', { kind: 'popup', widths: at(390, { box: null }) }, []],
  ['is not on the page', { isThere: false, widths: at(390, { box: null }) }, []],
  ['is 186 px too wide', { widths: at(390, { box }) }, ['wider-than-window warning 390']],
  ['ends with the window', { widths: at(390, { box: { ...box, width: 374 } }) }, []],
  ['makes the page jump', { widths: at(768, { moved: 0.101 }) }, ['moves-page warning 768']],
  ['makes it jump a little', { widths: at(768, { moved: 0.1 }) }, []],
  ['loads before it may', { waits: true }, ['loads-early error ']],
  ['waits as it should', { waits: true, hostsBefore: [] }, []],
  [
    'never plays',
    { playing: { began: 'never', from: null, stops: null, length: null } },
    ['does-not-play error '],
  ],
  ['begins where it should', { clip: { start: 112, end: null }, playing: played(112.4) }, []],
  [
    'begins at its beginning',
    { clip: { start: 112, end: null }, playing: played(0.2) },
    ['starts-elsewhere warning '],
  ],
  ['begins anywhere', { playing: played(40) }, []],
  ['stops', { clip: { start: null, end: 184 }, playing: played(0, true) }, []],
  [
    'ends before its part does',
    { clip: { start: 112, end: 184 }, playing: played(112, null, 170) },
    ['film-ends-early warning '],
  ],
  [
    'ends before its part begins',
    { clip: { start: 112, end: null }, playing: played(0, null, 60) },
    ['film-ends-early error '],
  ],
  ['is live', { clip: { start: 112, end: null }, playing: played(112, null, null) }, []],
  ['plays on', { clip: { start: null, end: 184 }, playing: played(0, false) }, ['plays-on warning ']],
];

describe('what a browser saw of a placement', () => {
  for (const [what, otherwise, expected] of rows)
    it(`that ${what}`, () => {
      const found = judgeSeen({ ...well, ...otherwise });
      expect(
        found.map(({ rule, level, facts }) => `${rule} ${level} ${facts['widths'] ?? ''}`),
      ).to.deep.equal(expected);
    });

  it('is told once for each rule, with the widths at which it holds, whatever was seen', () => {
    const side = fc.integer({ min: 0, max: 2000 });
    const width = fc.record({
      width: fc.constantFrom(390, 768, 1280),
      box: fc.option(fc.record({ left: side, top: side, width: side, height: side })),
      shows: fc.option(fc.boolean()),
      moved: fc.double({ min: 0, max: 3, noNaN: true }),
    });
    const seen = fc.record({
      ...{ kind: fc.constantFrom(...kinds), isThere: fc.constant(true), waits: fc.boolean() },
      clip: fc.record({ start: fc.option(side), end: fc.option(side) }),
      widths: fc.uniqueArray(width, { selector: (each) => each.width, minLength: 1, maxLength: 3 }),
      hostsBefore: fc.array(fc.domain(), { maxLength: 3 }),
      playing: fc.option(
        fc.record({
          began: fc.constantFrom('by-itself' as const, 'pressed' as const, 'never' as const),
          from: fc.option(side),
          stops: fc.option(fc.boolean()),
          length: fc.option(side),
        }),
      ),
    });
    fc.assert(
      fc.property(seen, (each) => {
        const found = judgeSeen(each);
        expect(new Set(found.map(({ rule }) => rule)).size).to.equal(found.length);
        const over = each.widths.filter(
          ({ box: of, width: wide }) => of !== null && of.left + of.width > wide,
        );
        const told = found.find(({ rule }) => rule === 'wider-than-window')?.facts['widths'];
        expect(told ?? '').to.equal(over.map(({ width: wide }) => wide).join(', '));
      }),
    );
  });
});

describe('what works no longer', () => {
  const empty = { ...well, widths: at(1280, { shows: false }) };
  const low = { ...well, widths: at(390, { box: { ...box, width: 358, height: 40 } }) };
  const lost: [string, SeenPlaced, SeenPlaced[], string[]][] = [
    ['where all is as it was', well, [well], []],
    ['where nobody has looked before', empty, [], []],
    ['of what shows nothing now', empty, [well], ['shows-nothing 0']],
    ['since the last time that it was well', empty, [empty, well, well], ['shows-nothing 1']],
    ['where it never was well', empty, [empty, empty], []],
    ['where it was not on the page before', empty, [{ ...well, isThere: false }], []],
    ['where it is not on the page now', { ...empty, isThere: false }, [well], []],
    ['of what has shrunk', low, [well], ['much-smaller 0 390 358 × 315 358 × 40']],
    ['of what had shrunk before', low, [low, well], []],
    [
      'of what showed nothing in between, and has shrunk',
      low,
      [empty, well],
      ['much-smaller 1 390 358 × 315 358 × 40'],
    ],
    ['of what has grown', well, [low], []],
    [
      'of what shows nothing, and has no size',
      { ...well, widths: at(390, { box: null }) },
      [well],
      ['shows-nothing 0'],
    ],
  ];
  for (const [what, now, earlier, expected] of lost)
    it(`is told ${what}`, () => {
      const told = lostSince(now, earlier).map(({ finding: { rule, facts }, wellIn }) =>
        [rule, wellIn, ...(rule === 'much-smaller' ? [facts['widths'], facts['was'], facts['is']] : [])].join(
          ' ',
        ),
      );
      expect(told).to.deep.equal(expected);
    });
});
