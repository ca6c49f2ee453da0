import { expect } from 'chai';
import fc from 'fast-check';
import {
  applyEdits,
  composeForEditor,
  neutralMark,
  openCode,
  openEditor,
  planPage,
  publishedText,
  reconcile,
  scanPage,
  showsServed,
  snippetText,
  takenOut,
  throughEditor,
  withMark,
  type EditorRules,
  type LevelledOptions,
  type PagePlan,
} from '@orbis/core';
import { codes, sheets } from './corpus.ts';

const id = '7k3v9q0xzm';
const servedAt = 'http://0000000000.frames.localhost:7421/';
const film =
  '<iframe src="https://play.kinorill.localhost/film/nB4moorNight" width="560" height="315" title="A talk" allow="fullscreen"></iframe>';
const booking =
  '<div class="slotsedge-calendar" data-calendar="one"></div>\n<script async src="https://cdn.slotsedge.localhost/booking.js"></script>';
const taken = (...names: string[]) => ({ which: 'these' as const, names });
const onlyThese = (...names: string[]) => ({ which: 'all-but' as const, names });

const composed = (
  text: string,
  rules: Partial<EditorRules>,
  asked: LevelledOptions = {},
  circumstances: object = {},
) =>
  composeForEditor(
    openCode(text, { sheets }),
    asked,
    { mark: neutralMark, servedAt, ...circumstances },
    {
      editor: { ...openEditor, ...rules },
      moves: () => 'loader' in circumstances && circumstances.loader === 'head',
    },
  );
const seen = (pasted: string, page: string, served?: string) =>
  reconcile(scanPage(`<body><main>${page}</main>`), [
    { placement: id, seenBefore: true, issued: new Map([[2, pasted]]), ...(served && { served }) },
  ])[0]!;
const issued = (composition: ReturnType<typeof composed>): string =>
  publishedText(
    withMark(
      composition.snippets.find(({ position }) => position === 'spot')!,
      { placement: id, delivery: 2 },
    ),
  );

describe('the form that an editor lets through', () => {
  const cases: [string, string, Partial<EditorRules>, object, string, string[]][] = [
    ['as it was asked for, where nothing is taken out', booking, {}, {}, 'asked', []],
    [
      'a frame of its own, where scripts are taken out',
      booking,
      { elements: taken('script') },
      {},
      'enclosed',
      ['<script>'],
    ],
    [
      'a frame that is served, where documents in the markup are taken out as well',
      booking,
      { elements: taken('script'), attributes: taken('srcdoc') },
      {},
      'served',
      ['<script>'],
    ],
    [
      'a link in words, where frames are taken out as well',
      film,
      { elements: taken('script', 'iframe') },
      {},
      'words',
      ['<iframe>'],
    ],
    ['the link alone, where nothing else is taken', film, { takes: 'link' }, {}, 'link', []],
    [
      'as it was asked for, where its script goes into the head of the page',
      booking,
      { elements: taken('script') },
      { loader: 'head', listener: 'head', apart: 'x' },
      'asked',
      [],
    ],
    [
      'served, where a document in the markup would be let into the page',
      '<iframe srcdoc="<script>go()</script>" sandbox="allow-scripts" title="A game"></iframe>',
      { attributes: taken('sandbox') },
      {},
      'served',
      ['sandbox'],
    ],
    [
      'served, where an element without its names would not be found by its script',
      booking,
      { attributes: onlyThese('src', 'async') },
      {},
      'served',
      ['class', 'data-calendar'],
    ],
  ];
  for (const [what, text, rules, circumstances, form, because] of cases)
    it(what, () => {
      const { forEditor } = composed(text, rules, {}, circumstances);
      expect(forEditor).to.deep.include({ form, survives: true });
      expect(forEditor.stronger[0]?.lost ?? []).to.deep.equal(because);
    });

  it('leaves out beforehand what would be taken out, and says what that is', () => {
    const composition = composed(film, { attributes: onlyThese('src') });
    expect(composition.text).to.equal(
      '<!--orbis 0000000000.0--><iframe src="https://play.kinorill.localhost/film/nB4moorNight"></iframe>',
    );
    expect(composition.forEditor).to.deep.equal({
      form: 'asked',
      stronger: [],
      without: ['width', 'height', 'title', 'allow'],
      fixesHeight: false,
      survives: true,
    });
  });

  const still = 'https://hollinfell.localhost/stills/moor.jpg?a=1&b=2';
  it('is its picture with a link, where it has one of its owner’s and the editor lets pictures through', () => {
    const rules = { elements: taken('script', 'iframe') };
    const asked = { embed: { still, load: 'click' } };
    const composition = composed(film, rules, asked);
    expect(composition.forEditor).to.deep.include({ form: 'picture', survives: true, without: [] });
    expect(composition.text).to.equal(
      '<a data-orbis="0000000000.0" href="https://play.kinorill.localhost/film/nB4moorNight"><img src="https://hollinfell.localhost/stills/moor.jpg?a=1&amp;b=2" alt="Open it at Kinorill" style="max-width:100%;height:auto"></a>',
    );
    expect(seen(issued(composition), issued(composition)).state).to.equal('live');
    expect(seen(issued(composition), '<p>Before</p>').state).to.equal('missing');
    const bare = composed(film, { ...rules, attributes: taken('style') }, asked);
    expect(bare.forEditor).to.deep.include({ form: 'picture', without: ['style'] });
  });

  for (const [what, rules, asked] of [
    ['pictures are taken out', { elements: taken('iframe', 'script', 'img') }, { still }],
    ['their addresses are', { elements: taken('iframe', 'script'), attributes: taken('src') }, { still }],
    ['it has none', { elements: taken('iframe', 'script') }, {}],
    [
      'it is in the option itself',
      { elements: taken('iframe', 'script') },
      { still: `data:image/png;base64,${btoa('x')}` },
    ],
  ] as const)
    it(`is a link in words where ${what}`, () => {
      expect(composed(film, rules, { embed: asked }).forEditor.form).to.equal('words');
    });

  it('says so where not even a link survives', () => {
    const { forEditor } = composed(film, { elements: onlyThese('p') });
    expect(forEditor).to.deep.include({ form: 'asked', survives: false });
  });

  it('has the lines around it that the editor wants, which the page does not show', () => {
    const composition = composed(film, { firstLine: '[code]', lastLine: '[/code]' });
    expect(composition.text.startsWith('[code]\n<iframe data-orbis="')).to.equal(true);
    expect(composition.text.endsWith('</iframe>\n[/code]')).to.equal(true);
    expect(seen(issued(composition), issued(composition)).state).to.equal('live');
  });

  for (const [way, rules] of [
    ['a comment', { attributes: taken('data-*') }],
    ['a class', { attributes: taken('data-*'), comments: false }],
    ['its content', { attributes: onlyThese('src', 'width'), comments: false }],
  ] as const)
    it(`is known on its page by ${way}, where the attribute does not survive`, () => {
      const composition = composed(film, rules);
      const pasted = issued(composition);
      expect(throughEditor(pasted, { ...openEditor, ...rules })).to.equal(pasted);
      expect(seen(pasted, `<p>Before</p>${pasted}`)).to.deep.include({
        state: 'live',
        delivery: 2,
        findings: [],
      });
      expect(seen(pasted, '<p>Before</p>').state).to.equal('missing');
      const asText = seen(pasted, `<p>${pasted.replaceAll('<', '&lt;')}</p>`);
      expect(asText.findings.map(({ rule }) => rule)).to.deep.equal(
        way === 'its content' ? ['missing'] : ['shown-as-text', 'missing'],
      );
      expect(seen(pasted, pasted.replace('nB4moorNight', 'other')).state).to.equal(
        way === 'its content' ? 'missing' : 'altered',
      );
    });

  it('tells two that are alike, and carry no mark, apart by their places', () => {
    const pasted = issued(composed(film, { attributes: onlyThese('src'), comments: false }));
    const expected = ['1111111111', '2222222222', '3333333333'].map((placement) => ({
      placement,
      seenBefore: true,
      issued: new Map([[1, pasted]]),
    }));
    const states = reconcile(scanPage(`${pasted}<hr>${pasted}`), expected).map(({ state }) => state);
    expect(states).to.deep.equal(['live', 'live', 'missing']);
  });

  it('names its placement in a link alone', () => {
    const [snippet] = composed(film, { takes: 'link' }).snippets;
    expect(showsServed(snippet!)).to.equal(true);
    expect(snippetText(withMark(snippet!, { placement: id, delivery: 2 }))).to.equal(
      `http://${id}.frames.localhost:7421/`,
    );
  });

  it('hands nothing out that the editor takes out, whatever the code and the rules', () => {
    const names = (of: string[]) =>
      fc.record({ which: fc.constantFrom('these' as const, 'all-but' as const), names: fc.subarray(of) });
    const elements =
      'div span p a img iframe script style link form input button video audio noscript figure'.split(' ');
    const attributes =
      'class id style src srcdoc href action name type value sandbox allow width height data-*'.split(' ');
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(codes)),
        names(elements),
        names(attributes),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        (text, taken, lost, inlineScripts, comments, head) => {
          const rules = { ...openEditor, elements: taken, attributes: lost, inlineScripts, comments };
          const plan = planned(text, rules, head);
          const spot = snippetText(plan.snippets.find(({ position }) => position === 'spot')!);
          const isLost = plan.findings.some(({ rule }) => rule === 'editor-lets-nothing-through');
          if (!isLost) expect(takenOut(spot, rules).map(({ name }) => name)).to.deep.equal([]);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('is traced to the paste or to a reason: its edits make it, and taking them back gives the paste', () => {
    const attributes = 'class id style title width height srcdoc data-*'.split(' ');
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(codes)),
        fc.subarray(attributes),
        fc.subarray(['script', 'iframe', 'div', 'noscript']),
        fc.boolean(),
        fc.constantFrom('', '[code]'),
        (text, names, elements, comments, line) => {
          const rules = { attributes: taken(...names), elements: taken(...elements), comments };
          const composition = composed(text, { ...rules, firstLine: line, lastLine: line });
          const { runs } = composition.snippets.find(({ position }) => position === 'spot')!;
          const back = runs
            .map((run) =>
              run.from === 'source'
                ? run.text
                : run.instead
                  ? text.slice(run.instead.start, run.instead.end)
                  : '',
            )
            .join('');
          expect(back).to.equal(text);
          expect(applyEdits(text, composition.edits)).to.equal(snippetText({ runs }));
        },
      ),
    );
  });
});

function planned(text: string, editor: EditorRules, head: boolean): PagePlan {
  const code = openCode(text, { sheets });
  const placement = { id, place: 'x/p#a', code, asked: {}, mark: neutralMark };
  return planPage([placement], { head, servedAt, editor }, (each) => each);
}

describe('the plan of a page for an editor', () => {
  it('says which form it took and why, what is lost, and what is too much', () => {
    const { findings } = planned(
      booking,
      {
        ...openEditor,
        elements: taken('script'),
        attributes: taken('srcdoc', 'sandbox'),
        mostHosts: 0,
        mostScripts: 0,
      },
      false,
    );
    expect(
      findings.map(({ rule, level, facts }) => [
        rule,
        level,
        facts['form'] ?? facts['names'] ?? facts['count'],
      ]),
    ).to.deep.equal([
      ['editor-form', 'note', 'served'],
      ['editor-fixes-height', 'note', undefined],
      ['editor-takes-out', 'note', 'sandbox'],
      ['too-many-hosts', 'warning', 1],
    ]);
  });

  for (const [what, bytes, expected] of [
    ['is not weighed', [null, 900], ['not-weighed', 1, undefined]],
    ['is heavier together', [1200, 900], ['too-heavy', undefined, 3]],
    ['is heavier with what is known alone', [2001, null], ['too-heavy', undefined, 3]],
    ['is just as heavy', [1500, 500], null],
  ] as const)
    it(`says so of what ${what}, where its owner wants 2 kB at most`, () => {
      const placements = bytes.map((each, i) => ({
        id: `${i}`.padStart(10, '0'),
        place: `x/p#${i}`,
        code: openCode(film, { sheets }),
        asked: {},
        mark: neutralMark,
        bytes: each,
      }));
      const { findings } = planPage(
        placements,
        { head: false, editor: { ...openEditor, mostKilobytes: 2 } },
        (each) => each,
      );
      const [found] = findings;
      expect(found ? [found.rule, found.facts['count'], found.facts['kilobytes']] : null).to.deep.equal(
        expected,
      );
    });

  it('brings what the editor needs beside, once, in the head or at the end of the page, as long as it is needed', () => {
    const companion = '<script src="https://builder.localhost/embeds.js"></script>';
    const place = (text: string, id: string) => ({
      id,
      place: `x/p#${id}`,
      name: 'Nights',
      code: openCode(text, { sheets }),
      asked: {},
      mark: neutralMark,
    });
    const plan = (texts: string[], rules: Partial<EditorRules>, head = false): PagePlan =>
      planPage(
        texts.map((text, at) => place(text, `000000000${at}`)),
        { head, servedAt, editor: { ...openEditor, companion, ...rules } },
        (each) => each,
      );
    const where = ({ snippets }: PagePlan): unknown[] =>
      snippets
        .filter((snippet) => snippetText(snippet) === companion)
        .map(({ position, placements }) => [position, placements.length]);
    expect(where(plan([film, booking], {}))).to.deep.equal([['body-end', 2]]);
    expect(where(plan([film, booking], {}, true))).to.deep.equal([['page-head', 2]]);
    expect(where(plan([film], { elements: taken('iframe') }))).to.deep.equal([]);
    expect(where(plan([], {}))).to.deep.equal([]);
  });

  it('fills in what the editor asks for, as far as it is known', () => {
    const asksFor = [
      { label: 'Title', value: 'title' as const },
      { label: 'Element name', value: 'name' as const },
      { label: 'Link', value: 'address' as const },
    ];
    const fields = (text: string) => {
      const code = openCode(text, { sheets });
      const placement = { id, place: 'x/p#a', name: 'My nights', code, asked: {}, mark: neutralMark };
      const editor = { ...openEditor, asksFor };
      return planPage([placement], { head: false, editor }, (each) => each).steps[0]!.fields;
    };
    expect(fields(film)).to.deep.equal([
      { label: 'Title', value: 'A talk' },
      { label: 'Element name', value: 'My nights' },
      { label: 'Link', value: 'https://play.kinorill.localhost/film/nB4moorNight' },
    ]);
    expect(fields(booking)).to.deep.equal([
      { label: 'Title', value: 'My nights' },
      { label: 'Element name', value: 'My nights' },
    ]);
  });
});
