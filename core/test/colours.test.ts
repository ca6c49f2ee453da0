import { expect } from 'chai';
import fc from 'fast-check';
import { coloursIn, fontIn, stylesOfPage } from '@orbis/core';

const hex = (css: string): [string, number][] => coloursIn([css]).map(({ colour, uses }) => [colour, uses]);

describe('the colours of a site', () => {
  for (const [label, css, colours] of [
    [
      'in every way of writing them',
      'a{color:#ABC;background:rgb(170,187,204)}b{color:hsl(210 25% 73.33%)}',
      [['#aabbcc', 3]],
    ],
    [
      'by their names',
      'a{color:RebeccaPurple;outline:1px solid black}',
      [
        ['#663399', 1],
        ['#000000', 1],
      ],
    ],
    ['in the newer ways', 'a{color:oklch(62.8% 0.2577 29.23)}', [['#ff0000', 1]]],
    ['with what shines through left aside', 'a{color:#11223380;background:#112233}', [['#112233', 2]]],
    ['not where there is nothing to be seen', 'a{color:transparent;background:#0000}', []],
    [
      'within shadows and gradients',
      'a{background:linear-gradient(#111,#222 50%);box-shadow:0 0 2px #111}',
      [
        ['#111111', 2],
        ['#222222', 1],
      ],
    ],
    [
      'by names of their own, where they are used',
      ':root{--ink:#123456;--line:1px solid #999}a{color:var(--ink);border-color:var( --ink , red)}',
      [['#123456', 2]],
    ],
    [
      'not from texts, addresses and animations',
      'a::after{content:"red";background:url(red.png);animation-name:tan;font-family:Red}',
      [],
    ],
    ['behind what is broken', 'a{color:;;b{}} c{color:#fff} {{{ d{color:#fff}', [['#ffffff', 1]]],
  ] as [string, string, [string, number][]][])
    it(`are read ${label}`, () => expect(hex(css)).to.deep.equal(colours));

  it('come with where they stand, the most used first, and no more than are asked for', () => {
    const css = 'body{background:#eee}h1,h2{color:#222}@media print{p{color:#222}}h1,h2{color:#222}';
    expect(coloursIn([css])).to.deep.equal([
      {
        colour: '#222222',
        uses: 3,
        where: [
          { property: 'color', selector: 'h1,h2' },
          { property: 'color', selector: 'p' },
        ],
      },
      { colour: '#eeeeee', uses: 1, where: [{ property: 'background', selector: 'body' }] },
    ]);
    expect(coloursIn([css], 1).map(({ colour }) => colour)).to.deep.equal(['#222222']);
  });

  it('are found in the page and in its sheets, by their addresses', () =>
    expect(
      stylesOfPage(
        '<base href="/x/"><link rel="StyleSheet preload" href="a.css"><link rel="alternate stylesheet" href="b.css"><link rel=icon href=c.png><style>a{color:red}</style><link rel=stylesheet href="//cdn.example/d.css"><p style="color:blue">',
        'https://site.example/sub/page',
      ),
    ).to.deep.equal({
      inside: ['a{color:red}', 'p{color:blue}'],
      sheets: ['https://site.example/x/a.css', 'https://cdn.example/d.css'],
    }));

  it('are read whatever was read before: a shared parser would stand still here', () => {
    for (const times of [5, 8, 9, 10, 11, 12, 13, 14, 15, 20, 40])
      coloursIn(['('.repeat(times), '{'.repeat(times)]);
    expect(coloursIn(['argb(1,2,3)}('])).to.deep.equal([]);
  });

  it('are read from whatever text there is, and soon', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.constantFrom(
            'a',
            '{',
            '}',
            'color:',
            '#fff',
            '(',
            ')',
            ';',
            '"',
            '/*',
            '*/',
            '@media',
            'var(--x)',
            '--x:',
            'rgb(1,2,3)',
          ),
        ),
        (parts) => {
          for (const { colour, uses } of coloursIn([parts.join('')])) {
            expect(colour).to.match(/^#[0-9a-f]{6}$/);
            expect(uses).to.be.at.least(1);
          }
        },
      ),
    ));

  it('are none where a style is nested beyond reason', () =>
    expect(
      coloursIn([`a{color:${'('.repeat(50_000)}`, 'b{color:#fff}']).map(({ colour }) => colour),
    ).to.deep.equal(['#ffffff']));
});

describe('the font of a site', () => {
  for (const [styles, font] of [
    ['body{font-family:Georgia, "Times New Roman", serif}', 'Georgia, "Times New Roman", serif'],
    ['html,button{font:italic 16px/1.5 Fell Sans,sans-serif}', 'Fell Sans, sans-serif'],
    ['body{font:100% Fell Sans}', 'Fell Sans'],
    [':root{--f:"Fell", serif}body{font-family:var(--f)}', '"Fell", serif'],
    ['body{font-family:a}body{font-family:b}', 'b'],
    ['h1{font-family:a}.x body{font-family:b}', null],
    ['body{font-family:url(x)}', null],
    ['body{font:inherit}', null],
    ['', null],
  ] as const)
    it(`is ${font ?? 'not known'} where it says ${styles || 'nothing'}`, () =>
      expect(fontIn([styles])).to.equal(font));
});
