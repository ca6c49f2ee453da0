import { expect } from 'chai';
import { compose, current, openCode, type Composition, type Options } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';

const sheets = builtInSheets();
const codes = {
  form: '<form action="https://a.example/in" method="post"><input name="mail"></form>',
  mount:
    '<div class="slotsedge-calendar" data-calendar="x"></div><script async src="https://cdn.slotsedge.localhost/booking.js"></script>',
  script: '<script src="https://count.tallywren.localhost/w.js?site=hollinfell"></script>',
  quotation: '<blockquote cite="https://a.example/p/1"><p>First light.</p></blockquote>',
  popup:
    '<script async src="https://js.popplenook.localhost/popup.js"></script><div class="popplenook-popup" data-campaign="a"></div>',
  frame: '<iframe src="https://a.example/x" width="640" height="360" title="t"></iframe>',
};
const mark = { placement: '0123456789', delivery: 3 };

const composed = (
  code: keyof typeof codes,
  options: Options,
  circumstances: Parameters<typeof compose>[2] = {},
): Composition => compose(openCode(codes[code], { sheets }), options, circumstances);

describe('the box around codes without a frame or player', () => {
  for (const [name, options, style] of [
    ['form', { 'max-width': 480 }, 'width:100%;max-width:480px'],
    ['form', { 'max-width': 480, 'align': 'centre' }, 'width:100%;max-width:480px;margin:0 auto'],
    ['mount', { share: 50, align: 'right' }, 'width:50%;margin:0 0 0 auto'],
    ['mount', { 'share': 50, 'max-width': 300 }, 'width:50%;max-width:300px'],
    ['script', { 'max-width': 200 }, 'width:100%;max-width:200px'],
    ['quotation', { 'max-width': 520 }, 'width:100%;max-width:520px'],
  ] as [keyof typeof codes, Options, string][])
    it(`holds ${JSON.stringify(options)} of a ${name}, and every byte of the paste`, () => {
      const { text, problems, edits } = composed(name, options);
      expect(problems).to.deep.equal([]);
      expect(text).to.equal(`<div style="${style}">${codes[name]}</div>`);
      expect(edits.map(({ start, end }) => [start, end])).to.deep.equal([
        [0, 0],
        [codes[name].length, codes[name].length],
      ]);
      const asked = new Set(edits[0]!.reasons.map(({ option }) => option));
      expect([...asked].sort()).to.deep.equal(Object.keys(options).sort());
    });

  it('is taken for what it is where a code is collected with it', () => {
    const boxed = composed('form', { 'max-width': 480, 'align': 'centre' }).text;
    const code = openCode(boxed, { sheets });
    expect(current(code)).to.include({ 'max-width': 480, 'align': 'centre' });
    expect(compose(code, { 'max-width': 300 }).text).to.equal(boxed.replace('480px', '300px'));
  });

  it('is not needed around a picture, which has a width of its own', () =>
    expect(
      compose(openCode('<img src="https://a.example/x.png" alt="x">', { sheets }), { 'max-width': 300 }).text,
    ).to.equal('<img style="max-width:300px" src="https://a.example/x.png" alt="x">'));

  it('is not there where nothing is asked, nor around a frame', () => {
    expect(composed('form', {}).text).to.equal(codes.form);
    expect(composed('frame', { 'max-width': 300 }).text).to.not.include('<div');
  });

  it('carries the mark, also of a code that nothing else could carry it for', () => {
    for (const name of ['form', 'script'] as const)
      expect(composed(name, { 'max-width': 480 }, { mark }).text).to.equal(
        `<div style="width:100%;max-width:480px" data-orbis="0123456789.3">${codes[name]}</div>`,
      );
    expect(composed('form', {}, { mark }).text).to.match(/^<form data-orbis="0123456789.3"/);
  });

  it('is narrower on phones by a class, where there is a way into the head', () => {
    const { text, snippets, uncarried } = composed(
      'form',
      { 'max-width': 480, 'max-width.phone': 300 },
      { apart: 'orbis-x', mark },
    );
    expect(uncarried).to.deep.equal([]);
    expect(text).to.equal(
      `<div class="orbis-x" style="width:100%;max-width:480px" data-orbis="0123456789.3">${codes.form}</div>`,
    );
    const [head] = snippets.filter(({ position }) => position === 'page-head');
    expect(head!.runs.map(({ text }) => text).join('')).to.equal(
      '<style>@media (max-width:599.98px){.orbis-x{width:100%!important;max-width:300px!important}}</style>',
    );
  });

  it('is not there for what cannot be carried', () => {
    const { text, uncarried } = composed('form', { 'max-width.phone': 300 }, { mark });
    expect(uncarried.map(({ option, code }) => [option, code])).to.deep.equal([
      ['max-width.phone', 'needs-page-head'],
    ]);
    expect(text).to.match(/^<form data-orbis=/);
  });

  for (const [name, options, problem] of [
    ['form', { align: 'centre' }, 'fills-its-place'],
    ['popup', { 'max-width': 300 }, 'over-the-page'],
    ['popup', { align: 'left' }, 'over-the-page'],
    ['popup', { share: 40 }, 'over-the-page'],
    ['form', { fit: 'shape' }, 'nothing-to-present'],
  ] as [keyof typeof codes, Options, string][])
    it(`cannot do ${JSON.stringify(options)} of a ${name}, and says why`, () =>
      expect(composed(name, options).problems.map(({ code }) => code)).to.deep.equal([problem]));
});
