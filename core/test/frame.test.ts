import { expect } from 'chai';
import fc from 'fast-check';
import { parse, parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import {
  answerScriptHash,
  answerTag,
  applyEdits,
  compose,
  escapeAttribute,
  neutralMark,
  openCode,
  optionsFor,
  planPage,
  powers,
  recommendFrame,
  snippetText,
  starterStyle,
  withMark,
  writeMark,
  wrongInStyle,
  type Code,
  type Options,
} from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { codes, talk } from './corpus.ts';

const sheets = builtInSheets();
const open = (text: string): Code => openCode(text, { sheets });

const form =
  '<form action="https://letterloom.localhost/join"><input name="email" required><button>Join</button></form><script>const joined = document.querySelector("form");joined.onsubmit = () => {};</script>';
const film = talk;
const quotation = '<blockquote cite="https://hollinfell.localhost/a">The fell is quiet.</blockquote>';

type Element = DefaultTreeAdapterTypes.Element;
const elementsOf = (nodes: readonly DefaultTreeAdapterTypes.ChildNode[]): Element[] =>
  nodes.flatMap((node) =>
    'tagName' in node
      ? [
          node,
          ...elementsOf(
            'content' in node
              ? (node.content as DefaultTreeAdapterTypes.DocumentFragment).childNodes
              : node.childNodes,
          ),
        ]
      : [],
  );
const attributeOf = (element: Element, name: string): string | undefined =>
  element.attrs.find((each) => each.name === name)?.value;
const frameIn = (text: string): Element =>
  elementsOf(parseFragment(text).childNodes).find(({ tagName }) => tagName === 'iframe')!;
const tokensIn = (text: string): string[] =>
  (attributeOf(frameIn(text), 'sandbox') ?? 'none').split(' ').filter(Boolean);
const problemsOf = (text: string, options: Options): string[] =>
  compose(open(text), options, { servedAt: 'held' }).problems.map(({ code }) => code);

describe('a code in a frame of its own', () => {
  it('is in the document of the frame, and nothing of it stands outside', () => {
    const { text, edits, framed } = compose(open(form), { frame: 'enclosed' });
    const inDocument = attributeOf(frameIn(text), 'srcdoc')!;
    expect(inDocument).to.equal(framed!.html).and.include(form);
    expect(inDocument).to.match(/^<!doctype html>\n<html lang="en">/);
    const outside = elementsOf(parseFragment(text).childNodes).map(({ tagName }) => tagName);
    expect(outside).to.deep.equal(['script', 'iframe']);
    expect(edits).to.have.length(1);
  });

  it('does what is asked of the code in the document, and what is asked of its place on the page', () => {
    const asked = { 'frame': 'served', 'start': 112, 'max-width': 700, 'heading': 'Tonight' };
    const { text, framed } = compose(open(film), asked, { servedAt: 'https://0000000000.frames.localhost/' });
    expect(framed!.text).to.match(/from=112|t=112|start=112/);
    expect(framed!.text).not.to.include('Tonight').and.not.include('700px');
    expect(text).to.include('Tonight').and.include('max-width:700px').and.not.include('112');
    expect(framed).to.deep.include({ fills: true, way: 'served' });
    expect(framed!.html).not.to.include('ResizeObserver');
  });

  it('is as large as the code was, and its content fills it', () => {
    const { text, framed } = compose(
      open(
        '<iframe src="https://play.kinorill.localhost/film/a1" width="640" height="360" title="Moor"></iframe>',
      ),
      { frame: 'served' },
      { servedAt: 'held' },
    );
    const frame = frameIn(text);
    expect([
      attributeOf(frame, 'width'),
      attributeOf(frame, 'height'),
      attributeOf(frame, 'title'),
    ]).to.deep.equal(['640', '360', 'Moor']);
    expect(framed!.text).to.include('width:100%;height:100%');
  });

  it('tells the page how high it is, and brings what listens once', () => {
    const alone = compose(open(form), { frame: 'enclosed' });
    expect(alone.framed!.html).to.include('ResizeObserver');
    const plan = (head: boolean): string[] => {
      const placed = ['a', 'b'].map((id) => ({
        id: id.repeat(10),
        place: `hollinfell/join#${id}`,
        code: open(form),
        asked: { placement: { frame: 'enclosed' } },
        mark: neutralMark,
      }));
      return planPage(placed, { head }, (text) => text).snippets.map(snippetText);
    };
    const listeners = (texts: string[]): number[] =>
      texts.map((text) => text.split('orbisHeights=').length - 1);
    expect(listeners(plan(false))).to.deep.equal([1, 0]);
    expect(listeners(plan(true))).to.deep.equal([1, 0, 0]);
  });

  it('shares no names with its page', () => {
    const placed = (frame: string) =>
      ['a', 'b'].map((id) => ({
        id,
        place: id,
        code: open(form),
        asked: { placement: { frame } },
        mark: null,
      }));
    const collisions = (frame: string): number =>
      planPage(placed(frame), { head: false }, (text) => text).findings.length;
    expect(collisions('none')).to.be.greaterThan(0);
    expect(collisions('enclosed')).to.equal(0);
  });

  it('is served at a host that its mark names', () => {
    const { snippets } = compose(
      open(film),
      { frame: 'served', title: `${neutralMark.placement} days` },
      { servedAt: `https://${neutralMark.placement}.frames.localhost/`, mark: neutralMark },
    );
    const mark = { placement: 'abcdefghjk', delivery: 3 };
    const frame = frameIn(snippetText(withMark(snippets[0]!, mark)));
    expect(attributeOf(frame, 'src')).to.equal('https://abcdefghjk.frames.localhost/');
    expect(attributeOf(frame, 'data-orbis')).to.equal(writeMark(mark));
    expect(attributeOf(frame, 'title')).to.equal('0000000000 days');
  });

  it('stands in the page, and says so, where nobody serves it', () => {
    const { text, uncarried, framed } = compose(open(film), { frame: 'served' });
    expect([text, framed]).to.deep.equal([film, null]);
    expect(uncarried).to.deep.equal([{ option: 'frame', code: 'served-needs-place', facts: {} }]);
  });

  for (const [what, text, options, problem] of [
    ['a frame within', film, { frame: 'enclosed' }, 'frame-within-enclosed'],
    [
      'a frame within, in a file',
      film,
      { 'frame': 'file', 'frame-file': 'https://a.localhost/f.html' },
      'frame-within-enclosed',
    ],
    [
      'what keeps data',
      '<div id="x"></div><script>localStorage.seen = 1</script>',
      { frame: 'enclosed' },
      'storage-in-enclosed',
    ],
    ['a file that stands nowhere', form, { frame: 'file' }, 'file-needs-address'],
    [
      'an address without a file',
      form,
      { 'frame': 'served', 'frame-file': 'https://a.localhost/f.html' },
      'address-needs-file',
    ],
    ['a power without a frame', form, { 'may-download': true }, 'power-needs-frame'],
    ['the origin of the page', form, { 'frame': 'enclosed', 'may-keep-data': true }, 'origin-undoes-sandbox'],
  ] as const)
    it(`refuses ${what}`, () => expect(problemsOf(text, options)).to.deep.equal([problem]));

  for (const [what, text, options, tokens] of [
    ['a form', form, { frame: 'enclosed' }, ['allow-scripts', 'allow-forms']],
    ['a frame of a provider', film, { frame: 'served' }, ['allow-scripts', 'allow-same-origin']],
    ['a quotation', quotation, { frame: 'enclosed' }, ['allow-scripts']],
    [
      'what its owner allows',
      quotation,
      { 'frame': 'enclosed', 'may-download': true },
      ['allow-scripts', 'allow-downloads'],
    ],
    ['what its owner takes away', form, { 'frame': 'enclosed', 'may-run-scripts': false }, ['allow-forms']],
    [
      'windows',
      '<a href="https://a.localhost/" target="_blank">There</a>',
      { frame: 'enclosed' },
      ['allow-scripts', 'allow-popups', 'allow-popups-to-escape-sandbox'],
    ],
  ] as const)
    it(`may do no more than it needs: ${what}`, () =>
      expect(tokensIn(compose(open(text), options, { servedAt: 'held' }).text)).to.deep.equal(tokens));

  it('passes on what the frame of the code asks for, and what its owner says', () => {
    const text =
      '<iframe src="https://play.kinorill.localhost/film/a1" allow="autoplay; camera" allowfullscreen></iframe>';
    const options = { 'frame': 'served', 'may-film': false, 'may-copy': true };
    const { text: out } = compose(open(text), options, { servedAt: 'held' });
    expect(attributeOf(frameIn(out), 'allow')).to.equal('autoplay *; fullscreen *; clipboard-write *');
  });

  for (const [what, text, way, reasons] of [
    ['a frame of its provider', film, 'none', ['framed-already']],
    ['a quotation', quotation, 'none', ['runs-nothing']],
    ['a form that takes a name', form, 'enclosed', ['frame-for-claims']],
    [
      'a script that writes and keeps data',
      '<div id="x"></div><script>document.write("<p>"); localStorage.a = 1</script>',
      'served',
      ['frame-for-writes', 'frame-for-claims', 'needs-an-origin'],
    ],
    ['rules that reach out', '<style>p{color:red}</style><p>Mist</p>', 'enclosed', ['frame-for-styles']],
  ] as const)
    it(`recommends a way with its reasons: ${what}`, () => {
      const advice = recommendFrame(open(text));
      expect([advice.way, advice.reasons.map(({ code }) => code)]).to.deep.equal([way, reasons]);
    });
});

describe('whatever is asked of whatever code in a frame', () => {
  const texts = [...Object.values(codes), film, form, quotation];
  const switches = fc.record(
    Object.fromEntries(
      powers.map(({ name }) => [name, fc.option(fc.boolean(), { nil: undefined, freq: 2 })]),
    ),
  );
  const someFramed = fc.tuple(
    fc.constantFrom(...texts),
    fc.constantFrom('enclosed', 'served', 'file'),
    switches,
    fc.constantFrom(
      {},
      { 'max-width': 500, 'heading': '"<x>' },
      { load: 'click' },
      { heights: '320:900, 820:400' },
    ),
  );
  const forAny = (check: (code: Code, out: ReturnType<typeof compose>, way: string) => void): void =>
    fc.assert(
      fc.property(someFramed, ([text, frame, may, more]) => {
        const code = open(text);
        const offered = Object.entries(more).filter(([name]) =>
          optionsFor(code.sheet).some(
            (option) => option.name === name && option.isOffered(code.sheet, code.reading),
          ),
        );
        const said = Object.entries(may).filter(([, value]) => value !== undefined);
        const options = {
          frame,
          ...(frame === 'file' && { 'frame-file': 'https://hollinfell.localhost/form.html' }),
          ...Object.fromEntries([...offered, ...said]),
        } as Options;
        const out = compose(code, options, {
          servedAt: `https://${neutralMark.placement}.frames.localhost/`,
          mark: neutralMark,
        });
        if (out.framed) check(code, out, frame);
      }),
      { seed: 20261127, numRuns: 300 },
    );

  it('nothing without an origin has scripts and that of its page', () =>
    forAny((_, { text }, way) => {
      if (way !== 'served') expect(tokensIn(text)).not.to.include('allow-same-origin');
    }));

  it('outside of the frame stands nothing but ours', () =>
    forAny((code, { text, edits }) => {
      expect(applyEdits(code.text, edits)).to.equal(text);
      const elements = elementsOf(parseFragment(text).childNodes);
      expect(elements.filter(({ tagName }) => tagName === 'iframe')).to.have.length(1);
      expect(
        elements.filter(({ tagName }) => ['form', 'input', 'link', 'x'].includes(tagName)),
      ).to.deep.equal([]);
      for (const element of elements.filter(({ tagName }) => tagName === 'script'))
        expect(attributeOf(element, 'src')).to.equal(undefined);
      expect(text.split(`data-orbis="${writeMark(neutralMark)}"`)).to.have.length(2);
    }));

  it('a browser’s own parser sees in the document what it sees in the code', () =>
    forAny((code, { framed }) => {
      const body = elementsOf(parse(framed!.html).childNodes).map(({ tagName }) => tagName);
      const own = elementsOf(parseFragment(framed!.text).childNodes).map(({ tagName }) => tagName);
      const from = body.indexOf('body') + 1;
      if (own[0] === undefined || ['style', 'link', 'meta', 'title'].includes(own[0])) return;
      expect(body.slice(from, from + own.length), code.text).to.deep.equal(own);
    }));
});

describe('the answer to a form in a frame', () => {
  const plain =
    '<form action="https://letterloom.localhost/join" method="post" target="_blank"><input name="mail"><input name="trap" hidden><button formtarget="_top">Join</button></form>';
  const asked = (options: Options, text = plain): { html: string; tokens: string[]; problems: string[] } => {
    const { framed, text: code, problems } = compose(open(text), { frame: 'enclosed', ...options });
    return {
      html: framed?.html ?? '',
      tokens: framed ? tokensIn(code) : [],
      problems: problems.map((each) => `${each.option}: ${each.code}`),
    };
  };
  const formIn = (html: string): Element =>
    elementsOf(parse(html).childNodes).find(({ tagName }) => tagName === 'form')!;

  it('is where the code has it, where nothing is said, and its frame lets it go there', () => {
    const { html, tokens } = asked({});
    expect(html).to.include(plain);
    expect(tokens).to.include.members(['allow-popups', 'allow-top-navigation-by-user-activation']);
    expect(asked({}, plain.replace(/ (form)?target="\w+"/g, '')).tokens).to.deep.equal([
      'allow-scripts',
      'allow-forms',
    ]);
  });

  for (const [answer, target, token] of [
    ['frame', '_self', 'allow-forms'],
    ['tab', '_blank', 'allow-popups'],
    ['page', '_top', 'allow-top-navigation-by-user-activation'],
  ] as const)
    it(`is in the ${answer} where that is asked for, whatever a button of it says`, () => {
      const { html, tokens } = asked({ answer });
      expect(attributeOf(formIn(html), 'target')).to.equal(target);
      expect(html).not.to.include('formtarget');
      expect(tokens).to.include(token);
    });

  it('takes no more power than it needs: one that stays in the frame opens no page', () =>
    expect(asked({ answer: 'frame' }).tokens).not.to.include('allow-top-navigation-by-user-activation'));

  it('can be words of one’s own, else the usual ones in the language of the page', () => {
    const { html, tokens } = asked({ 'answer': 'words', 'answer-words': 'Until <Friday>!' });
    expect(attributeOf(formIn(html), 'data-orbis-sent')).to.equal('Until <Friday>!');
    expect(attributeOf(formIn(html), 'data-orbis-failed')).to.match(/could not be sent/);
    expect(tokens).to.include('allow-scripts');
    expect(html.split(answerTag)).to.have.length(2);
    const inGerman = compose(open(plain), { frame: 'enclosed', answer: 'words' }, { language: 'de' });
    expect(attributeOf(formIn(inGerman.framed!.html), 'data-orbis-sent')).to.match(/^Vielen Dank/);
  });

  it('is refused where nothing could come of it', () => {
    expect(asked({ answer: 'words' }, quotation).problems).to.deep.equal(['answer: no-form-in-code']);
    expect(asked({ 'answer': 'tab', 'may-open-windows': false }).problems).to.deep.equal([
      'answer: answer-needs-power',
    ]);
    expect(asked({ 'answer-words': 'Thanks' }).problems).to.deep.equal(['answer-words: words-need-answer']);
    expect(problemsOf(plain, { answer: 'tab' })).to.deep.equal(['answer-needs-frame']);
  });

  it('lets its script run by its digest, where the hosts are fixed', () =>
    expect(asked({ answer: 'words', contacts: ['letterloom.localhost'] }).html).to.include(
      escapeAttribute(`'${answerScriptHash}'`),
    ));
});

describe('what a framed document has beside the code', () => {
  const html = (text: string, options: Options = {}, frameStyle?: string): string =>
    compose(
      open(text),
      { frame: 'enclosed', ...options },
      { ...(frameStyle !== undefined && { frameStyle }) },
    ).framed!.html;

  it('is the style of its site, in every way but where it is left out', () => {
    const style = 'a{color:teal}';
    expect(html(form, {}, style)).to.include(`<style>${style}</style></head>`);
    expect(html(form, { 'site-style': false }, style)).not.to.include(style);
    expect(problemsOf(form, { 'site-style': true })).to.deep.equal(['style-needs-frame']);
    expect(compose(open(form), {}, { frameStyle: style }).text).to.equal(form);
  });

  it('is a link to the content where no script runs, in a tab where its frame lets it', () => {
    const link = (options: Options): Element | undefined => {
      const { framed } = compose(open(film), { frame: 'served', ...options }, { servedAt: 'held' });
      const inside = /<noscript>(.*?)<\/noscript>/s.exec(framed!.html)?.[1] ?? '';
      return elementsOf(parseFragment(inside).childNodes).find(({ tagName }) => tagName === 'a');
    };
    expect(attributeOf(link({})!, 'href')).to.match(/^https?:\/\//);
    expect(attributeOf(link({})!, 'target')).to.equal(undefined);
    expect(attributeOf(link({ 'may-open-windows': true })!, 'target')).to.equal('_blank');
    expect(html(quotation)).not.to.include('noscript');
  });
});

describe('the style of a site for its frames', () => {
  it('begins with the font and the colours of the site', () => {
    const style = starterStyle({
      colours: ['#f4efe6', '#2f6145', '#1d1d1b', '#cccccc'],
      font: 'Georgia, serif',
    });
    expect(style).to.include('font-family: Georgia, serif;').and.include('color: #1d1d1b;');
    expect(style).to.match(/a \{\s*color: #2f6145;/);
    expect(style).to.match(/background: #2f6145;\s*color: #ffffff;/);
    expect(wrongInStyle(style)).to.equal(null);
    expect(starterStyle({ colours: [], font: null }))
      .to.include('sans-serif')
      .and.include('#222222');
  });

  for (const wrong of ['</style', '</STYLE', '<!--', '@import'])
    it(`cannot have ${wrong} in it`, () =>
      expect(wrongInStyle(`a{color:red}${wrong} "x.css";`)).to.equal(wrong));
});

describe('frames that all share one host', () => {
  const shared = { servedAt: 'https://frames.example/0000000000', sharesHost: true };
  const tried = (text: string, options: Options) => {
    const { text: code, problems } = compose(open(text), options, shared);
    return problems.length > 0 ? problems.map((each) => each.code) : tokensIn(code);
  };

  it('have no origin of their own: what needs one is refused there, and said before', () => {
    expect(tried(film, { frame: 'served' })).to.deep.equal(['frames-share-host']);
    expect(tried(form, { 'frame': 'served', 'may-keep-data': true })).to.deep.equal(['frames-share-host']);
    expect(tried(form, { frame: 'served' })).to.deep.equal(['allow-scripts', 'allow-forms']);
    const refused = (text: string, sharesHost: boolean): string[] =>
      recommendFrame(open(text), sharesHost).refused.map(({ way }) => way);
    expect(refused(film, true)).to.deep.equal(['enclosed', 'served', 'file']);
    expect(refused(film, false)).to.deep.equal(['enclosed', 'file']);
  });

  it('do not keep anything from being enclosed that can be', () => {
    expect(recommendFrame(open(form), true).way).to.equal('enclosed');
    expect(recommendFrame(open(film), true).way).to.equal('none');
  });
});
