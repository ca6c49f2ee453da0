import { expect } from 'chai';
import { applyEdits, dress, dressOptions, openCode, type Dress } from '@orbis/core';
import { codes, sheets, talk } from './corpus.ts';

const context = { sheets };
const dressed = (text: string, wishes: Dress): string => applyEdits(text, dress(openCode(text, context), wishes).edits);
const all: Dress = { 'fit': 'shape', 'max-width': 800, 'align': 'centre' };
const styles = 'display:block;width:100%;max-width:800px;height:auto;aspect-ratio:16/9;margin:0 auto;border:0;align-self:flex-start';

describe('dress', () => {
  it('fits a frame by its shape with inline styles, and no script', () => {
    expect(dressed(talk, all)).to.equal(talk.replace('<iframe', `<iframe style="${styles}"`));
  });

  it('takes the share of the width in the place of the whole', () => {
    expect(dressed(talk, { fit: 'shape', share: 80 }))
      .to.include('width:80%;height:auto')
      .and.not.include('width:100%');
  });

  it('takes the shape that the owner says, else the code’s, else the sheet’s', () => {
    expect(dressed(talk, { fit: 'shape', shape: { width: 1080, height: 1920 } })).to.include('aspect-ratio:9/16');
    expect(dressed(talk.replace('315', '420'), { fit: 'shape' })).to.include('aspect-ratio:4/3');
    expect(dressed(talk.replace('height="315"', ''), { fit: 'shape' })).to.include('aspect-ratio:16/9');
  });

  it('replaces what conflicts, keeps the rest byte for byte, and names what gave way', () => {
    const code = '<iframe style="border: 2px solid red; outline : 0 ;min-width:600px;WIDTH:560px" src="https://play.kinorill.localhost/reel/a1"></iframe>';
    const { edits } = dress(openCode(code, context), { fit: 'shape' });
    expect(applyEdits(code, edits)).to.include('style="border:0; outline : 0 ;width:100%;display:block;height:auto;aspect-ratio:16/9;align-self:flex-start"');
    expect(edits[0]!.reason).to.include('border: 2px solid red').and.include('min-width: 600px').and.include('give way');
  });

  it('quotes a style that had no quotes', () => {
    expect(dressed(codes['an unquoted style']!, { align: 'right' })).to.include('style="width:50%;display:block;margin:0 0 0 auto"');
  });

  for (const [label, text] of Object.entries(codes)) {
    it(`twice is once, and none is nothing, for ${label}`, () => {
      expect(dressed(text, {})).to.equal(text);
      for (const wishes of [all, { share: 50 }, { align: 'left' }, { 'max-width': 300 }] as Dress[]) {
        const once = dressed(text, wishes);
        expect(dressed(once, wishes)).to.equal(once);
      }
    });
  }

  for (const [label, text, wishes, code] of [
    ['a code without a frame', codes['element and loader']!, { share: 50 }, 'nothing-to-dress'],
    ['a code in a box of its own', codes['a box around it']!, { fit: 'shape' }, 'own-wrapper'],
    ['a code whose shape nobody knows', '<iframe src="https://elsewhere.localhost/" title=t></iframe>', { fit: 'shape' }, 'shape-unknown'],
  ] as [string, string, Dress, string][]) {
    it(`refuses ${label}`, () =>
      expect(dress(openCode(text, context), wishes))
        .to.deep.include({ edits: [] })
        .and.have.nested.property('problems[0].code', code));
  }

  it('names every option that cannot be, so that none is left over when these are dropped', () => {
    const { problems } = dress(openCode(codes['element and loader']!, context), { 'fit': 'shape', 'max-width': 300, 'align': 'left' });
    expect(problems.map((p) => p.wish)).to.have.members(['fit', 'max-width', 'align']);
  });

  it('has options that explain themselves and read their own examples', () => {
    expect(dressOptions.length).to.be.at.least(5);
    for (const option of dressOptions) {
      expect(option.parse(option.example).ok, option.name).to.equal(true);
      expect(option.source, option.name).to.not.equal('');
      expect(option.explain).to.match(/\.$/);
    }
  });
});
