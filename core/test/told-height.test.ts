import { expect } from 'chai';
import { compose, listenerTag, openCode, scriptsInShort, type Options } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';

const sheets = builtInSheets();
const source =
  '<iframe src="https://tonebarn.localhost/podcast/under-the-fell/17" width="100%" height="176" title="t"></iframe>';
const boxed =
  '<div style="position:relative;padding-bottom:56.25%"><iframe src="https://tonebarn.localhost/podcast/under-the-fell/17" style="position:absolute;width:100%;height:100%" title="t"></iframe></div>';
const code = openCode(source, { sheets });
const marked = `data-orbis-height="tonebarn.tall"`;

describe('a frame that says how high it is', () => {
  for (const [label, options, text] of [
    [
      'is marked with the member that its sheet names, and has the listener before it',
      { fit: 'content' },
      /^<script>…<\/script><iframe (?=[^>]*data-orbis-height="tonebarn\.tall")(?=[^>]*style="display:block;width:100%;height:176px;)/,
    ],
    [
      'has a box of ours grow with it',
      { fit: 'content', still: 'https://a.example/a.jpg' },
      /<div style="min-height:176px;position:relative;width:100%;[^"]*">(?=<iframe [^>]*data-orbis-height)/,
    ],
    [
      'is heard also where its room was measured',
      { fit: 'content', heights: '320:200' },
      /<iframe [^>]*data-orbis-height="tonebarn\.tall"/,
    ],
    [
      'is heard where it waits for a click',
      { fit: 'content', load: 'click' },
      /^<script>…<\/script><div .*<template><iframe [^>]*data-orbis-height/,
    ],
  ] as [string, Options, RegExp][])
    it(label, () => {
      const { text: out, problems } = compose(code, options);
      expect(problems).to.deep.equal([]);
      expect(scriptsInShort(out)).to.match(text);
      expect(out.split(marked)).to.have.length(2);
    });

  for (const fit of ['shape', 'fixed', 'fill'])
    it(`is left alone where it fits otherwise (${fit})`, () =>
      expect(compose(code, { fit, shape: { width: 2, height: 1 }, width: 300 }).text).not.to.include(
        'data-orbis',
      ));

  it('has the box of its provider grow with it', () => {
    const { text, problems } = compose(openCode(boxed, { sheets }), { fit: 'content' });
    expect(problems).to.deep.equal([]);
    expect(scriptsInShort(text)).to.match(
      /^<script>…<\/script><div style="position:relative;padding-bottom:0;min-height:176px;width:100%">/,
    );
  });

  it('is heard by one listener, in the head where there is a way into it, else with the first code', () => {
    const inHead = compose(code, { fit: 'content' }, { listener: 'head' });
    expect(inHead.text).not.to.include(listenerTag);
    expect(inHead.snippets.map(({ position }) => position)).to.deep.equal(['page-head', 'spot']);
    expect(compose(code, { fit: 'content' }, { listener: 'elsewhere' }).text).to.equal(
      compose(code, { fit: 'content' }).text.replace(listenerTag, ''),
    );
  });

  it('says what the code itself says, once it was handed out', () => {
    const again = openCode(compose(code, { fit: 'content' }).text, { sheets });
    expect(compose(again, { fit: 'content' }).text).to.equal(again.text);
  });

  it('says it to a frame of ours, which says it to the page', () => {
    const asked = { fit: 'content', frame: 'served' };
    const { text, framed, problems } = compose(code, asked, { servedAt: 'https://frames.example/1' });
    expect(problems).to.deep.equal([]);
    expect(framed!.text).to.include(marked).and.to.include(listenerTag);
    expect(text).to.include('data-orbis-height="orbis"');
    expect(framed!.fills).to.equal(false);
  });
});
