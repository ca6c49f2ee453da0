import { expect } from 'chai';
import fc from 'fast-check';
import { parseFragment } from 'parse5';
import {
  addressSeams,
  applyEdits,
  changeAddress,
  changeStyle,
  decodeAttribute,
  EditsOverlap,
  escapeAttribute,
  mergeEdits,
  parseAddress,
  parseMarkup,
  parseStyle,
  positionsIn,
  setAttribute,
  smallestChange,
  type Edit,
  type Stage,
} from '@orbis/core';
import { codes } from './corpus.ts';

const edit = (start: number, end: number, text: string, stage: Stage = 'settings'): Edit => ({
  start,
  end,
  text,
  stage,
  options: ['x'],
  reasons: [{ stage, option: 'x', code: 'test', facts: {} }],
});

describe('edits', () => {
  it('are applied at their places, whatever their order', () => {
    expect(applyEdits('0123456789', [edit(8, 9, 'B'), edit(2, 4, ''), edit(0, 0, 'A')])).to.equal(
      'A014567B9',
    );
  });
  it('at one place stand in the order of the stages, an insertion before a replacement', () => {
    expect(
      applyEdits('abc', [
        edit(1, 2, 'X', 'settings'),
        edit(1, 1, 'mark ', 'mark'),
        edit(1, 1, 'look ', 'presentation'),
      ]),
    ).to.equal('alook mark Xc');
  });
  it('that claim the same characters are refused', () => {
    expect(() => mergeEdits([edit(1, 4, '')], [edit(3, 5, '')])).to.throw(
      EditsOverlap,
      'edits 1-4 (x) and 3-5 (x) overlap',
    );
    expect(() => mergeEdits([edit(1, 4, '')], [edit(2, 2, 'in the middle')])).to.throw(EditsOverlap);
    expect(mergeEdits([edit(1, 4, '')], [edit(4, 4, 'behind')])).to.have.length(2);
  });
  it('of the smallest kind do what they say, never cutting a character in two', () => {
    const texts = fc
      .array(fc.constantFrom('a', 'b', '&', '=', '?', '🌌', '🌠', ';'), { maxLength: 12 })
      .map((pieces) => pieces.join(''));
    fc.assert(
      fc.property(texts, texts, fc.boolean(), (now, wanted, seamed) => {
        const change = smallestChange(now, 0, now.length, wanted, seamed ? addressSeams : undefined);
        if (now === wanted) return change === null;
        const { start, end, text } = change!;
        expect(now.slice(0, start) + text + now.slice(end)).to.equal(wanted);
        for (const piece of [text, now.slice(start, end)])
          expect(() => encodeURIComponent(piece), 'half a character').not.to.throw();
        return true;
      }),
      { seed: 3, numRuns: 2000 },
    );
  });
});

describe('character references in attributes', () => {
  for (const [raw, text] of [
    ['a&amp;b', 'a&b'],
    ['a&b', 'a&b'],
    ['?a=1&copy=2', '?a=1&copy=2'],
    ['?a=1&copy;=2', '?a=1©=2'],
    ['&#38;&#x26;&#X26;', '&&&'],
    ['&notit;', '&notit;'],
    ['&lt', '<'],
    ['&', '&'],
    ['&#;', '&#;'],
    ['&#0;', '\uFFFD'],
    ['&#x80;', '€'],
    ['&ngE;', '≧̸'],
    ['a\r\nb\rc', 'a\nb\nc'],
  ] as const) {
    it(`${JSON.stringify(raw)} is ${JSON.stringify(text)}`, () =>
      expect(decodeAttribute(raw).text).to.equal(text));
  }
  it('are understood as the HTML parser does, and every character knows where it came from', () => {
    const raw = fc
      .array(
        fc.constantFrom(
          'a',
          '=',
          '&',
          'amp',
          ';',
          '&amp;',
          '&#',
          '38',
          'x26',
          'copy',
          '&lt',
          '\r',
          '\n',
          '🌌',
          'ü',
          'notin',
          '0',
        ),
        { maxLength: 10 },
      )
      .map((p) => p.join(''));
    fc.assert(
      fc.property(raw, (value) => {
        const [node] = parseFragment(`<p a="${value}">`).childNodes;
        const oracle = node && 'attrs' in node ? node.attrs[0]!.value : null;
        const decoded = decodeAttribute(value);
        expect(decoded.text).to.equal(oracle);
        expect(decoded.at.length).to.be.greaterThan(decoded.text.length);
        expect(decoded.at[decoded.text.length]).to.equal(value.length);
        for (let i = 1; i <= decoded.text.length; i++)
          expect(decoded.at[i]!).to.be.at.least(decoded.at[i - 1]!);
        expect(decodeAttribute(escapeAttribute(oracle ?? '')).text).to.equal(oracle);
      }),
      { seed: 5, numRuns: 1500 },
    );
  });
});

describe('addresses', () => {
  it('give up their parameters with their places', () => {
    const raw = ' https://h.localhost/p?a=1&amp;b&amp;c=%20x+y#t=3&amp;u ';
    const { url, parameters, joint } = parseAddress(raw);
    expect([url, joint]).to.deep.equal(['https://h.localhost/p?a=1&b&c=%20x+y#t=3&u', '&amp;']);
    expect(
      parameters.map((p) => [
        p.in,
        p.name,
        p.value,
        raw.slice(p.start, p.end),
        raw.slice(p.valueStart, p.valueEnd),
      ]),
    ).to.deep.equal([
      ['query', 'a', '1', 'a=1', '1'],
      ['query', 'b', null, 'b', ''],
      ['query', 'c', ' x y', 'c=%20x+y', '%20x+y'],
      ['fragment', 't', '3', 't=3', '3'],
      ['fragment', 'u', null, 'u', ''],
    ]);
  });
  it('do not take an opaque fragment for parameters', () =>
    expect(parseAddress('https://h.localhost/#section-2').parameters).to.deep.equal([]));

  for (const [label, raw, change, after] of [
    [
      'a value that must be escaped',
      'https://h/?a=1',
      { in: 'query', name: 'b', value: 'x&y=z #é' },
      'https://h/?a=1&amp;b=x%26y%3Dz%20%23%C3%A9',
    ],
    [
      'a value that need not be',
      'https://h/?a=1',
      { in: 'query', name: 'b', value: '1:52/x,y@z;' },
      'https://h/?a=1&amp;b=1:52/x,y@z;',
    ],
    ['a quotation mark', 'https://h/', { in: 'query', name: 'b', value: `'"` }, 'https://h/?b=%27%22'],
    [
      'a parameter that stands alone',
      'https://h/',
      { in: 'query', name: 'on', value: '', bare: true },
      'https://h/?on',
    ],
    [
      'one that stood alone and gets a value',
      'https://h/?on&z',
      { in: 'query', name: 'on', value: '2' },
      'https://h/?on=2&z',
    ],
    [
      'one that had a value and stands alone',
      'https://h/?on=2&z',
      { in: 'query', name: 'on', value: '', bare: true },
      'https://h/?on&z',
    ],
    [
      'the first of a fragment',
      'https://h/?a',
      { in: 'fragment', name: 't', value: '3' },
      'https://h/?a#t=3',
    ],
    [
      'one more of a fragment',
      'https://h/#t=3',
      { in: 'fragment', name: 'u', value: '4' },
      'https://h/#t=3&amp;u=4',
    ],
    [
      'taking out the only one of a fragment',
      'https://h/#t=3',
      { in: 'fragment', name: 't', value: null },
      'https://h/',
    ],
    [
      'taking out one in the middle',
      'https://h/?a&amp;b=2&amp;c',
      { in: 'query', name: 'b', value: null },
      'https://h/?a&amp;c',
    ],
    ['taking out what is not there', 'https://h/?a', { in: 'query', name: 'b', value: null }, 'https://h/?a'],
    ['a trailing separator', 'https://h/?a=1&', { in: 'query', name: 'b', value: '2' }, 'https://h/?a=1&b=2'],
    [
      'blanks at the end',
      'https://h/?a=1 ',
      { in: 'query', name: 'b', value: '2' },
      'https://h/?a=1&amp;b=2 ',
    ],
  ] as const) {
    it(`take ${label}`, () => expect(changeAddress(parseAddress(raw), [change])).to.equal(after));
  }

  it('come out as the URL standard’s own parser would have them', () => {
    const name = fc.stringMatching(/^[a-z]{1,3}$/);
    const value = fc.string({ unit: 'grapheme', maxLength: 8 });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(name, value), { maxLength: 4 }),
        name,
        fc.option(value),
        fc.constantFrom('', '#top', '#t=1'),
        (pairs, wanted, set, hash) => {
          const query = new URLSearchParams(pairs).toString();
          const raw = escapeAttribute(`https://h.localhost/p${query ? `?${query}` : ''}${hash}`);
          const after = changeAddress(parseAddress(raw), [{ in: 'query', name: wanted, value: set }]);
          const oracle = new URLSearchParams(pairs);
          if (set === null) oracle.delete(wanted);
          else oracle.set(wanted, set);
          const result = new URL(decodeAttribute(after).text);
          expect([...result.searchParams]).to.deep.equal([...oracle]);
          expect(result.hash).to.equal(hash);
        },
      ),
      { seed: 11, numRuns: 1000 },
    );
  });
});

describe('style attributes', () => {
  it('are read declaration by declaration, the broken ones passed over', () => {
    const raw = 'Color: red ;; broken; width:calc(100% - 2px)!important;--x:{a};background:url(a;b.png)';
    expect(
      parseStyle(raw).map(({ property, value, important }) => [property, value, important]),
    ).to.deep.equal([
      ['color', 'red', false],
      ['width', 'calc(100% - 2px)', true],
      ['--x', '{a}', false],
      ['background', 'url(a;b.png)', false],
    ]);
    for (const { property, start } of parseStyle(raw))
      expect(raw.slice(start).toLowerCase()).to.match(new RegExp(`^${property}`));
  });
  it('keep what nobody names, byte for byte', () => {
    expect(
      changeStyle(' color : red ; width:1px', [{ property: 'width', value: '2px' }], new Set()).raw,
    ).to.equal(' color : red ; width:2px');
    expect(
      changeStyle('float:left;color:red', [{ property: 'margin', value: '0' }], new Set(['float'])).raw,
    ).to.equal('color:red;margin:0');
    expect(
      changeStyle('width:1px;width:2px!important', [{ property: 'width', value: '3px' }], new Set()),
    ).to.deep.equal({
      raw: 'width:3px',
      replaced: ['width: 1px', 'width: 2px'],
    });
    expect(
      changeStyle('aspect-ratio: 16 / 9', [{ property: 'aspect-ratio', value: '16/9' }], new Set()).raw,
      'the same in other words',
    ).to.equal('aspect-ratio: 16 / 9');
  });
});

describe('attributes', () => {
  const after = (text: string, name: string, value: string | null): string => {
    const change = setAttribute(text, parseMarkup(text).elements[0]!, name, value);
    return change ? applyEdits(text, [{ ...edit(change.start, change.end, change.text) }]) : text;
  };
  for (const [text, name, value, out] of [
    ['<p>', 'a', '1', '<p a="1">'],
    ['<p/>', 'a', '1', '<p a="1"/>'],
    ['<p a=0>', 'a', '1', '<p a=1>'],
    ['<p a=0>', 'a', 'x y', '<p a="x y">'],
    ["<p a='0'>", 'a', "it's", "<p a='it&#39;s'>"],
    ['<p a>', 'a', '1', '<p a="1">'],
    ['<p a>', 'a', '', '<p a>'],
    ['<P A = "0" b>', 'a', 'x"&y', '<P A = "x&quot;&amp;y" b>'],
    ['<p a="1&amp;2" b>', 'a', '1&2', '<p a="1&amp;2" b>'],
    ['<p\n  a="1"\n  b>', 'a', null, '<p\n  b>'],
    ['<p b>', 'a', null, '<p b>'],
    ['<p a=1 a=2>', 'a', '3', '<p a=3 a=2>'],
  ] as const) {
    it(`${text} with ${name}=${value}`, () => expect(after(text, name, value)).to.equal(out));
  }
});

describe('positions', () => {
  it('count lines and columns as people do, for all line ends', () => {
    const at = positionsIn('a\nbc\r\nd\re');
    expect([0, 1, 2, 3, 6, 8].map(at)).to.deep.equal([
      { line: 1, column: 1 },
      { line: 1, column: 2 },
      { line: 2, column: 1 },
      { line: 2, column: 2 },
      { line: 3, column: 1 },
      { line: 4, column: 1 },
    ]);
  });
});

describe('markup', () => {
  for (const [label, text] of Object.entries(codes)) {
    it(`has exact places in ${label}`, () => {
      for (const element of parseMarkup(text).elements) {
        expect(text.slice(element.start, element.nameEnd).toLowerCase()).to.equal(`<${element.name}`);
        for (const attribute of element.attributes.all()) {
          expect(
            text.slice(attribute.start, attribute.end).toLowerCase().startsWith(attribute.name),
          ).to.equal(true);
          expect(decodeAttribute(text.slice(attribute.valueStart, attribute.valueEnd)).text).to.equal(
            attribute.value,
          );
        }
      }
    });
  }
});
