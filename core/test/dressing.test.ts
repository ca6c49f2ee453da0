import { expect } from 'chai';
import {
  compose,
  hasLoader,
  loaderTag,
  neutralMark,
  openCode,
  pastedIn,
  pastedLanguages,
  picturesOf,
  planPage,
  previewDocument,
  reconcile,
  removable,
  sandboxTokensOf,
  scanPage,
  snippetText,
  withMark,
  type Options,
} from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';

const sheets = builtInSheets();
const codes = {
  frame:
    '<iframe width="560" height="315" src="https://play.kinorill.localhost/film/abc" title="t"></iframe>',
  boxed:
    '<div style="position:relative;padding-bottom:56.25%"><iframe src="https://a.example/x" style="position:absolute;width:100%;height:100%;border:0"></iframe></div>',
  form: '<form action="https://a.example/in"><h3>Sign up</h3><label>Mail <input name="mail" required></label><label for="p">Phone</label><input id="p" name="phone"><input name="x" style="display:none"><p><button>Send</button></p><small>Sent with care</small></form>',
  script: '<script src="https://count.tallywren.localhost/w.js?site=hollinfell"></script>',
  video: '<video src="https://a.example/a.webm" width="640" height="360" controls></video>',
  writes: '<script>document.write("<p>now</p>")</script>',
  starts: '<div id="b"></div><script>document.addEventListener("DOMContentLoaded", go)</script>',
  several: '<p>Before</p><iframe src="https://a.example/x" width="400" height="300" title="t"></iframe>',
};
type Name = keyof typeof codes;
const opened = (name: Name) => openCode(codes[name], { sheets });
const made = (name: Name, options: Options, circumstances: Parameters<typeof compose>[2] = {}) =>
  compose(opened(name), options, circumstances);
const laid = 'position:absolute;top:0;left:0;width:100%;height:100%';

describe('what is put around, over and beside a code', () => {
  for (const [label, name, options, text] of [
    [
      'a caption makes a figure of it, as wide as the code says',
      'frame',
      { caption: 'a < b' },
      `<figure style="width:min(560px,100%);margin:0;align-self:flex-start"><iframe style="max-width:100%" ${codes.frame.slice(8)}<figcaption style="margin-top:.5em;font-size:.875em">a &lt; b</figcaption></figure>`,
    ],
    [
      'a heading, with its width and side on what holds both',
      'form',
      {
        'heading': 'A & B',
        'heading-level': 3,
        'heading-align': 'centre',
        'max-width': 400,
        'align': 'centre',
      },
      `<div style="width:100%;max-width:400px;margin:0 auto;align-self:flex-start"><h3 style="margin:0 0 .5em;text-align:center">A &amp; B</h3>${codes.form}</div>`,
    ],
    [
      'a link below it, by the name of the site where it has none',
      'script',
      { 'link-below': 'https://hollinfell.example/?a=1&b="' },
      `<div style="width:100%;align-self:flex-start">${codes.script}<p style="margin:.5em 0 0"><a href="https://hollinfell.example/?a=1&amp;b=&quot;">hollinfell.example</a></p></div>`,
    ],
    [
      'a panel that reaches to the sides of the window, within space beside it',
      'script',
      { 'backdrop': '#223322', 'backdrop-reach': 'page', 'backdrop-padding': 8, 'space-beside': 20 },
      `<div style="display:flow-root;width:calc(100% - 40px);padding:8px;margin-right:20px;margin-left:20px;box-sizing:border-box;background:#223322;color:#ffffff;box-shadow:0 0 0 100vmax #223322;clip-path:inset(0 -100vmax);align-self:flex-start">${codes.script}</div>`,
    ],
    [
      'space above together with a side',
      'frame',
      { 'space-above': 24, 'align': 'centre' },
      `<iframe style="display:block;margin-top:24px;margin-right:auto;margin-left:auto" ${codes.frame.slice(8)}`,
    ],
    [
      'a link over all of it, under which nothing is reached',
      'form',
      { 'whole-link': 'https://a.example/', 'whole-link-name': 'All "of" it', 'whole-link-opens': 'new' },
      `<div style="position:relative"><div inert="">${codes.form}</div><a href="https://a.example/" target="_blank" rel="noopener" aria-label="All &quot;of&quot; it" style="${laid}"></a></div>`,
    ],
    [
      'a part of a frame, at another size',
      'frame',
      { 'crop-left': 10, 'crop-top': 20, 'crop-width': 300, 'crop-height': 200, 'crop-scale': 150 },
      `<div style="position:relative;width:min(450px,100%);height:300px;overflow:hidden;align-self:flex-start"><iframe style="position:absolute;top:-30px;left:-15px;width:560px;height:315px;border:0;transform-origin:0 0;transform:scale(1.5)" ${codes.frame.slice(8)}</div>`,
    ],
    [
      'a picture behind a frame until it is there',
      'frame',
      { still: "https://a.example/it's.jpg", fit: 'shape' },
      `<div style="position:relative;width:100%;aspect-ratio:16/9;background:url('https://a.example/it%27s.jpg') 50%/cover;align-self:flex-start"><iframe style="position:absolute;top:0;left:0;width:100%!important;height:100%!important;border:0" ${codes.frame.slice(8)}</div>`,
    ],
    [
      'a picture where a film has a place for one',
      'video',
      { still: 'https://a.example/a.jpg' },
      codes.video.replace('<video', '<video poster="https://a.example/a.jpg"'),
    ],
    [
      'a frame that browsers wait with',
      'frame',
      { load: 'near' },
      codes.frame.replace('<iframe', '<iframe loading="lazy"'),
    ],
    [
      'a film that browsers wait with',
      'video',
      { load: 'near' },
      codes.video.replace('<video', '<video preload="none"'),
    ],
    [
      'parts left out, a field with its label',
      'form',
      { 'leave-out': ['heading', 'field.phone', 'notice'] },
      '<form action="https://a.example/in"><label>Mail <input name="mail" required></label><input name="x" style="display:none"><p><button>Send</button></p></form>',
    ],
    [
      'a provider’s box that takes another shape',
      'boxed',
      { 'fit': 'shape', 'shape': { width: 4, height: 3 }, 'max-width': 600 },
      codes.boxed
        .replace(
          'padding-bottom:56.25%',
          'padding-bottom:0;width:100%;max-width:600px;height:auto;aspect-ratio:4/3;align-self:flex-start',
        )
        .replace('height:100%;', 'height:100%!important;'),
    ],
    [
      'a fixed size',
      'frame',
      { fit: 'fixed', width: 400 },
      /style="display:block;width:min\(400px,100%\);height:225px;/,
    ],
    ['its height kept', 'frame', { fit: 'content' }, /style="display:block;width:100%;height:315px;/],
    [
      'what it stands in filled',
      'frame',
      { fit: 'fill' },
      /style="display:block;width:100%;height:100%;border:0"/,
    ],
    [
      'a band that a film covers, with what comes of that',
      'frame',
      { 'band': 400, 'band-focus-y': 20 },
      /^<div style="position:relative;width:100%;height:400px;overflow:hidden;align-self:flex-start"><iframe allow="autoplay" style="position:absolute;top:20%;left:50%;width:max\(100%,712px\);max-width:none;height:auto;aspect-ratio:16\/9;border:0;transform:translate\(-50%,-20%\)"(?=.* aria-hidden="true")(?=.* tabindex="-1")(?=.*roll=1&amp;hush=1&amp;again=1&amp;knobs=0)/,
    ],
    ['no lazy loading', 'frame', { load: 'now' }, codes.frame],
    [
      'a form with the room that it will need',
      'form',
      { heights: '320:900, 820:400' },
      `<div style="width:100%;align-self:flex-start"><div style="display:grid;grid-template-columns:minmax(0,1fr)"><span aria-hidden="true" style="display:block;grid-area:1/1;padding-bottom:max(400px,calc(1220px - 100%))"></span><div style="position:relative;grid-area:1/1">${codes.form}</div></div></div>`,
    ],
    [
      'a frame as high as its content was measured',
      'frame',
      { 'heights': '320:900, 820:400', 'fit': 'content', 'max-width': 700 },
      `<div style="width:100%;max-width:700px;align-self:flex-start"><div style="display:grid;grid-template-columns:minmax(0,1fr)"><span aria-hidden="true" style="display:block;grid-area:1/1;padding-bottom:max(400px,calc(1220px - 100%))"></span><div style="position:relative;grid-area:1/1"><iframe style="position:absolute;top:0;left:0;width:100%!important;height:100%!important;border:0" ${codes.frame.slice(8)}</div></div></div>`,
    ],
    [
      'a picture behind a frame, in smaller types for browsers that know them',
      'frame',
      { 'still': 'https://a.example/a.jpg?v=2', 'still-also': 'avif-and-webp', 'fit': 'shape' },
      /background:url\('https:\/\/a\.example\/a\.jpg\?v=2'\) 50%\/cover;background-image:image-set\(url\('https:\/\/a\.example\/a\.avif\?v=2'\) type\('image\/avif'\),url\('https:\/\/a\.example\/a\.webp\?v=2'\) type\('image\/webp'\),url\('https:\/\/a\.example\/a\.jpg\?v=2'\)\)/,
    ],
    [
      'a small picture that the code holds, beside the button',
      'frame',
      { load: 'click', still: 'data:image/webp;base64,UklGRg==' },
      /<img src="data:image\/webp;base64,UklGRg==" alt=""/,
    ],
    [
      'a picture in smaller types beside the button',
      'frame',
      { 'load': 'click', 'still': 'https://a.example/a.jpg', 'still-also': 'webp' },
      /<picture><source type="image\/webp" srcset="https:\/\/a\.example\/a\.webp"><img src="https:\/\/a\.example\/a\.jpg"[^>]*><\/picture><button/,
    ],
    [
      'words and a tint',
      'frame',
      { 'tint': '#ffffff', 'words-over': '<b>' },
      /opacity:0\.4;pointer-events:none"><\/div><div style="[^"]*color:#1a1a1a;[^"]*">&lt;b&gt;<\/div><\/div>$/,
    ],
  ] as [string, Name, Options, string | RegExp][])
    it(label, () => {
      const { text: out, problems } = made(name, options);
      expect(problems).to.deep.equal([]);
      if (typeof text === 'string') expect(out).to.equal(text);
      else expect(out).to.match(text);
    });

  for (const [label, name, options, code] of [
    ['writes into the page', 'writes', { load: 'click' }, 'writes-too-late'],
    ['begins with the page', 'starts', { load: 'near' }, 'starts-with-page'],
    [
      'shows nothing a picture could stand for',
      'script',
      { still: 'https://a.example/a.jpg' },
      'still-needs-wait',
    ],
    ['has smaller types of no picture', 'frame', { 'still-also': 'avif' }, 'still-also-needs-still'],
    [
      'has smaller types of a picture without a name',
      'frame',
      { 'load': 'click', 'still': 'https://a.example/still', 'still-also': 'avif' },
      'still-without-ending',
    ],
    ['has a shape and heights', 'frame', { heights: '320:900', fit: 'shape' }, 'height-said-twice'],
    ['has its button covered', 'frame', { 'load': 'click', 'words-over': 'a' }, 'words-over-button'],
    ['has one side of a part only', 'frame', { 'crop-width': 100 }, 'crop-needs-sides'],
    ['has no frame to crop', 'form', { 'crop-width': 100, 'crop-height': 90 }, 'crop-needs-frame'],
    ['has more than the frame', 'several', { 'crop-width': 100, 'crop-height': 90 }, 'crop-needs-frame'],
    [
      'has a shape and a part',
      'frame',
      { 'crop-width': 100, 'crop-height': 90, 'fit': 'shape' },
      'crop-has-size',
    ],
    ['would miss a required field', 'form', { 'leave-out': ['field.mail'] }, 'required-field'],
    ['would miss a trap for robots', 'form', { 'leave-out': ['field.x'] }, 'robot-trap'],
    ['has no such part', 'form', { 'leave-out': ['picture'] }, 'part-unknown'],
    ['has no part to miss', 'frame', { 'leave-out': ['heading'] }, 'nothing-to-leave-out'],
    ['has a band and a shape', 'frame', { band: 300, fit: 'shape' }, 'band-has-size'],
    ['has nothing to cover a band', 'form', { band: 300 }, 'band-needs-frame'],
    ['has a band on phones only', 'frame', { 'band.phone': 300 }, 'band-everywhere'],
    ['is behind a section without a band', 'frame', { 'band-behind': true }, 'band-behind-needs-band'],
    [
      'has a heading behind a section',
      'frame',
      { 'band': 300, 'band-behind': true, 'heading': 'x' },
      'band-behind-alone',
    ],
    ['leads nowhere', 'starts', { fallback: true }, 'content-unknown'],
    ['does not say its height', 'boxed', { fit: 'content' }, 'height-unknown'],
    ['does not say its size', 'boxed', { fit: 'fixed' }, 'size-unknown'],
  ] as [string, Name, Options, string][])
    it(`refuses what a code cannot have that ${label}`, () =>
      expect(made(name, options).problems.map((problem) => problem.code)).to.include(code));

  it('does not move for people who ask for that, and is lower on phones, where there is a way into the head', () => {
    const { snippets, uncarried } = made('frame', { 'band': 400, 'band.phone': 200 }, { apart: 'x' });
    expect(uncarried).to.deep.equal([]);
    expect(snippetText(snippets[0]!)).to.match(
      /@media \(max-width:599.98px\)\{\.x\{width:100%!important;height:200px!important;.*@media \(prefers-reduced-motion:reduce\)\{\.x-2\{visibility:hidden!important\}\}/,
    );
    expect(made('frame', { band: 400 }).uncarried).to.deep.equal([
      { option: 'band', code: 'needs-page-head', facts: { when: 'reduced-motion' } },
    ]);
  });

  for (const [label, name, options, rules] of [
    [
      'its still picture',
      'frame',
      { still: 'https://a.example/a.jpg' },
      '.x{print-color-adjust:exact!important}.x-2{visibility:hidden!important}',
    ],
    ['the link to its content', 'frame', { fallback: true }, '.x{display:none!important}'],
    [
      'its still picture rather than a link',
      'frame',
      { still: 'https://a.example/a.jpg', fallback: true },
      '.x{print-color-adjust:exact!important}.x-2{visibility:hidden!important}',
    ],
    ['itself, where it is no player', 'form', { fallback: true }, null],
  ] as [string, Name, Options, string | null][])
    it(`is on paper ${label}`, () =>
      expect(
        made(name, options, { apart: 'x' })
          .snippets.map(snippetText)
          .filter((text) => text.startsWith('<style')),
      ).to.deep.equal(rules === null ? [] : [`<style>@media print{${rules}}</style>`]));

  it('lies behind its section by rules in the head, and has its own height where there are none', () => {
    const behind = { 'band': 400, 'band-behind': true };
    expect(snippetText(made('frame', behind, { apart: 'x' }).snippets[0]!)).to.match(
      /:has\(>\.x\)\{position:relative!important;isolation:isolate!important\}/,
    );
    const { snippets, uncarried } = made('frame', behind);
    expect(snippetText(snippets[0]!)).to.equal(snippetText(made('frame', { band: 400 }).snippets[0]!));
    expect(uncarried.map(({ option }) => option)).to.include('band-behind');
  });

  it('shows sums as people do them', () => {
    const facts = (width: number) =>
      made('frame', { 'fit': 'shape', 'max-width': width }).edits[0]!.reasons.find(
        ({ code }) => code === 'holds-shape',
      )!.facts;
    expect(facts(800)).to.include({ wide: 800, high: 450 }).and.not.have.property('exactly');
    expect(facts(700)).to.include({ wide: 700, high: 394, exactly: 393.75 });
  });

  it('takes nothing that was typed for the mark that is put in its place', () => {
    const { snippets } = made(
      'frame',
      { heading: '0000000000.0', caption: 'data-orbis' },
      { mark: neutralMark },
    );
    const text = snippetText(withMark(snippets[0]!, { placement: '123456789a', delivery: 4 }));
    expect(text).to.match(/^<figure [^>]*data-orbis="123456789a\.4"><h2[^>]*>0000000000\.0<\/h2>/);
  });

  it('names what can be left out, and what cannot', () =>
    expect(removable(opened('form')).map(({ name, words, needed }) => [name, words, needed])).to.deep.equal([
      ['heading', 'Sign up', null],
      ['field.mail', 'Mail', 'required-field'],
      ['field.phone', 'Phone', null],
      ['field.x', '', 'robot-trap'],
      ['notice', 'Sent with care', null],
    ]));

  it('knows the pictures that options bring', () =>
    expect(
      picturesOf({ 'still': 'https://a.example/a.jpg', 'whole-link': 'https://b.example/' }),
    ).to.deep.equal(['https://a.example/a.jpg']));
});

describe('a code that waits', () => {
  const waiting = (name: Name, options: Options = {}, circumstances = {}) =>
    made(name, { load: 'click', ...options }, circumstances);

  for (const name of ['frame', 'boxed', 'form', 'script', 'video'] as const)
    it(`stands whole in a template, and names no host outside of it: ${name}`, () => {
      const { text, problems } = waiting(name);
      expect(problems).to.deep.equal([]);
      const [, template, rest] = /<template>(.*?)<\/template>(.*)/s.exec(text)!;
      // Only styles of the one element are other than they were.
      expect(template!.replaceAll(/ style="[^"]*"/g, '')).to.equal(
        codes[name].replaceAll(/ style="[^"]*"/g, ''),
      );
      expect(rest!.replace(/<noscript>.*?<\/noscript>/s, '')).to.not.match(/(?:src|href)=/);
      expect(rest).to.include('<button type="button"');
    });

  it('speaks the language of the page, or English', () => {
    for (const language of [...pastedLanguages, 'xx'])
      expect(waiting('frame', {}, { language }).text).to.include(`>${pastedIn(language).show.video}<br>`);
    expect(pastedIn('xx')).to.equal(pastedIn('en'));
    expect(pastedLanguages.length).to.equal(10);
  });

  it('says what the owner lets it say', () =>
    expect(waiting('frame', { 'load-words': 'Watch <it>' }).text).to.include('>Watch &lt;it&gt;<br>'));

  it('brings the loader in the head, with itself, or not at all', () => {
    const head = waiting('frame', {}, { loader: 'head' });
    expect(head.snippets.map(({ position }) => position)).to.deep.equal(['page-head', 'spot']);
    expect(snippetText(head.snippets[0]!)).to.equal(loaderTag);
    expect(hasLoader(head.text)).to.equal(false);
    expect(hasLoader(waiting('frame').text)).to.equal(true);
    const elsewhere = waiting('frame', {}, { loader: 'elsewhere' });
    expect([elsewhere.snippets.length, hasLoader(elsewhere.text)]).to.deep.equal([1, false]);
  });

  const placed = (id: string, place: string, load = 'click') => ({
    id,
    place,
    code: opened('frame'),
    asked: { embed: { load } },
    mark: { placement: id, delivery: 1 },
  });
  const digest = (text: string) => text;
  const page = [
    placed('000000000b', 'a/ · 2'),
    placed('000000000a', 'a/ · 1'),
    placed('000000000c', 'a/ · 3', 'near'),
  ];
  const spots = (head: boolean, placements = page) =>
    planPage(placements, { head }, digest).snippets.filter(({ position }) => position === 'spot');

  it('brings the loader to a page once, at the first place that needs it', () => {
    expect(spots(false).map((snippet) => hasLoader(snippetText(snippet)))).to.deep.equal([
      true,
      false,
      false,
    ]);
    expect(spots(true).map((snippet) => hasLoader(snippetText(snippet)))).to.deep.equal([
      false,
      false,
      false,
    ]);
    const { snippets } = planPage(page, { head: true, language: 'de' }, digest);
    expect(
      snippets.filter(({ position }) => position === 'page-head').map(({ placements }) => placements),
    ).to.deep.equal([['000000000a', '000000000b']]);
    expect(snippetText(snippets.at(-2)!)).to.include('Video abspielen');
  });

  it('is found on its page as it was issued, and as altered where the template is', () => {
    const [text] = spots(false, [page[1]!]).map(snippetText);
    const expected = [{ placement: '000000000a', seenBefore: true, issued: new Map([[1, text!]]) }];
    const state = (html: string) => reconcile(scanPage(`<body>${html}`), expected)[0]!.state;
    expect(state(text!)).to.equal('live');
    expect(state(text!.replace('film/abc', 'film/xyz'))).to.equal('altered');
  });

  it('can run its loader in a frame of its own, and nothing else there', () => {
    const { text, snippets } = waiting('form', { still: 'https://b.example/a.jpg' });
    expect(snippets.length).to.equal(1);
    const options = { title: 't', ancestors: [], ownHost: false, language: 'en' };
    const { reading, sheet } = opened('form');
    const policy = previewDocument(text, reading, sheet, {
      ...options,
      pictures: ['https://b.example/a.jpg'],
    }).policy;
    expect(policy)
      .to.match(/script-src 'sha256-[\w+/]{43}='(?:;|$)/)
      .and.include('img-src https://b.example');
    expect(policy).to.match(/^sandbox [^;]*allow-scripts/);
    expect(previewDocument(codes.form, reading, sheet, options).policy).to.not.include('script');
    expect(sandboxTokensOf(reading, true).map(({ token }) => token)).to.include('allow-scripts');
  });
});
