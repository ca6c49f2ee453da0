import { expect } from 'chai';
import fc from 'fast-check';
import { parse, serialize, type DefaultTreeAdapterTypes } from 'parse5';
import { roomOnPage, type Beside, type PageWithRoom } from '@orbis/core';
import { scraps } from './support/scraps.ts';

const address = 'https://hollinfell.example/talks/';
const cut = (html: string, beside: Beside | null = null, placements: string[] = []): PageWithRoom => {
  const room = roomOnPage({ html, address, beside, placements });
  if (Array.isArray(room)) expect.fail('the place is not there');
  return room;
};
/** The body of the page, with a star where the embed goes. */
const starred = (html: string, beside: Beside | null = null, placements: string[] = []): string => {
  const [start, upTo, rest] = cut(html, beside, placements).parts;
  return /<body>(.*)<\/body>/s
    .exec(`${start}${upTo}★${rest}`)![1]!
    .replaceAll(/ data-orbis-place="\d+"/g, '');
};

describe('a place in a published page', () => {
  const page =
    '<nav><p>Home</p></nav><main><h1>Talks</h1><p>All of <b>them</b>.</p></main><footer><p>End</p></footer>';
  for (const [label, beside, expected] of [
    ['in front of a place', { side: 'before', at: 2 }, '<h1>Talks</h1>★<p>All of'],
    ['behind a place', { side: 'after', at: 2 }, '<b>them</b>.</p>★</main>'],
    ['by how it begins, in any case', { side: 'after', words: 'ALL of  th' }, '<b>them</b>.</p>★</main>'],
    ['behind the first of its content, where nobody says', null, '<h1>Talks</h1>★<p>All'],
  ] as const)
    it(`is found ${label}`, () => expect(starred(page, beside)).to.include(expected));

  it('is found by more words than are kept of it', () => {
    const long = 'Many words of one paragraph. '.repeat(8).trim();
    expect(starred(`<p>a</p><p>${long}</p>`, { side: 'after', words: long })).to.match(/paragraph\.<\/p>★$/);
  });

  it('is at the end where a page has no words', () =>
    expect(starred('<img src="a.png">')).to.equal('<img src="a.png">★'));

  it('is where its code stands already, whatever that is', () => {
    const placed = '<p>a</p><script data-orbis="0123456789.3">x()</script><p>b</p>';
    expect(starred(placed, null, ['0123456789'])).to.equal('<p>a</p>★<p>b</p>');
    expect(cut(placed, null, ['0123456789']).instead).to.equal(true);
    expect(starred(placed, { side: 'after', at: 1 }, ['0123456789'])).to.equal('<p>a</p><p>b</p>★');
  });

  it('is told from others by words and numbers, in the order of the page', () => {
    expect(cut(page).places).to.deep.equal([
      { kind: 'paragraph', words: 'Home' },
      { kind: 'heading', words: 'Talks' },
      { kind: 'paragraph', words: 'All of them.' },
      { kind: 'paragraph', words: 'End' },
    ]);
    expect(cut(page).parts.join('')).to.include('<h1 data-orbis-place="1">');
  });

  it('is not where nobody could see it, and what is not there is answered by what is', () => {
    const hidden = '<p hidden>a</p><template><p>b</p></template><p> </p><script><p>c</p></script><p>d</p>';
    expect(cut(hidden).places.map(({ words }) => words)).to.deep.equal(['d']);
    expect(
      roomOnPage({ html: hidden, address, beside: { side: 'after', words: 'b' }, placements: [] }),
    ).to.deep.equal([{ kind: 'paragraph', words: 'd' }]);
  });

  it('reads addresses as the page does', () => {
    expect(cut('<base href="/files/"><base href="/no/"><p>a').base).to.equal(
      'https://hollinfell.example/files/',
    );
    expect(cut('<p>a').base).to.equal(address);
  });
});

const elementsIn = (parent: DefaultTreeAdapterTypes.ParentNode): DefaultTreeAdapterTypes.Element[] =>
  parent.childNodes.flatMap((node) => ('tagName' in node ? [node, ...elementsIn(node)] : []));
const acts = ({ tagName, attrs }: DefaultTreeAdapterTypes.Element): boolean =>
  ['script', 'base', 'meta'].includes(tagName) ||
  attrs.some(({ name }) => name.startsWith('on') || (tagName === 'iframe' && name === 'src'));

describe('a page that is shown for a preview', () => {
  for (const [label, html, left] of [
    [
      'runs no script',
      '<script>a()</script><p onclick="a()">b</p><a href=" java\nscript:a()">c</a>',
      '<p>b</p><a>c</a>',
    ],
    ['runs none that a picture brings', '<svg onload="a()"><script>a()</script></svg>', '<svg></svg>'],
    ['leads nowhere else', '<meta http-equiv="refresh" content="0;url=/b"><base href="/c">', ''],
    [
      'frames nobody, and keeps the room',
      '<iframe src="/a" srcdoc="b" width="300"></iframe>',
      '<iframe width="300"></iframe>',
    ],
    [
      'plays nothing',
      '<video autoplay src="a" poster="b"><source src="c"></video>',
      '<video poster="b"><source></video>',
    ],
    ['opens no object', '<object data="a"><embed src="b"></object>', '<object><embed></object>'],
    ['shows what it has for whoever has no scripts', '<noscript><img src="a"></noscript>', '<img src="a">'],
    ['numbers its places itself', '<p data-orbis-place="7">a</p>', '<p>a</p>'],
  ] as const)
    it(label, () => expect(starred(html).replace('★', '')).to.equal(left));

  it('keeps its sheets, also those that wait for a script, and nothing else that a head asks for', () => {
    const [, head] = cut(
      '<link rel="preload stylesheet" href="a.css"><link rel=stylesheet media=print onload="this.media=1" href=b.css>' +
        '<link rel=stylesheet media=print href=c.css><link rel=preload href=d><link rel=manifest href=e><p>f',
    ).parts;
    expect(head).to.include(
      '<link rel="preload stylesheet" href="a.css"><link rel="stylesheet" href="b.css"><link rel="stylesheet" media="print" href="c.css"></head>',
    );
  });

  it('is cut short where it nests deeper than any browser goes', () => {
    const deep = `<p>a</p>${'<div>'.repeat(20_000)}<p>b</p>`;
    expect(cut(deep).places.map(({ words }) => words)).to.deep.equal(['a']);
  });

  it('never acts, whatever it is made of, and what is put into it is whole', () => {
    const acting = [
      ...scraps,
      ' onload=a()>',
      '<base href=/b>',
      '<p>c</p>',
      '<template>',
      '</template>',
      '<!--room1-->',
    ];
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...acting), { maxLength: 25 }), (pieces) => {
        const [start, upTo, rest] = cut(pieces.join('')).parts;
        // As a browser reads it again: some things move, none may come to life.
        const again = parse(`${start}<!--a-->${upTo}<!--b-->${rest}`);
        expect(
          elementsIn(again)
            .filter(acts)
            .map(({ tagName }) => tagName),
        ).to.deep.equal([]);
        expect(serialize(again).match(/<!--[ab]-->/g)).to.deep.equal(['<!--a-->', '<!--b-->']);
      }),
      { numRuns: 400 },
    );
  });
});
