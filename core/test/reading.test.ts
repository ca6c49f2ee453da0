import { expect } from 'chai';
import fc from 'fast-check';
import { limits, read, type Reading } from '@orbis/core';
import { formatKindReasons } from '@orbis/contract';
import { codes, kinorill, oddreel, sheets, talk } from './corpus.ts';

const context = { sheets };
const rulesOf = (reading: Reading): string[] => reading.findings.map((f) => f.rule);

/** Parts at the top tile the text; parts inside another lie within it. */
function expectTiling(text: string, reading: Reading): void {
  const top = reading.parts.filter((part) => part.inside === null);
  let at = 0;
  for (const part of top) {
    expect(part.start, 'a gap or an overlap').to.equal(at);
    expect(part.end).to.be.greaterThan(part.start);
    at = part.end;
  }
  expect(at).to.equal(text.length);
  for (const part of reading.parts) {
    if (part.inside === null) continue;
    const outer = reading.parts[part.inside]!;
    expect(part.start).to.be.at.least(outer.start);
    expect(part.end).to.be.at.most(outer.end);
  }
}

describe('the reading of a code', () => {
  it('understands a frame code of a known provider', () => {
    const reading = read(talk, context);
    expect(reading).to.deep.include({
      input: 'code',
      kind: 'video',
      provider: { id: 'kinorill', name: 'Kinorill' },
      sheet: { id: 'kinorill', version: 1 },
    });
    expect(reading.size).to.deep.equal({
      width: { value: 560, unit: 'px' },
      height: { value: 315, unit: 'px' },
      ratio: 1.7778,
    });
    expect(reading.parts).to.deep.equal([
      { role: 'frame', place: 'body', repeat: 'placement', start: 0, end: talk.length, inside: null, of: [] },
    ]);
    const [address] = reading.addresses;
    expect(address!.url).to.equal('https://play.kinorill.localhost/film/qX7_LORENZ?lang=en&knobs=1');
    expect(talk.slice(address!.start, address!.end)).to.equal(
      'https://play.kinorill.localhost/film/qX7_LORENZ?lang=en&amp;knobs=1',
    );
    expect(address!.parameters).to.deep.equal([
      { name: 'lang', value: 'en', in: 'query' },
      { name: 'knobs', value: '1', in: 'query' },
    ]);
    expect(reading.hosts).to.deep.equal([{ host: 'play.kinorill.localhost', uses: ['frame'], when: 'load' }]);
    expect(reading.findings).to.deep.equal([]);
  });

  it('makes a code of a link, with the port and scheme of the link', () => {
    const reading = read('  http://kinorill.localhost:7430/films/qX7?at=1m52s\n', context);
    expect(reading).to.deep.include({
      input: 'link',
      kind: 'video',
      provider: { id: 'kinorill', name: 'Kinorill' },
    });
    expect(reading.generated).to.equal(
      '<iframe src="http://play.kinorill.localhost:7430/film/qX7" width="640" height="360" title="Kinorill video" loading="lazy" allow="fullscreen"></iframe>',
    );
    expect(reading.parts.map((p) => p.role)).to.deep.equal(['text', 'link', 'text']);
  });

  it('finds the id of a link in its query where the sheet says so', () => {
    expect(read('https://oddreel.localhost/v?item=77', context).generated).to.include(
      'https://oddreel.localhost/box/77',
    );
  });

  for (const [text, input, kind] of [
    ['', 'empty', 'unknown'],
    ['\uFEFF \r\n', 'empty', 'unknown'],
    ['just some words', 'text', 'unknown'],
    ['https://elsewhere.localhost/x', 'link', 'unknown'],
    ['https://play.kinorill.localhost/ and more', 'text', 'unknown'],
    ['&lt;iframe src="x"&gt;&lt;/iframe&gt;', 'visible-code', 'unknown'],
    ['<p>&lt;script src=x&gt;</p>', 'visible-code', 'unknown'],
    ['<iframe src="https://elsewhere.localhost/x"></iframe>', 'code', 'frame'],
    ['<audio controls src="a.mp3"></audio>', 'code', 'audio'],
    ['<div class="x" data-y="1"></div><script src="https://e.localhost/a.js"></script>', 'code', 'unknown'],
    ['<img src="https://e.localhost/a.png">', 'code', 'image'],
    [codes['a form']!, 'code', 'form'],
  ] as const) {
    it(`says ${input} and ${kind} of ${JSON.stringify(text.slice(0, 40))}`, () => {
      const reading = read(text, context);
      expect([reading.input, reading.kind]).to.deep.equal([input, kind]);
      expect(formatKindReasons(reading.kindReasons)).to.match(/^[A-Z].*\.$/);
    });
  }

  it('gives parts their roles', () => {
    const rolesOf = (code: string): string[] => read(code, context).parts.map((part) => part.role);
    expect(rolesOf(codes['element and loader']!)).to.deep.equal(['mount', 'text', 'loader']);
    expect(rolesOf(codes['a box around it']!)).to.deep.equal(['wrapper', 'frame']);
    expect(rolesOf(codes['a video with sources']!)).to.deep.equal(['media', 'fallback']);
    expect(rolesOf('<style>a{}</style><script>x()</script><noscript>no</noscript>')).to.deep.equal([
      'style',
      'setup',
      'fallback',
    ]);
    const loader = read(codes['element and loader']!, context).parts[2]!;
    expect(loader).to.deep.include({ repeat: 'page', of: [0] });
  });

  for (const [label, code] of Object.entries(codes))
    it(`tiles ${label}`, () => expectTiling(code, read(code, context)));

  it('tiles any text and never throws', () => {
    const scrap = fc.constantFrom(
      '<iframe src="',
      '">',
      '</iframe>',
      '<div>',
      '</p>',
      '<table>',
      '&amp;',
      '<script>',
      '</script>',
      '<!--',
      '-->',
      'x',
      ' ',
      "'",
      '<b',
      '<svg>',
      '<template>',
      '🌌',
    );
    fc.assert(
      fc.property(fc.array(fc.oneof(scrap, fc.string({ unit: 'grapheme' })), { maxLength: 14 }), (pieces) => {
        const text = pieces.join('');
        const reading = read(text, context);
        if (text !== '') expectTiling(text, reading);
      }),
      { numRuns: 1500, seed: 20261123 },
    );
  });

  it('takes the decoded address, however it is quoted and escaped', () => {
    const url = 'https://play.kinorill.localhost/film/a1?x=1&y=2';
    const forms = [
      `"${url}"`,
      `'${url}'`,
      url,
      `"${url.replace('&', '&amp;')}"`,
      `"${url.replace('&', '&#x26;')}"`,
    ];
    for (const form of forms)
      expect(read(`<iframe src=${form} title=t></iframe>`, context).addresses[0]!.url).to.equal(url);
  });
});

describe('a code of several embeds', () => {
  it('is described by its first, and each has its own kind', () => {
    const map =
      '<iframe src="https://mapmere.localhost/embed/map?lat=54.37&amp;lng=-2.1" title="Map"></iframe>';
    const reading = read(`${map}\n<video controls src="a.mp4"></video>`, context);
    expect([reading.kind, ...reading.embeds.map(({ kind }) => kind)]).to.deep.equal(['map', 'map', 'video']);
    expect(formatKindReasons(reading.kindReasons)).not.to.include('video');
  });
});

describe('the limits of the reading', () => {
  const tooMuch: [label: string, text: string, what: string][] = [
    ['a text over a mebibyte', 'x'.repeat(limits.length + 1), 'length'],
    ['nesting over 512', '<div>'.repeat(513), 'nesting'],
    [
      'ten thousand and one attributes',
      `<p ${Array.from({ length: 10_001 }, (_, i) => `a${i}`).join(' ')}>`,
      'attributes',
    ],
    ['half a character', 'abc\ud800def', 'surrogate'],
  ];
  for (const [label, text, what] of tooMuch) {
    it(`refuse ${label} with one finding`, () => {
      const reading = read(text, context);
      expect(rulesOf(reading)).to.deep.equal(['too-much']);
      expect(reading.findings[0]!.facts['what']).to.equal(what);
      expect(reading.parts).to.have.length(1);
    });
  }
  it('let through what is just below them', () => {
    for (const text of [
      'x'.repeat(limits.length),
      '<div>'.repeat(512),
      '<br>'.repeat(2000),
      '🌌',
      `<script>${'<div>'.repeat(600)}</script>`,
    ]) {
      expect(rulesOf(read(text, context))).not.to.include('too-much');
    }
  });
});

describe('the built-in sheet in tests', () => {
  it('differ, so that nothing can rest on one provider’s names', () => {
    const names = (sheet: typeof kinorill): string[] => Object.values(sheet.settings).map((s) => s.name);
    expect(names(kinorill).filter((name) => names(oddreel).includes(name))).to.deep.equal([]);
  });
});
