import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import fc from 'fast-check';
import { harvest, pageRules, type PageHarvest } from '@orbis/core';
import { sheets } from './corpus.ts';
import { scrapTexts } from './support/scraps.ts';

const saved = (name: string): string =>
  readFileSync(new URL(`./pages/${name}.html`, import.meta.url), 'utf8');
const context = { sheets };
const seen = ({ embeds }: PageHarvest) =>
  embeds.map(({ heading, reading, pieces }) => [reading.kind, heading?.text ?? null, pieces.length]);
const rulesOf = ({ findings }: PageHarvest): string[] => findings.map(({ rule }) => rule);
const page = (body: string, head = ''): string =>
  `<!doctype html><html><head><title>t</title>${head}</head><body>${body}</body></html>`;
const loader = '<script async src="https://cdn.slotsedge.localhost/booking.js"></script>';
const calendar = (n: number): string => `<div class="slotsedge-calendar" data-calendar="${n}"></div>`;

describe('harvesting a page', () => {
  it('finds every embed of a long article among its ordinary content, each under its heading', () => {
    const text = saved('article');
    const found = harvest(text, {
      ...context,
      address: 'https://hollinfell.localhost/stories/twelve-winters',
    });
    expect(found.title).to.equal('Twelve winters on the moor · Hollin Fell Observatory');
    expect(seen(found)).to.deep.equal([
      ['map', 'The road', 1],
      ['video', 'The first talk', 1],
      ['feed', 'The first talk', 1],
      ['feed', 'What else was said', 1],
      ['booking', 'Come in winter', 1],
      ['popup', 'Come in winter', 2],
      ['video', 'Come in winter', 1],
      ['counter', 'Come in winter', 1],
    ]);
    expect(found.embeds.map(({ name }) => name)).to.include.members([
      'A night on the moor',
      'The road (map)',
      'Come in winter (booking)',
    ]);
    expect(found.embeds.find(({ reading }) => reading.kind === 'popup')!.text).to.equal(
      '<div class="popplenook-popup" data-campaign="friends-of-the-fell" data-after="20"></div>\n<script async src="https://js.popplenook.localhost/popup.js"></script>',
    );
    const player = found.embeds[1]!;
    expect(player.text)
      .to.match(/^<div style="position:relative;padding-bottom:56.25%/)
      .and.match(/<\/iframe><\/div>$/);
    expect([player.line, player.heading]).to.deep.equal([34, { text: 'The first talk', rank: 2 }]);
    expect(rulesOf(found)).to.deep.equal(['loader-repeated']);
    expect(found.findings[0]!.facts).to.deep.equal({ url: 'https://fennfeed.localhost/embed.js', times: 2 });
  });

  it('finds them in boxes within boxes, with the loader that serves them from the head', () => {
    const found = harvest(saved('boxes'), context);
    expect(seen(found)).to.deep.equal([
      ['form', 'The programme', 1],
      ['shop', 'From the stall', 2],
      ['shop', 'From the stall', 2],
      ['form', 'From the stall', 1],
    ]);
    expect(found.embeds[1]!.text).to.equal(
      '<div id="stallmere-1" data-product="moon-map"></div>\n<script src="https://cdn.stallmere.localhost/shop.js" async></script>',
    );
    expect(
      found.findings.map(({ rule, facts }) => [rule, facts['what'], facts['name'], facts['times']]),
    ).to.deep.equal([['claims-collide', 'id', 'mail', 2]]);
  });

  it('finds nothing on a page that is nothing but an app’s script, and says nothing against it', () => {
    expect(harvest(saved('app'), { ...context, address: 'https://hollinfell.localhost/' })).to.deep.equal({
      title: 'Hollin Fell',
      embeds: [],
      findings: [],
    });
  });

  it('leaves what the page shows of its own alone', () => {
    const own = page(
      '<form action="/search"><input></form><img src="https://pictures.localhost/x.jpg"><div class="gallery" data-count="3"></div><a href="https://elsewhere.localhost/">x</a><script src="/own.js"></script><script>let a = 1</script><blockquote cite="https://b.localhost/">x</blockquote>',
      '<script src="https://cdn.hollinfell.localhost/site.js"></script>',
    );
    expect(harvest(own, { ...context, address: 'https://hollinfell.localhost/' })).to.deep.include({
      embeds: [],
      findings: [],
    });
  });

  it('knows a page’s own host from its canonical address where nobody told', () => {
    const body = '<object data="https://www.hollinfell.localhost/chart.pdf"></object>';
    expect(harvest(page(body), context).embeds).to.have.length(1);
    expect(
      harvest(page(body, '<link rel="canonical" href="https://hollinfell.localhost/x">'), context).embeds,
    ).to.have.length(0);
  });

  it('takes with a place the machinery beside it, but nothing from beyond other content or the head', () => {
    const [first, second] = harvest(
      page(
        `<p>a</p>\n${calendar(1)}\n${loader}\n<p>b</p>\n<script>slot(2)</script><iframe src="https://a.localhost/x"></iframe>`,
        '<style>p{color:red}</style>',
      ),
      context,
    ).embeds;
    expect(first!.text).to.equal(`${calendar(1)}\n${loader}`);
    expect(second!.text).to.equal('<script>slot(2)</script><iframe src="https://a.localhost/x"></iframe>');
    expect(
      harvest(page('<iframe src="https://a.localhost/x"></iframe>', '<style>p{color:red}</style>'), context)
        .embeds[0]!.text,
    ).not.to.include('style');
  });

  it('does not take the script of one place for the next one’s', () => {
    const found = harvest(
      page(`${calendar(1)}\n${loader}\n<div class="popplenook-popup" data-campaign="x"></div>\n<p>x</p>`),
      context,
    );
    expect(found.embeds.map(({ text }) => text)).to.deep.equal([`${calendar(1)}\n${loader}`]);
    expect(found.findings.map(({ rule, facts }) => [rule, facts['named']])).to.deep.equal([
      ['loader-missing', 'popplenook-popup'],
    ]);
  });

  it('offers a script of somebody else’s that shows something by itself, once', () => {
    const found = harvest(
      page('<h2>Visitors</h2><script src="https://count.tallywren.localhost/w.js?site=7"></script>'),
      context,
    );
    expect(found.embeds.map(({ text, heading }) => [text, heading?.text])).to.deep.equal([
      ['<script src="https://count.tallywren.localhost/w.js?site=7"></script>', 'Visitors'],
    ]);
  });

  it('takes a picture of somebody else’s that leads to them, and no picture of the page’s own with a link', () => {
    const badge =
      '<a href="https://guide.starwell.example/x"><img src="https://badge.starwell.example/x.svg" alt="Rated"></a>';
    const own = '<a href="https://s.ab/x"><img src="/img/x.jpg" alt="x"></a>';
    const { embeds } = harvest(page(`<p>a</p>${own}<p>b</p>${badge}`), {
      ...context,
      address: 'https://hollinfell.localhost/x',
    });
    expect(embeds.map(({ text }) => text)).to.deep.equal([badge]);
  });

  it('leaves alone a library that is named with its version', () => {
    const body = `<h1>x</h1><div>${'<script src="https://code.toolwell.example/quick-3.6.0.min.js"></script>'}</div><p>y</p>`;
    expect(harvest(page(body), context).embeds).to.deep.equal([]);
  });

  it('leaves alone what counts silently in the head, and the site’s own files between', () => {
    const head =
      '<link rel="stylesheet" href="/css/site.css"><script async src="https://www.sees.example/s.js?site=8"></script><script>window.sees = window.sees || [];</script>';
    const body =
      '<div class="dalewick-box" data-dw="8"></div><link rel="stylesheet" href="/css/more.css"><script async src="https://cdn.dalewick.example/d.js"></script>';
    const found = harvest(page(body, head), { ...context, address: 'https://hollinfell.localhost/x' });
    expect(found.embeds).to.have.length(1);
    expect(found.embeds[0]!.text).to.include('d.js').and.include('data-dw');
    expect(found.embeds[0]!.text).not.to.include('sees');
  });

  it('takes the page’s own script that a provider’s calls when it is there, with the place that it fills', () => {
    const body =
      '<h2>The way here</h2><div id="way"></div><p>By bus.</p>\n<p>On foot.</p><script>function showWay() { new dalewick.Map(document.getElementById("way")); }</script><script async src="https://maps.dalewick.example/api?callback=showWay"></script>';
    const { embeds } = harvest(page(body), { ...context, address: 'https://hollinfell.localhost/x' });
    expect(embeds).to.have.length(1);
    expect(embeds[0]!.text)
      .to.include('<div id="way">')
      .and.include('function showWay')
      .and.include('callback=showWay');
  });

  it('tells a code that Orbis handed out by its mark', () => {
    const found = harvest(
      page('<div data-orbis="0123456789.3"><iframe src="https://a.localhost/x"></iframe></div>'),
      context,
    );
    expect(found.embeds.map(({ mark, text }) => [mark, text.startsWith('<div data-orbis')])).to.deep.equal([
      ['0123456789.3', true],
    ]);
  });

  it('refuses a page beyond the limits, and says why', () => {
    expect(rulesOf(harvest('<p>x</p>'.repeat(200_000), context))).to.deep.equal(['too-much']);
    expect(rulesOf(harvest('<div>'.repeat(600), context))).to.deep.equal(['too-much']);
  });

  it('never throws, whatever it is given, and every code stands on the page as it is offered', () => {
    fc.assert(
      fc.property(scrapTexts, (text) => {
        for (const { text: code, pieces } of harvest(text, context).embeds)
          expect(pieces.map(({ start, end }) => text.slice(start, end)).join('\n')).to.equal(code);
      }),
      { seed: 20261123, numRuns: 1500 },
    );
  });
});

/** For each rule: pages where it must speak, and pages, near to these, where it must be silent. */
const table: [rule: string, speaks: string[], silent: string[]][] = [
  [
    'loader-repeated',
    [
      page(`${calendar(1)}${loader}<p>x</p>${calendar(2)}${loader}`),
      page(`${calendar(1)}${loader}${loader}`),
    ],
    [
      page(`${calendar(1)}${calendar(2)}${loader}`),
      page(`${calendar(1)}${loader}<p>x</p>${calendar(2)}${loader.replace('booking', 'other')}`),
      page(
        '<script src="https://count.tallywren.localhost/w.js"></script><p>x</p><script src="https://count.tallywren.localhost/w.js"></script>',
      ),
      page(
        `${calendar(1)}${loader.replace('async', 'async data-form="1"')}<p>x</p>${calendar(2)}${loader.replace('async', 'async data-form="2"')}`,
      ),
    ],
  ],
  [
    'loader-missing',
    [page(calendar(1)), page('<tally-wren site="7"></tally-wren>')],
    [
      page(`${calendar(1)}${loader}`),
      page(`${calendar(1)}<script src="/own.js"></script>`),
      page('<div class="spacer"></div>'),
      page('<div data-tip="x">words</div>'),
      page(`<script>document.querySelector("div")</script>${calendar(1)}`),
    ],
  ],
  [
    'claims-collide',
    [
      page(
        '<form id="f" action="https://a.localhost/"></form><p>x</p><form id="f" action="https://a.localhost/"></form>',
      ),
      page(
        '<iframe src="https://a.localhost/1"></iframe><script>const size = 1</script><p>x</p><iframe src="https://a.localhost/2"></iframe><script>const size = 2</script>',
      ),
    ],
    [
      page(
        '<form id="f" action="https://a.localhost/"></form><p>x</p><form id="g" action="https://a.localhost/"></form>',
      ),
      page(
        '<iframe src="https://a.localhost/1"></iframe><script>window.q = window.q || []</script><p>x</p><iframe src="https://a.localhost/2"></iframe><script>window.q = window.q || []</script>',
      ),
      page(
        `<script>const size = 1; document.createElement("script").src = "https://cdn.slotsedge.localhost/booking.js"</script><p>x</p>${calendar(1)}<p>y</p>${calendar(2)}`,
      ),
    ],
  ],
];

describe('the rules on a page', () => {
  for (const [rule, speaks, silent] of table) {
    speaks.forEach((text, i) =>
      it(`${rule} speaks on page ${i + 1} of its kind`, () =>
        expect(rulesOf(harvest(text, context))).to.include(rule)),
    );
    silent.forEach((text, i) =>
      it(`${rule} is silent on page ${i + 1} near to it`, () =>
        expect(rulesOf(harvest(text, context))).not.to.include(rule)),
    );
  }
  it('are all in that table, and each says what it rests on', () => {
    expect(pageRules.map(({ id }) => id)).to.deep.equal(table.map(([rule]) => rule).sort());
    for (const { source } of pageRules) expect(source).to.match(/\S{3}/);
  });
});
