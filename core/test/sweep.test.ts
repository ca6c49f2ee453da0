import { expect } from 'chai';
import { applyEdits, openCode, compose, readMark, reconcile, scanPage } from '@orbis/core';
import { codes, sheets, talk } from './corpus.ts';

const id = '7k3v9q0xzm';
const issued = compose(
  openCode(talk, { sheets }),
  { start: 112, fit: 'shape' },
  { mark: { placement: id, delivery: 3 } },
).text;
const page = (inner: string): string =>
  `<!doctype html><html><head><title>Talks</title></head><body><main><p>Before</p>${inner}<p>After</p></main></body></html>`;
const seen = (inner: string, seenBefore = false, code = issued) =>
  reconcile(scanPage(page(inner)), [{ placement: id, seenBefore, issued: new Map([[3, code]]) }])[0]!;

describe('the mark', () => {
  it('is one more edit, and taking it out gives back the paste', () => {
    const [edit] = compose(openCode(talk, { sheets }), {}, { mark: { placement: id, delivery: 3 } }).edits;
    const marked = applyEdits(talk, [edit!]);
    expect(marked).to.equal(talk.replace('<iframe', `<iframe data-orbis="${id}.3"`));
    expect(edit!.reasons.map(({ code }) => code)).to.deep.equal(['mark']);
  });
  it('is replaced where a code carries one already', () => {
    const [edit] = compose(
      openCode(`<iframe data-orbis="${id}.3" src=x></iframe>`, { sheets }),
      {},
      { mark: { placement: id, delivery: 12 } },
    ).edits;
    expect(edit).to.deep.include({ text: `${id}.12` });
  });
  for (const code of [
    '<script src="https://count.tallywren.localhost/w.js?site=hollinfell"></script>\n<noscript><img src="x.gif" alt=""></noscript>',
    'words',
  ]) {
    it(`is carried by an element of ours around what shows nothing: ${code.slice(0, 12)}`, () => {
      const marked = compose(openCode(code, { sheets }), {}, { mark: { placement: id, delivery: 1 } }).text;
      expect(marked).to.equal(`<div data-orbis="${id}.1">${code}</div>`);
      expect(
        reconcile(scanPage(page(marked)), [
          { placement: id, seenBefore: false, issued: new Map([[1, marked]]) },
        ])[0],
      ).to.deep.include({ state: 'live', delivery: 1 });
    });
  }
  it('is read strictly', () => {
    expect(readMark(`${id}.3`)).to.deep.equal({ placement: id, delivery: 3 });
    for (const bad of [
      `${id}`,
      `${id}.0`,
      `${id}.03`,
      `${id.toUpperCase()}.3`,
      `ilou${id.slice(4)}.1`,
      `x${id}.1`,
      `${id}.1 `,
    ])
      expect(readMark(bad), bad).to.equal(null);
  });
});

describe('a sweep of a page', () => {
  it('sees a code that was issued', () =>
    expect(seen(issued)).to.deep.include({ state: 'live', delivery: 3, findings: [] }));

  it('is not misled by how the code is written', () => {
    const rewritten = issued
      .replace('<iframe', '<IFRAME  ')
      .replaceAll('"', "'")
      .replace('allowfullscreen', 'allowfullscreen=""')
      .replace('</iframe>', '</iframe >');
    expect(seen(`<div>\n ${rewritten}<!-- c --> </div>`)).to.deep.include({ state: 'live' });
  });

  for (const [label, inner] of [
    ['in a comment', `<!-- ${issued} -->`],
    ['in a template', `<template>${issued}</template>`],
    ['in a script', `<script>const x = '${issued.replace('</', '<\\/')}'</script>`],
    ['in a text field', `<textarea>${issued}</textarea>`],
    ['in a noscript', `<noscript>${issued}</noscript>`],
    ['under another id', issued.replace(id, '7k3v9q0xz0')],
  ] as const) {
    it(`does not count a mark ${label}`, () => {
      expect(seen(inner).state).to.equal('planned');
      expect(seen(inner, true))
        .to.deep.include({ state: 'missing' })
        .and.have.nested.property('findings[0].rule', 'missing');
    });
  }

  it('says that the code was changed, and how', () => {
    const found = seen(issued.replace('from=112', 'from=11'));
    expect(found).to.deep.include({ state: 'altered', delivery: 3 });
    expect(found.findings[0]!.facts['found']).to.include('from=11"');
    expect(found.findings[0]!.facts['issued']).to.include('from=112');
  });

  it('does not believe a delivery number that was never issued', () =>
    expect(seen(issued.replace(`${id}.3`, `${id}.4`)).state).to.equal('altered'));

  it('says that visitors read the code', () => {
    const found = seen(`<p>${issued.replaceAll('<', '&lt;').replaceAll('"', '“')}</p>`);
    expect(found.findings.map((f) => f.rule)).to.deep.equal(['shown-as-text']);
  });

  it('says that it is there twice', () =>
    expect(seen(issued + issued).findings[0]).to.deep.include({ rule: 'doubled', facts: { times: 2 } }));

  for (const [label, code] of Object.entries(codes)) {
    const out = compose(openCode(code, { sheets }), {}, { mark: { placement: id, delivery: 3 } });
    if (!out.edits.some((e) => e.stage === 'mark') || label === 'cut off') continue;
    it(`finds ${label} again as it was issued`, () => {
      if (label === 'misnested' || label === 'stray tags') return expect(seen(out.text).delivery).to.equal(3);
      expect(seen(out.text, false, out.text)).to.deep.include({ state: 'live' });
    });
  }
});
