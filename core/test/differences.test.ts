import { expect } from 'chai';
import { lookAtPage, type Expected } from '@orbis/core';

const id = '7k3v9q0xzm';
const frame = `<iframe data-orbis="${id}.3" src="https://kinorill.localhost/p/1?start=112&amp;end=184" title="Talk" allow="fullscreen" style="width:100%"></iframe>`;
const boxed = `<div data-orbis="${id}.3" class="talk"><p>From the moor</p>${frame.replace(`data-orbis="${id}.3" `, '')}<script>start(1)</script></div>`;

const look = (
  inner: string,
  expected: readonly Expected[],
  rest: Partial<Parameters<typeof lookAtPage>[1]> = {},
) =>
  lookAtPage(
    `<!doctype html><html><head><title>T</title></head><body><main><h1>Talks</h1>${inner}</main></body></html>`,
    {
      address: 'https://hollinfell.localhost/talks',
      inHead: [],
      needed: [],
      expected,
      ...rest,
    },
  );
const issuedAs = (text: string): Expected => ({
  placement: id,
  seenBefore: true,
  issued: new Map([[3, text]]),
});
const differences = (found: string, issued: string): string[] =>
  look(found, [issuedAs(issued)])
    .placements[0]!.findings.flatMap(({ details = [] }) => details)
    .map(({ code, facts }) => [code, ...Object.values(facts)].join(' '));

describe('what is otherwise on a page than it was handed out', () => {
  for (const [what, issued, found, told] of [
    [
      'a permission is gone',
      frame,
      frame.replace(' allow="fullscreen"', ''),
      ['attribute-gone iframe allow fullscreen'],
    ],
    [
      'a value is another',
      frame,
      frame.replace('title="Talk"', 'title="Video"'),
      ['attribute-changed iframe title Talk Video'],
    ],
    [
      'a long value is told from where it differs',
      frame.replace('start=112', `${'x=1&amp;'.repeat(20)}start=112`),
      frame.replace('start=112', `${'x=1&amp;'.repeat(20)}start=0`),
      ['attribute-changed iframe src …1&x=1&x=1&x=1&start=112&end=184 …1&x=1&x=1&x=1&start=0&end=184'],
    ],
    [
      'an attribute came along',
      frame,
      frame.replace(' title', ' loading="lazy" title'),
      ['attribute-added iframe loading lazy'],
    ],
    ['an element inside is gone', boxed, boxed.replace('<p>From the moor</p>', ''), ['element-gone p']],
    ['a program is gone', boxed, boxed.replace('<script>start(1)</script>', ''), ['element-gone script']],
    ['a program is another', boxed, boxed.replace('start(1)', 'start(2)'), ['program-changed script']],
    [
      'words are others',
      boxed,
      boxed.replace('the moor', 'the sea'),
      ['text-changed From the moor From the sea'],
    ],
    ['a program is empty', boxed, boxed.replace('start(1)', ''), ['program-changed script']],
    [
      'one element is gone, another came',
      boxed,
      boxed.replace('<p>From the moor</p>', '<h2>Talk</h2>'),
      ['element-gone p', 'element-added h2'],
    ],
    [
      'several at once, in the order of the code',
      boxed,
      boxed.replace(' class="talk"', '').replace('<script>start(1)</script>', '').replace('end=184', 'end=0'),
      [
        'attribute-gone div class talk',
        'attribute-changed iframe src https://kinorill.localhost/p/1?start=112&end=184 https://kinorill.localhost/p/1?start=112&end=0',
        'element-gone script',
      ],
    ],
    [
      'what follows on the page is not part of it',
      `${frame}<p>Shown once</p>`,
      `${frame}<em>x</em><p>Other</p>`,
      ['element-added em', 'text-changed Shown once Other'],
    ],
  ] as const)
    it(what, () => expect(differences(found, issued)).to.deep.equal(told));

  it('tells the first eight, and how many more there are', () => {
    const many = Array.from({ length: 12 }, (_, i) => `data-n${i}="1"`).join(' ');
    const told = differences(frame, frame.replace('title', `${many} title`));
    expect(told).to.have.length(9);
    expect(told[8]).to.equal('and-more 4');
  });

  it('pairs what is the same before what is alike', () => {
    const list = (items: number[]): string =>
      `<ul data-orbis="${id}.3">${items.map((n) => `<li>${n}</li>`).join('')}</ul>`;
    expect(differences(list([2, 3, 4]), list([1, 2, 3, 4]))).to.deep.equal(['element-gone li']);
  });

  it('knows what was never handed out by nothing but its mark', () =>
    expect(differences(frame.replace(/\.3"/, '.4"'), frame)).to.deep.equal([]));
});

describe('what else is on a page', () => {
  const film = '<iframe src="https://otherside.localhost/v/9" title="Aurora"></iframe>';

  it('tells an embed that the register does not know, as it would be collected', () => {
    const { embeds } = look(`${frame}<p>and</p>${film}`, [issuedAs(frame)]);
    expect(embeds).to.deep.equal([
      { text: film, name: 'Aurora', kind: 'frame', hosts: ['otherside.localhost'], line: 1, mark: null },
    ]);
  });
  it('leaves alone what is expected, also altered, and the site’s own', () => {
    const own =
      '<video src="/sky.mp4"></video><form action="/search"><input name="q"></form><script src="/menu.js"></script>';
    for (const there of [frame, frame.replace(' title="Talk"', ''), `${frame}${frame}`])
      expect(look(`${there}${own}`, [issuedAs(frame)]).embeds, there).to.deep.equal([]);
  });
  it('leaves alone what is known by its content, each time that it stands there', () => {
    const plain = frame.replace(/ data-orbis="[^"]*"/, '');
    const { embeds, placements } = look(`${plain}<p>and</p>${plain}`, [issuedAs(plain)]);
    expect(embeds).to.deep.equal([]);
    expect(placements[0]!.findings).to.deep.equal([
      { rule: 'doubled', level: 'warning', facts: { times: 2 } },
    ]);
  });
  it('takes what carries a mark for nobody else’s', () => {
    const commented = `<!--orbis ${id}.3-->${film}`;
    const other = { placement: '0000000001', seenBefore: true, issued: new Map([[1, film]]) };
    for (const expected of [
      [other, issuedAs(commented)],
      [issuedAs(commented), other],
    ])
      expect(
        look(commented, expected).placements.map(({ placement, state }) => [placement, state]),
      ).to.have.deep.members([
        [id, 'live'],
        ['0000000001', 'missing'],
      ]);
  });
  it('knows a code whose comment was lost by its content', () =>
    expect(look(film, [issuedAs(`<!--orbis ${id}.3-->${film}`)]).placements[0]).to.deep.include({
      state: 'live',
      delivery: 3,
    }));
  it('names placements of other pages, each once', () => {
    const other = frame.replaceAll(id, '0000000002');
    const { strangers } = look(`${frame}\n${other}${other}`, [issuedAs(frame)]);
    expect(strangers).to.deep.equal([{ mark: { placement: '0000000002', delivery: 3 }, line: 2 }]);
  });
  it('tells what is wrong between it and others', () => {
    const counter = '<div data-counts="x"></div><script src="https://otherside.localhost/c.js"></script>';
    expect(look(`${counter}<p>and</p>${counter}`, []).troubles.map(({ rule }) => rule)).to.deep.equal([
      'loader-repeated',
    ]);
  });
});

describe('what a page needs beside what stands in its spots', () => {
  const script = '<script src="https://fennfeed.localhost/feed.js" async></script>';
  const times = (
    html: string,
    text: string,
    position: 'page-head' | 'page-style' | 'body-end' = 'page-head',
  ) =>
    lookAtPage(html, {
      address: 'https://hollinfell.localhost/',
      expected: [],
      inHead: [],
      needed: [{ digest: 'd', position, text }],
    }).times['d'];

  it('counts it wherever it stands', () => {
    expect(times(`<head>${script}</head><body>x`, script)).to.equal(1);
    expect(times(`<head></head><body>x${script}`, script, 'body-end')).to.equal(1);
    expect(times(`<head>${script}</head><body>x${script}`, script)).to.equal(2);
    expect(times(`<body>x<!--${script}-->`, script)).to.equal(0);
    expect(times(`<body>x`, script)).to.equal(0);
  });
  it('needs all of it', () => {
    const both = `<style>.a{b:c}</style>${script}`;
    expect(times(`<head><style> .a{b:c}\n</style><meta name="x"></head><body>${script}`, both)).to.equal(1);
    expect(times(`<head>${script}</head><body>`, both)).to.equal(0);
  });
  it('finds bare rules in whatever style element they were put', () => {
    expect(times('<style>h1{x:y}\n.a { b:c }\n</style>', '.a { b:c }', 'page-style')).to.equal(1);
    expect(times('<p>.a { b:c }</p>', '.a { b:c }', 'page-style')).to.equal(0);
  });
});

describe('a page that its scripts fill', () => {
  const isShell = (html: string) =>
    lookAtPage(html, { address: 'https://hollinfell.localhost/', expected: [], inHead: [], needed: [] })
      .isShell;
  for (const [html, says] of [
    ['<head><title>Talks</title></head><body><div id="app"></div><script src="/app.js"></script>', true],
    [
      '<body><noscript>You need a browser that runs scripts to see these pages</noscript><script>1</script>',
      true,
    ],
    ['<body><div id="app">Loading…</div><script src="/app.js"></script>', true],
    ['<body><div id="app"></div>', false],
    ['<body><img src="/sky.jpg" alt=""><script src="/app.js"></script>', false],
    ['<body><p>The observatory is open on every clear Friday.</p><script src="/app.js"></script>', false],
  ] as const)
    it(`${says ? 'is' : 'is not'} ${html}`, () => expect(isShell(html)).to.equal(says));
});
