import { expect } from 'chai';
import fc from 'fast-check';
import { parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import { compose, openCode, snippetText, type AskedChange, type Change } from '@orbis/core';
import { sheets } from './corpus.ts';

const parts = ['<p id="a">one</p>', '<p id="b">two</p>', '<p id="c">three</p>', '<p id="d">four</p>'];
const text = parts.join('');
const code = openCode(text, { sheets });
const offsets = parts.map((_, i) => parts.slice(0, i).join('').length).concat(text.length);
/* From the beginning of one part to the end of another. */
const range = (from: number, to = from) => ({ start: offsets[from]!, end: offsets[to + 1]! });
type Body = Change extends infer Each ? (Each extends Change ? Omit<Each, 'reason'> : never) : never;
const asked = (body: Body, option = 'test', stage: AskedChange['stage'] = 'presentation'): AskedChange =>
  ({ ...body, option, stage, reason: { code: 'as-told', facts: { sentence: option } } }) as AskedChange;
const made = (...changes: AskedChange[]) => compose(code, {}, { planned: changes });
const around = (
  from: number,
  to: number,
  layer: 'carrier' | 'room' | 'shape' | 'clip' | 'backdrop',
  option = layer as string,
): AskedChange =>
  asked(
    { kind: 'surround', range: range(from, to), layer, element: 'div', attributes: { class: layer } },
    option,
  );

/* An outline of a tree: names of classes and ids, with brackets around what is inside. */
const outline = (nodes: readonly DefaultTreeAdapterTypes.ChildNode[]): string =>
  nodes
    .map((node) =>
      'tagName' in node
        ? `${node.attrs[0]?.value ?? node.tagName}${node.tagName === 'div' ? `(${outline(node.childNodes)})` : ''}`
        : '',
    )
    .filter(Boolean)
    .join(' ');
const tree = (html: string): string => outline(parseFragment(html).childNodes);

describe('changes of what a code consists of', () => {
  for (const [label, changes, expected] of [
    ['an element around a part', [around(1, 1, 'carrier')], 'a carrier(b) c d'],
    [
      'layers from the outside in, in whatever order they are asked for',
      [around(0, 3, 'clip'), around(0, 3, 'backdrop'), around(0, 3, 'room')],
      'backdrop(room(clip(a b c d)))',
    ],
    [
      'the wider one outside, whatever its layer',
      [around(0, 1, 'backdrop'), around(0, 3, 'clip')],
      'clip(backdrop(a b) c d)',
    ],
    [
      'one that ends where the next begins',
      [around(0, 0, 'carrier'), around(1, 2, 'shape')],
      'carrier(a) shape(b c) d',
    ],
    ['two that end together', [around(1, 3, 'carrier'), around(3, 3, 'shape')], 'a carrier(b c shape(d))'],
    ['the same twice', [around(0, 1, 'carrier'), around(0, 1, 'carrier')], 'carrier(a b) c d'],
    [
      'a part that is left out, with what was around it alone',
      [asked({ kind: 'leave-out', range: range(1, 2) }), around(1, 1, 'carrier'), around(0, 3, 'room')],
      'room(a d)',
    ],
    [
      'one part left out within another',
      [asked({ kind: 'leave-out', range: range(1) }), asked({ kind: 'leave-out', range: range(0, 2) })],
      'd',
    ],
    [
      'markup between two parts',
      [
        asked({ kind: 'insert', at: offsets[2]!, markup: '<hr>' }),
        around(1, 1, 'carrier'),
        around(2, 2, 'shape'),
      ],
      'a carrier(b) hr shape(c) d',
    ],
    [
      'markup within what is left out',
      [
        asked({ kind: 'insert', at: offsets[2]!, markup: '<hr>' }),
        asked({ kind: 'leave-out', range: range(1, 2) }),
      ],
      'a d',
    ],
  ] as const) {
    it(`come to ${label}`, () => {
      const { text: out, problems } = made(...changes);
      expect([tree(out), problems]).to.deep.equal([expected, []]);
      expect(made(...[...changes].reverse()).text).to.equal(out);
    });
  }

  it('are refused where two want another element of the same layer around the same', () => {
    const other = asked(
      { kind: 'surround', range: range(0), layer: 'carrier', element: 'section', attributes: {} },
      'other',
    );
    expect(made(around(0, 0, 'carrier'), other)).to.deep.include({
      text,
      problems: [
        { option: 'other', code: 'options-conflict', facts: { setting: 'other', other: 'carrier' } },
      ],
    });
  });

  it('escape what stands in the attributes of ours', () => {
    const { text: out } = made(
      asked({
        kind: 'surround',
        range: range(0),
        layer: 'room',
        element: 'a',
        attributes: { href: '/x?a=1&b="2"', title: '<é>' },
      }),
    );
    const [link] = parseFragment(out).childNodes as DefaultTreeAdapterTypes.Element[];
    expect(link!.attrs).to.deep.equal([
      { name: 'href', value: '/x?a=1&b="2"' },
      { name: 'title', value: '<é>' },
    ]);
  });

  it('nest in every order, and leave no character of the rest otherwise', () => {
    const change = fc.oneof(
      fc
        .tuple(fc.nat(3), fc.nat(3), fc.constantFrom('carrier', 'room', 'shape', 'clip'))
        .map(([a, b, layer]) => around(Math.min(a, b), Math.max(a, b), layer as 'carrier')),
      fc.nat(3).map((i) => asked({ kind: 'leave-out', range: range(i) })),
      fc.nat(4).map((i) => asked({ kind: 'insert', at: offsets[i]!, markup: `<hr id="${i}">` })),
    );
    /* Two that cross each other cannot both be had: nothing asks for that. */
    const crosses = (list: readonly AskedChange[]): boolean => {
      const ranges = list.flatMap((one) => ('range' in one ? [one.range] : []));
      return ranges.some((a) => ranges.some((b) => a.start < b.start && b.start < a.end && a.end < b.end));
    };
    fc.assert(
      fc.property(
        fc.array(change, { maxLength: 6 }).filter((list) => !crosses(list)),
        (list) => {
          const { text: out, edits, snippets } = made(...list);
          expect(made(...[...list].reverse()).text).to.equal(out);
          const left = list
            .filter(({ kind }) => kind === 'leave-out')
            .map((one) => (one as { range: { start: number } }).range.start);
          const kept = parts.filter((_, i) => !left.includes(offsets[i]!)).join('');
          expect(out.replace(/<\/?div[^>]*>|<hr[^>]*>/g, '')).to.equal(kept);
          // Each element of ours is closed where it was opened: parse5 finds no stray tag.
          expect((out.match(/<div/g) ?? []).length).to.equal((out.match(/<\/div>/g) ?? []).length);
          expect(
            parseFragment(out).childNodes.some(
              (node) => 'tagName' in node && node.tagName === 'hr' && node.childNodes.length > 0,
            ),
          ).to.equal(false);
          for (const edit of edits) expect(edit.reasons.length).to.be.greaterThan(0);
          let at = 0;
          for (const run of snippets.find(({ position }) => position === 'spot')!.runs) {
            const { start, end } = run.from === 'source' ? run : run.instead!;
            expect(start).to.equal(at);
            at = end;
          }
          expect(at).to.equal(text.length);
        },
      ),
      { seed: 20261126, numRuns: 300 },
    );
  });
});

describe('tokens of attributes that are lists', () => {
  const token = (
    name: 'allow' | 'class' | 'rel' | 'sandbox',
    word: string,
    present: boolean,
    html: string,
  ): string => {
    const opened = openCode(html, { sheets });
    return compose(
      opened,
      {},
      {
        planned: [asked({ kind: 'token', element: opened.markup.elements[0]!, name, token: word, present })],
      },
    ).text;
  };
  for (const [label, html, name, word, present, expected] of [
    ['adds one', '<a rel="me">x</a>', 'rel', 'noopener', true, '<a rel="me noopener">x</a>'],
    ['adds the first', '<a>x</a>', 'rel', 'noopener', true, '<a rel="noopener">x</a>'],
    [
      'leaves one that is there',
      '<a rel="NoOpener  me">x</a>',
      'rel',
      'noopener',
      true,
      '<a rel="NoOpener  me">x</a>',
    ],
    [
      'takes one out',
      '<iframe sandbox="allow-forms allow-popups"></iframe>',
      'sandbox',
      'allow-popups',
      false,
      '<iframe sandbox="allow-forms"></iframe>',
    ],
    ['takes the last one out with its attribute', '<p class="x">x</p>', 'class', 'x', false, '<p>x</p>'],
    [
      'takes a permission out with its origins',
      '<iframe allow="camera https://a.localhost; fullscreen"></iframe>',
      'allow',
      'camera',
      false,
      '<iframe allow="fullscreen"></iframe>',
    ],
  ] as const) {
    it(label, () => expect(token(name, word, present, html)).to.equal(expected));
  }
});

describe('what codes share at other positions', () => {
  const share = (
    position: 'site-head' | 'page-head' | 'body-start' | 'body-end',
    markup: string,
  ): AskedChange => asked({ kind: 'share', position, markup });

  it('comes out as a snippet of its own, with its reason', () => {
    const { snippets, text: spot } = made(
      share('body-end', '<script>1</script>'),
      share('site-head', '<style>x</style>'),
      share('body-end', '<script>1</script>'),
    );
    expect(snippets.map(({ position, runs }) => [position, snippetText({ runs })])).to.deep.equal([
      ['site-head', '<style>x</style>'],
      ['spot', text],
      ['body-end', '<script>1</script>'],
    ]);
    expect(spot).to.equal(text);
    expect(snippets[0]!.runs[0]).to.deep.include({
      from: 'orbis',
      stage: 'presentation',
      options: ['test'],
      instead: null,
    });
  });
});
