import { expect } from 'chai';
import { parseFragment } from 'parse5';
import { compose, openCode, planPage, snippetText, type Options } from '@orbis/core';
import { formatFinding, formatReasons } from '@orbis/contract';
import { codes, sheets, talk } from './corpus.ts';

const apartOf = (text: string, options: Options) =>
  compose(openCode(text, { sheets }), options, { apart: 'orbis-x' });
const spotOf = (text: string, options: Options): string => apartOf(text, options).text;
const headOf = (text: string, options: Options): string[] =>
  apartOf(text, options)
    .snippets.filter(({ position }) => position === 'page-head')
    .map(snippetText);
const phone = '@media (max-width:599.98px)';
const tablet = '@media (min-width:600px) and (max-width:1023.98px)';

describe('what holds on some screens only', () => {
  it('stands apart from the code: a class there, rules in the head, and what holds always stays inline', () => {
    const options = { 'max-width': 800, 'max-width.phone': 320, 'share.tablet': 50 };
    expect(spotOf(talk, options)).to.equal(
      talk.replace('<iframe', '<iframe style="max-width:800px" class="orbis-x"'),
    );
    expect(headOf(talk, options)).to.deep.equal([
      `<style>${phone}{.orbis-x{max-width:320px!important}}${tablet}{.orbis-x{width:50%!important}}</style>`,
    ]);
  });

  for (const [label, options, rules] of [
    [
      'a shape',
      { 'fit': 'shape', 'shape': { width: 16, height: 9 }, 'shape.phone': { width: 1, height: 1 } },
      '.orbis-x{aspect-ratio:1/1!important}',
    ],
    [
      'a shape of what waits',
      { 'fit': 'shape', 'load': 'click', 'shape.phone': { width: 1, height: 1 } },
      '.orbis-x{aspect-ratio:1/1!important}',
    ],
    [
      'a side',
      { 'max-width': 400, 'align': 'centre', 'align.phone': 'left' },
      '.orbis-x{display:block!important;margin:0 auto 0 0!important}',
    ],
    ['corners', { 'corners': 12, 'corners.phone': 0 }, '.orbis-x{border-radius:0px!important}'],
    ['a least width', { 'min-width.phone': 300 }, '.orbis-x{min-width:300px!important}'],
    [
      'the padding of a panel',
      { 'backdrop': '#334433', 'backdrop-padding.phone': 8 },
      '.orbis-x{padding:8px!important}',
    ],
    ['the padding of no panel', { 'backdrop-padding.phone': 8 }, null],
  ] as [string, Options, string | null][])
    it(`may be ${label}`, () => {
      const rest = `<style>${phone}{${rules}}</style>`;
      expect(headOf(talk, options)).to.deep.equal(rules === null ? [] : [rest]);
    });

  it('is held against what else is asked for the same screens', () => {
    const problems = (options: Options) => apartOf(talk, options).problems.map(({ code }) => code);
    expect(problems({ 'min-width.phone': 300, 'max-width.phone': 200 })).to.deep.equal(['widths-cross']);
    expect(problems({ 'min-width.phone': 300, 'max-width.tablet': 200 })).to.deep.equal([]);
    expect(problems({ 'shape.phone': { width: 1, height: 1 } })).to.deep.equal(['shape-everywhere']);
  });

  it('says why each rule is there, and on which screens it holds', () => {
    const [style] = apartOf(talk, { 'max-width.phone': 320, 'share.tablet': 50 }).snippets;
    const [run] = style!.runs;
    expect(run).to.deep.include({ from: 'orbis', options: ['share.tablet', 'max-width.phone'] });
    expect(run!.from === 'orbis' && formatReasons(run!.reasons)).to.equal(
      '50 % of the width of its place (width) on tablets; never wider than 320 px (max-width) on phones. What holds on some screens only cannot stand in the code itself.',
    );
  });

  it('is not carried without a way into the head, and says so; the rest is', () => {
    const { text, uncarried, snippets, problems } = compose(openCode(talk, { sheets }), {
      'max-width': 800,
      'max-width.phone': 320,
    });
    expect(text).to.equal(talk.replace('<iframe', '<iframe style="max-width:800px"'));
    expect(uncarried).to.deep.equal([
      { option: 'max-width.phone', code: 'needs-page-head', facts: { when: 'phone' } },
    ]);
    expect([snippets.length, problems]).to.deep.equal([1, []]);
  });

  it('undoes what stands in its way in the code’s own style, on those screens', () => {
    const code =
      '<iframe class=a style="min-width:600px" src="https://play.kinorill.localhost/film/a1" title="t"></iframe>';
    expect(headOf(code, { 'max-width.phone': 320 })).to.deep.equal([
      `<style>${phone}{.orbis-x{min-width:initial!important;max-width:320px!important}}</style>`,
    ]);
    expect(spotOf(code, { 'max-width.phone': 320 })).to.equal(code.replace('class=a', 'class="a orbis-x"'));
  });

  it('names what the code itself insists on, and leaves it', () => {
    const code =
      '<iframe style="max-width:600px!important" src="https://play.kinorill.localhost/film/a1" title="t"></iframe>';
    const { text, snippets, uncarried } = apartOf(code, { 'max-width.phone': 320 });
    expect([text, snippets.length]).to.deep.equal([code, 1]);
    expect(uncarried).to.deep.equal([
      { option: 'max-width.phone', code: 'code-insists', facts: { property: 'max-width' } },
    ]);
  });

  it('holds for the provider’s own box, with its shape', () => {
    const boxed =
      '<div style="position:relative;padding-bottom:56.25%;height:0"><iframe src="https://play.kinorill.localhost/film/a1" style="position:absolute;width:100%;height:100%"></iframe></div>';
    expect(spotOf(boxed, { 'share.phone': 80 })).to.equal(boxed.replace('<div', '<div class="orbis-x"'));
    expect(headOf(boxed, { 'share.phone': 80 })[0])
      .to.include('width:80%!important')
      .and.include('aspect-ratio:16/9!important;padding-bottom:0!important');
  });

  it('is a problem where the option is one, and no option where it may not differ', () => {
    expect(compose(openCode('<!-- x -->', { sheets }), { 'max-width.phone': 300 }).problems).to.deep.equal([
      { option: 'max-width.phone', code: 'nothing-to-present', facts: {} },
    ]);
    expect(compose(openCode(talk, { sheets }), { 'start.phone': 3 }).problems[0]!.code).to.equal(
      'option-unknown',
    );
  });

  for (const [label, text] of Object.entries(codes)) {
    it(`twice is once, and none is nothing, for ${label}`, () => {
      const options = { 'max-width.phone': 320, 'share.tablet': 50 };
      const once = apartOf(text, options);
      expect(spotOf(once.text, options)).to.equal(once.text);
      expect(spotOf(text, {})).to.equal(text);
      for (const markup of headOf(text, options)) expect(parseFragment(markup).childNodes).to.have.length(1);
    });
  }

  it('is planned for each placement under its own class, and not carried where the site has no way into the head', () => {
    const placements = ['a', 'b'].map((spot, i) => ({
      id: `000000000${i}`,
      place: `x/p#${spot}`,
      code: openCode(talk, { sheets }),
      asked: { embed: { 'max-width.phone': i === 0 ? 300 : 320 } },
      mark: { placement: `000000000${i}`, delivery: 1 },
    }));
    const planned = (head: boolean) => planPage(placements, { head }, (text) => text);
    expect(
      planned(true).snippets.map(({ position, digest }) => [position, /orbis-\d+/.exec(digest)![0]]),
    ).to.deep.equal([
      ['page-head', 'orbis-0000000000'],
      ['page-head', 'orbis-0000000001'],
      ['spot', 'orbis-0000000000'],
      ['spot', 'orbis-0000000001'],
    ]);
    expect(planned(true).findings).to.deep.equal([]);
    const [finding] = planned(false).findings;
    expect(finding).to.deep.equal({
      rule: 'not-carried',
      level: 'warning',
      facts: { option: 'max-width.phone', place: 'x/p#a', why: 'needs-page-head', when: 'phone' },
      placements: ['0000000000'],
    });
    expect(formatFinding(finding!).message).to.match(
      /^At x\/p#a, max-width\.phone is not carried\. What holds only on phones needs/,
    );
  });

  it('is told apart from what is not carried at all, where only a part of an option is', () => {
    const told = (option: string, when: string) =>
      formatFinding({ rule: 'not-carried', facts: { option, place: 'x/p#a', why: 'needs-page-head', when } });
    const part = told('fallback', 'print');
    expect(part.message).to.match(/^At x\/p#a, fallback is not carried on paper\. What holds only on paper/);
    expect(part.remedy).to.equal('If the site has no such way, all else of the option holds there.');
    expect(told('max-width.phone', 'phone').remedy).to.match(/take the option out\.$/);
  });
});
