import { expect } from 'chai';
import { compose, openCode, type Options } from '@orbis/core';
import { formatReasons } from '@orbis/contract';
import { codes, sheets, talk } from './corpus.ts';

const context = { sheets };
const presented = (text: string, options: Options): string => compose(openCode(text, context), options).text;
const all: Options = { 'fit': 'shape', 'max-width': 800, 'align': 'centre' };
const styles =
  'display:block;width:100%;max-width:800px;height:auto;aspect-ratio:16/9;margin:0 auto;border:0;align-self:flex-start';

describe('presentation', () => {
  it('fits a frame by its shape with inline styles, and no script', () => {
    expect(presented(talk, all)).to.equal(talk.replace('<iframe', `<iframe style="${styles}"`));
  });

  it('takes the share of the width in the place of the whole', () => {
    expect(presented(talk, { fit: 'shape', share: 80 }))
      .to.include('width:80%;height:auto')
      .and.not.include('width:100%');
  });

  it('takes the shape that the owner says, else the code’s, else the sheet’s', () => {
    expect(presented(talk, { fit: 'shape', shape: { width: 1080, height: 1920 } })).to.include(
      'aspect-ratio:9/16',
    );
    expect(presented(talk.replace('315', '420'), { fit: 'shape' })).to.include('aspect-ratio:4/3');
    expect(presented(talk.replace('height="315"', ''), { fit: 'shape' })).to.include('aspect-ratio:16/9');
  });

  it('replaces what conflicts, keeps the rest byte for byte, and names what gave way', () => {
    const code =
      '<iframe style="border: 2px solid red; outline : 0 ;min-width:600px;WIDTH:560px" src="https://play.kinorill.localhost/film/a1"></iframe>';
    const { edits, text } = compose(openCode(code, context), { fit: 'shape' });
    expect(text).to.include(
      'style="border:0; outline : 0 ;width:100%;display:block;height:auto;aspect-ratio:16/9;align-self:flex-start"',
    );
    expect(formatReasons(edits[0]!.reasons))
      .to.include('border: 2px solid red')
      .and.include('min-width: 600px')
      .and.include('give way');
  });

  it('quotes a style that had no quotes', () => {
    expect(presented(codes['an unquoted style']!, { align: 'right' })).to.include(
      'style="width:50%;display:block;margin:0 0 0 auto"',
    );
  });

  for (const [label, text] of Object.entries(codes)) {
    it(`twice is once, and none is nothing, for ${label}`, () => {
      expect(presented(text, {})).to.equal(text);
      for (const options of [all, { share: 50 }, { align: 'left' }, { 'max-width': 300 }] as Options[]) {
        const once = presented(text, options);
        expect(presented(once, options)).to.equal(once);
      }
    });
  }

  for (const [label, text, options, code] of [
    ['a code that has no element', '<!-- nothing -->', { share: 50 }, 'nothing-to-present'],
    ['a code that is cut off', codes['cut off']!, { share: 50 }, 'nothing-to-present'],
    [
      'a code in a box of its own',
      '<div style="width:400px"><iframe src="https://a.example/x" width="4" height="3"></iframe></div>',
      { fit: 'shape' },
      'own-wrapper',
    ],
    [
      'a code whose shape nobody knows',
      '<iframe src="https://elsewhere.localhost/" title=t></iframe>',
      { fit: 'shape' },
      'shape-unknown',
    ],
  ] as [string, string, Options, string][]) {
    it(`refuses ${label}`, () =>
      expect(compose(openCode(text, context), options))
        .to.deep.include({ edits: [] })
        .and.have.nested.property('problems[0].code', code));
  }

  it('names every option that cannot be, so that none is left over when these are dropped', () => {
    const { problems } = compose(openCode(codes['cut off']!, context), {
      'fit': 'shape',
      'max-width': 300,
      'align': 'left',
    });
    expect(problems.map((p) => p.option)).to.have.members(['fit', 'max-width', 'align']);
  });
});
