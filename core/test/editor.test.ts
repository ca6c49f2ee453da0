import { expect } from 'chai';
import fc from 'fast-check';
import {
  asksTheSame,
  changesCodes,
  isTaken,
  learnEditor,
  openEditor,
  readSpecimen,
  specimen,
  takenOut,
  throughEditor,
  type EditorRules,
  type LearnedEditor,
} from '@orbis/core';

const address = 'http://0000000000.frames.localhost:7421/';
const place = { token: 'k7', address };
const page = (inner: string): string =>
  `<!doctype html><title>A page</title><body><main><h1>A page</h1>${inner}</main>`;
const learned = (publish: (text: string) => string): LearnedEditor | null | undefined => {
  const seen = readSpecimen(page(publish(specimen(place))), place);
  return seen && learnEditor(seen);
};
const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

describe('what an editor takes out', () => {
  const cases: [string, string, Partial<EditorRules>, string][] = [
    [
      'a tag, whose words stay',
      '<b id=x>Hear</b> it',
      { elements: { which: 'these', names: ['b'] } },
      'Hear it',
    ],
    [
      'a script with its text',
      '<p>a</p><script>go()</script><p>b</p>',
      { elements: { which: 'these', names: ['script'] } },
      '<p>a</p><p>b</p>',
    ],
    [
      'scripts with their text alone',
      '<script src=a.js></script><script>go()</script>',
      { inlineScripts: false },
      '<script src=a.js></script>',
    ],
    [
      'all attributes but one',
      '<iframe src="a" width=5\n allow="fullscreen"></iframe>',
      { attributes: { which: 'all-but', names: ['src'] } },
      '<iframe src="a"></iframe>',
    ],
    [
      'attributes that begin alike',
      '<i data-a="1" data-b onclick="go()" title=t>x</i>',
      { attributes: { which: 'these', names: ['data-*', 'on*'] } },
      '<i title=t>x</i>',
    ],
    ['comments', 'a<!-- b -->c', { comments: false }, 'ac'],
    [
      'all elements but some, and what is in a frame with it',
      '<div><iframe>x</iframe><a href="/">y</a></div>',
      { elements: { which: 'all-but', names: ['a'] } },
      '<a href="/">y</a>',
    ],
  ];
  for (const [what, text, rules, expected] of cases)
    it(what, () => expect(throughEditor(text, { ...openEditor, ...rules })).to.equal(expected));

  it('is the same for two that differ in what people need to know', () => {
    const rules = { ...openEditor, comments: false };
    const told = { ...rules, notes: 'Press +.', delay: 3, mostHosts: 2, showsUnpublished: true };
    expect(asksTheSame(rules, { ...told, asksFor: [{ label: 'Title', value: 'title' }] })).to.equal(true);
    const others: Partial<EditorRules>[] = [
      { takes: 'link' },
      { comments: true },
      { companion: '<b>' },
      { lastLine: '-' },
      { elements: { which: 'these', names: ['b'] } },
      { attributes: { which: 'all-but', names: [] } },
    ];
    for (const other of others) expect(asksTheSame(rules, { ...rules, ...other })).to.equal(false);
  });

  it('is nothing where everything is let through', () => {
    expect(changesCodes(openEditor)).to.equal(false);
    expect(takenOut(specimen(place), openEditor)).to.deep.equal([]);
  });
});

describe('a specimen', () => {
  it('says nothing of a page on which it does not stand', () => {
    expect(readSpecimen(page('<p>nothing</p>'), place)).to.equal(null);
    expect(readSpecimen(page(specimen({ ...place, token: 'k8' })), place)).to.equal(null);
  });

  it('teaches an editor that lets everything through', () => {
    expect(learned((text) => text)!.rules).to.deep.equal({
      takes: 'code',
      elements: { which: 'these', names: [] },
      attributes: { which: 'these', names: [] },
      inlineScripts: true,
      comments: true,
    });
  });

  it('teaches one that knows only some elements and attributes', () => {
    const known = new Set(['iframe', 'p', 'a', 'b']);
    const tag = (all: string, end: string, name: string): string => {
      if (!known.has(name)) return '';
      const [address = ''] = / (?:src|href)="[^"]*"/.exec(all) ?? [];
      return `<${end}${name}${address}>`;
    };
    const publish = (text: string): string =>
      text
        .replace(/<!--[^]*?-->/g, '')
        .replace(/<(script|style|template|textarea|object|noscript|select)\b[^]*?<\/\1>/g, '')
        .replace(/<(\/?)([a-z][a-z-]*)(?=[ >])[^>]*>/g, tag);
    const { elements, attributes, comments } = learned(publish)!.rules;
    expect(attributes).to.deep.equal({ which: 'all-but', names: ['href', 'src'] });
    expect(elements).to.deep.equal({ which: 'all-but', names: ['a', 'b', 'iframe', 'p'] });
    expect(comments).to.equal(false);
  });

  it('teaches one that drops frames without an address, and what it then says of srcdoc', () => {
    const { elements, attributes } = learned((text) =>
      text.replace(/<iframe srcdoc[^]*?<\/iframe>/, ''),
    )!.rules;
    expect(elements).to.deep.equal({ which: 'these', names: [] });
    expect(attributes).to.deep.equal({ which: 'these', names: ['srcdoc'] });
  });

  it('tells what shows all of it as text from what makes a frame of a link in it', () => {
    expect(learned(escaped)).to.equal(null);
    const links = (text: string): string =>
      text
        .split('\n')
        .map((line) => (line === address ? `<iframe src="${line}"></iframe>` : escaped(line)))
        .join('<br>');
    expect(learned(links)).to.deep.include({ open: ['head', 'delay', 'shows-unpublished'] });
    expect(learned(links)!.rules.takes).to.equal('link');
  });

  it('teaches one that lets paragraphs through, and makes frames of links, to take links', () => {
    const frames = (text: string): string =>
      text.replace(`\n${address}\n`, `\n<iframe src="${address}"></iframe>\n`);
    const onlyWords = { ...openEditor, elements: { which: 'all-but' as const, names: ['p', 'b'] } };
    expect(learned((text) => frames(throughEditor(text, onlyWords)))!.rules.takes).to.equal('link');
    expect(learned((text) => throughEditor(text, onlyWords))!.rules.takes).to.equal('code');
    // One that takes frames has no need of it.
    expect(learned(frames)!.rules.takes).to.equal('code');
  });

  it('shows what an editor changed, with what stands there now', () => {
    const seen = readSpecimen(
      page(specimen(place).replace('sandbox="allow-scripts"', 'sandbox="allow-scripts allow-same-origin"')),
      place,
    )!;
    expect(seen.flatMap(({ changed }) => changed)).to.deep.equal([
      { name: 'sandbox', now: 'allow-scripts allow-same-origin' },
    ]);
  });

  it('stands in a summary and on the page: the page counts', () => {
    const text = specimen(place);
    const words = text.split('<').map((part) => part.slice(part.indexOf('>') + 1));
    const summary = `<p>${words.join(' ')}</p>`;
    const seen = readSpecimen(page(summary + text), place)!;
    expect(learnEditor(seen)!.rules).to.deep.include({ takes: 'code', comments: true });
  });

  it('teaches whatever rules an editor has, as far as its pieces go', () => {
    const elements = [
      'div',
      'span',
      'a',
      'img',
      'iframe',
      'script',
      'style',
      'form',
      'video',
      'figure',
      'x-specimen',
    ];
    const attributes = [
      'class',
      'id',
      'style',
      'src',
      'srcdoc',
      'href',
      'sandbox',
      'allow',
      'data-*',
      'specimen',
    ];
    const names = (of: string[]) =>
      fc.record({ which: fc.constantFrom('these' as const, 'all-but' as const), names: fc.subarray(of) });
    fc.assert(
      fc.property(
        names(elements),
        names(attributes),
        fc.boolean(),
        fc.boolean(),
        (taken, lost, inlineScripts, comments) => {
          const rules = { ...openEditor, elements: taken, attributes: lost, inlineScripts, comments };
          const told = learned((text) => throughEditor(text, rules))!.rules;
          expect(told.comments).to.equal(comments);
          for (const name of elements)
            expect(isTaken(told.elements, name), name).to.equal(isTaken(taken, name));
          const carriers: Record<string, string[]> = {
            'class': ['div'],
            'id': ['div'],
            'style': ['div', 'iframe'],
            'srcdoc': ['iframe'],
            'sandbox': ['iframe'],
            'allow': ['iframe'],
            'href': ['a'],
            'src': ['img', 'iframe', 'script', 'video'],
            'data-*': ['div'],
          };
          for (const [name, on] of Object.entries(carriers))
            if (on.some((element) => !isTaken(taken, element)))
              expect(isTaken(told.attributes, name.replace('*', 'orbis')), name).to.equal(
                isTaken(lost, name.replace('*', 'orbis')),
              );
          if (!isTaken(taken, 'script')) expect(told.inlineScripts).to.equal(inlineScripts);
        },
      ),
    );
  });
});
