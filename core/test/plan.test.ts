import { expect } from 'chai';
import fc from 'fast-check';
import {
  compose,
  fileAddress,
  neutralMark,
  openCode,
  planPage,
  snippetText,
  whichDocument,
  type Carried,
  type LeavingPlacement,
  type LevelledOptions,
  type Options,
  type PagePlan,
  type PlannedPlacement,
  type PlannedSite,
  type StandsElsewhere,
} from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { codes } from './corpus.ts';

const sheets = builtInSheets();
const digest = (text: string): string => `${text.length}:${text}`;
const booking = (calendar: string): string =>
  `<div class="slotsedge-calendar" data-calendar="${calendar}"></div>\n<script async src="https://cdn.slotsedge.localhost/booking.js"></script>`;
const styled =
  '<link rel="stylesheet" href="https://a.localhost/a.css"><script defer src="https://a.localhost/a.js"></script><div class="a-box">x</div>';
const counter = '<script src="https://count.tallywren.localhost/w.js?site=hollinfell"></script>';

const put = (codesAt: Record<string, string>, asked: LevelledOptions = {}): PlannedPlacement[] =>
  Object.entries(codesAt).map(([place, text], i) => ({
    id: `000000000${i}`,
    place,
    code: openCode(text, { sheets }),
    asked,
    mark: { placement: `000000000${i}`, delivery: 1 },
  }));
const spot = (plan: PagePlan, id: string): string =>
  snippetText(plan.snippets.find(({ position, placements }) => position === 'spot' && placements[0] === id)!);
const head = ({ snippets }: PagePlan): string[] =>
  snippets.filter(({ position }) => position === 'page-head').map(snippetText);
const unmarked = (text: string): string => text.replace(/ data-orbis="[^"]*"/, '');

describe('the plan of a page', () => {
  it('loads once what several codes bring: at the first place, where there is no way into the head', () => {
    const plan = planPage(put({ 'x/p#b': booking('two'), 'x/p#a': booking('one') }), { head: false }, digest);
    expect(head(plan)).to.deep.equal([]);
    expect(unmarked(spot(plan, '0000000001'))).to.equal(booking('one'));
    expect(unmarked(spot(plan, '0000000000'))).to.equal(
      '<div class="slotsedge-calendar" data-calendar="two"></div>\n',
    );
    const left = plan.snippets
      .flatMap(({ runs }) => runs)
      .find((run) => run.from === 'orbis' && run.stage === 'leave-out');
    expect(left).to.have.nested.property('reasons[0].facts').that.deep.equals({ place: 'x/p#a' });
  });

  it('puts into the head what belongs there, once, in the order of the codes, and leaves the rest at its place', () => {
    const plan = planPage(
      put({ 'x/p#a': styled, 'x/p#b': booking('two'), 'x/p#c': styled }),
      { head: true },
      digest,
    );
    expect(head(plan)).to.deep.equal([
      '<link rel="stylesheet" href="https://a.localhost/a.css">',
      '<script async src="https://cdn.slotsedge.localhost/booking.js"></script>',
      '<script defer src="https://a.localhost/a.js"></script>',
    ]);
    expect(unmarked(spot(plan, '0000000002'))).to.equal('<div class="a-box">x</div>');
    expect(plan.snippets[0]!.placements).to.deep.equal(['0000000000', '0000000002']);
    expect(plan.steps.map(({ position, place }) => place ?? position)).to.deep.equal([
      'page-head',
      'page-head',
      'page-head',
      'x/p#a',
      'x/p#b',
      'x/p#c',
    ]);
  });

  it('loads twice what is not the same after what was asked, and what carries a number of its own', () => {
    const numbered =
      '<script async src="https://js.popplenook.localhost/popup.js" data-campaign="1"></script><div class="popplenook-popup" data-campaign="a"></div>';
    const plan = planPage(
      [
        ...put({ 'x/p#a': numbered }),
        ...put({ 'x/p#b': numbered }).map((one) => ({ ...one, id: '1111111111' })),
      ],
      { head: false },
      digest,
    );
    expect(
      [spot(plan, '0000000000'), spot(plan, '1111111111')].map((text) => text.includes('popup.js')),
    ).to.deep.equal([true, true]);
  });

  it('marks a code of scripts alone on an element of ours', () => {
    const plan = planPage(put({ 'x/p#a': counter }), { head: true }, digest);
    expect(spot(plan, '0000000000')).to.equal(`<div data-orbis="0000000000.1">${counter}</div>`);
  });

  it('says of each step what is done: pasted, replaced, taken out, or nothing, as it is there already', () => {
    const loader = '<script async src="https://cdn.slotsedge.localhost/booking.js"></script>';
    const steps = (carried: Record<string, Carried | null>, leaving: LeavingPlacement[] = []) => {
      const placements = put({ 'x/p#a': booking('one'), 'x/p#b': booking('two') }).map((one) => ({
        ...one,
        mark: neutralMark,
        carried: carried[one.place] ?? null,
      }));
      return planPage(placements, { head: true }, digest, leaving).steps.map(
        ({ action, position, place }) => `${action} ${place ?? position}`,
      );
    };
    const whole = (calendar: string): Carried => ({
      digests: [
        digest(loader),
        digest(
          `<div data-orbis="0000000000.0" class="slotsedge-calendar" data-calendar="${calendar}"></div>\n`,
        ),
      ],
      isWhole: true,
      byLink: false,
    });
    expect(steps({})).to.deep.equal(['paste page-head', 'paste x/p#a', 'paste x/p#b']);
    expect(steps({ 'x/p#a': whole('one') })).to.deep.equal([
      'already-there page-head',
      'already-there x/p#a',
      'paste x/p#b',
    ]);
    expect(
      steps({ 'x/p#a': { ...whole('one'), isWhole: false }, 'x/p#b': whole('an earlier one') }),
    ).to.deep.equal(['already-there page-head', 'replace x/p#a', 'replace x/p#b']);
    expect(
      steps({ 'x/p#a': { digests: [digest('whole, with its loader')], isWhole: true, byLink: false } }),
    ).to.deep.equal(['paste page-head', 'replace x/p#a', 'paste x/p#b']);
    expect(steps({ 'x/p#a': { digests: [], isWhole: true, byLink: true } })).to.deep.equal([
      'paste page-head',
      'already-there x/p#a',
      'paste x/p#b',
    ]);
    expect(steps({}, [{ id: '9999999999', place: 'x/p#aa' }])).to.deep.equal([
      'paste page-head',
      'paste x/p#a',
      'take-out x/p#aa',
      'paste x/p#b',
    ]);
  });

  const form = '<form id="signup"><input name="mail"></form>';
  const spotAt = ({ snippets }: PagePlan, at: number): string =>
    snippetText(snippets.filter(({ position }) => position === 'spot')[at]!);

  it('puts what claims the same into frames of their own, all but the first, and says so', () => {
    const plan = planPage(put({ 'x/p#b': form, 'x/p#a': form, 'x/p#c': form }), { head: false }, digest);
    const about = { way: 'enclosed', from: 'x/p#a', what: 'id', name: 'signup' };
    expect(plan.findings).to.deep.equal([
      { rule: 'kept-apart', level: 'note', facts: { place: 'x/p#b', ...about }, placements: ['0000000000'] },
      { rule: 'kept-apart', level: 'note', facts: { place: 'x/p#c', ...about }, placements: ['0000000002'] },
    ]);
    expect(unmarked(spotAt(plan, 0))).to.equal(form);
    for (const at of [1, 2]) expect(spotAt(plan, at)).to.match(/<iframe [^>]* srcdoc="[^"]*signup/);
    expect(plan.apart.map(({ placement }) => placement).sort()).to.deep.equal(['0000000000', '0000000002']);
  });

  it('leaves what cannot be in a frame as it is, and puts the other one into one, wherever it stands', () => {
    const storing = `${form}<script>document.getElementById('signup').hidden = localStorage.getItem('x') === '1';</script>`;
    const served = { head: false, servedAt: 'http://0000000000.frames.localhost:7421/' };
    const bySite = (site: PlannedSite) =>
      planPage(put({ 'x/p#a': form, 'x/p#b': storing }), site, digest).findings.map(
        ({ rule, facts }) => `${rule} ${String(facts['place'])} ${String(facts['way'])}`,
      );
    expect(bySite(served)).to.deep.equal(['kept-apart x/p#b served']);
    expect(bySite({ ...served, sharesHost: true })).to.deep.equal(['kept-apart x/p#a enclosed']);
  });

  it('leaves as they are two frames with one id, which nothing looks for, and says it', () => {
    const frame = '<iframe id="player" src="https://kinorill.localhost/embed/1"></iframe>';
    const { findings, apart } = planPage(put({ 'x/p#a': frame, 'x/p#b': frame }), { head: false }, digest);
    expect([findings.map(({ rule }) => rule), apart]).to.deep.equal([['claims-collide'], []]);
  });

  it('finds what two codes claim for themselves whose owner wants no frames', () => {
    const placements = put({ 'x/p#a': form, 'x/p#b': form }).map((one) => ({
      ...one,
      asked: { embed: { frame: 'none' } },
    }));
    const { findings } = planPage(placements, { head: false }, digest);
    expect(findings).to.deep.equal([
      {
        rule: 'claims-collide',
        level: 'error',
        facts: { what: 'id', name: 'signup', times: 2, one: 'x/p#a', other: 'x/p#b' },
        placements: ['0000000000', '0000000001'],
      },
    ]);
  });

  const film = '<iframe src="https://kinorill.localhost/embed/1" width="560" height="315"></iframe>';
  const widthCases: [what: string, text: string, asked: Options, expected: [string, number] | null][] = [
    ['a frame that says its width', film, {}, ['phone tablet', 560]],
    ['one that keeps its shape', film, { fit: 'shape' }, null],
    ['one that is never wider', film, { 'max-width': 500 }, ['phone', 500]],
    ['one that is narrower on phones', film, { 'max-width.phone': 320 }, ['tablet', 560]],
    ['one that is never narrower', film, { 'fit': 'shape', 'min-width': 400 }, ['phone', 400]],
    ['one as wide as asked', film, { fit: 'fixed', width: 900, height: 500 }, null],
    ['one that gives way by itself', film.replace('<iframe', '<iframe style="max-width:100%"'), {}, null],
    ['what has no width', form, {}, null],
    ['what is in a frame of ours', form, { frame: 'enclosed' }, null],
  ];
  for (const [what, text, asked, expected] of widthCases)
    it(`knows whether its spot is wide enough for ${what}`, () => {
      const [one] = put({ 'x/p#a': text });
      const placement = {
        ...one!,
        asked: { embed: asked },
        room: { widths: { phone: 358, tablet: 540, desktop: 760 }, heights: {} },
      };
      const { findings } = planPage([placement], { head: true }, digest);
      const found = findings.filter(({ rule }) => rule === 'too-wide').map(({ facts }) => facts);
      expect(found.map(({ devices, width }) => [devices, width])).to.deep.equal(expected ? [expected] : []);
      expect(planPage([{ ...one!, asked: { embed: asked } }], { head: true }, digest).findings).to.deep.equal(
        findings.filter(({ rule }) => rule !== 'too-wide'),
      );
    });

  const some = fc.uniqueArray(
    fc.tuple(
      fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'),
      fc.constantFrom(...Object.values(codes), booking('x'), booking('y'), styled, counter),
    ),
    {
      selector: ([name]) => name,
      maxLength: 6,
    },
  );
  const asked = fc.constantFrom<LevelledOptions>(
    {},
    { embed: { title: 'T' } },
    { site: { 'max-width': 300, 'tracking': false } },
    { placement: { align: 'centre' } },
  );
  const plans = (made: (placements: PlannedPlacement[], siteHead: boolean) => void): void =>
    fc.assert(
      fc.property(some, asked, fc.boolean(), (list, options, siteHead) =>
        made(
          list.map(([name, text]) => ({
            id: `000000000${name}`,
            place: `x/p#${name}`,
            code: openCode(text, { sheets }),
            asked: options,
            mark: { placement: `000000000${name}`, delivery: 3 },
          })),
          siteHead,
        ),
      ),
      { seed: 20261126, numRuns: 120 },
    );

  it('does not depend on the order of placing', () =>
    plans((placements, siteHead) => {
      const tell = ({ snippets, steps, findings }: PagePlan) => ({ snippets, steps, findings });
      expect(tell(planPage([...placements].reverse(), { head: siteHead }, digest))).to.deep.equal(
        tell(planPage(placements, { head: siteHead }, digest)),
      );
    }));

  it('has every part of every source in exactly one snippet, or says that it was left out and why', () =>
    plans((placements, siteHead) => {
      const { snippets } = planPage(placements, { head: siteHead }, digest);
      const heads = new Set(snippets.filter(({ position }) => position === 'page-head').map(snippetText));
      for (const { id, code } of placements) {
        let at = 0;
        for (const run of snippets.find(
          ({ position, placements: [own] }) => position === 'spot' && own === id,
        )!.runs) {
          const range = run.from === 'source' ? run : run.instead!;
          expect(range.start).to.equal(at);
          if (run.from === 'source') expect(run.text).to.equal(code.text.slice(run.start, run.end));
          if (run.from === 'orbis' && run.stage === 'leave-out') {
            expect(run.reasons[0]?.code).to.equal(siteHead ? 'moved-to-head' : 'loaded-at');
            if (siteHead) expect([...heads].some((text) => text !== '')).to.equal(true);
          }
          at = range.end;
        }
        expect(at).to.equal(code.text.length);
      }
    }));

  it('takes out of the head what nobody needs any more, and nothing else, whoever leaves', () =>
    plans((placements) => {
      const all = planPage(placements, { head: true }, digest);
      const elsewhere = (id: string): StandsElsewhere[] =>
        all.snippets
          .filter((snippet) => snippet.position !== 'spot' && snippet.placements.includes(id))
          .map((snippet) => ({ ...snippet, text: snippetText(snippet) }));
      const stay = placements.filter((_, at) => at % 2 === 0);
      const leave = placements.filter((_, at) => at % 2 === 1);
      const plan = planPage(
        stay.map((one) => ({
          ...one,
          carried: { digests: [], isWhole: true, byLink: false, elsewhere: elsewhere(one.id) },
        })),
        { head: true },
        digest,
        leave.map(({ id, place }) => ({ id, place, elsewhere: elsewhere(id) })),
      );
      const out = plan.steps.flatMap(({ action, text }) => (action === 'take-out' && text ? [text] : []));
      const needed = new Set(head(plan));
      expect(out.sort()).to.deep.equal(
        head(all)
          .filter((text) => !needed.has(text))
          .sort(),
      );
    }));

  it('says nothing twice, and alone it is what the code comes to by itself', () =>
    plans((placements, siteHead) => {
      const plan = planPage(placements, { head: siteHead }, digest);
      expect(new Set(head(plan)).size).to.equal(head(plan).length);
      for (const placement of placements) {
        const alone = planPage([placement], { head: false }, digest);
        const { options } = {
          options: Object.assign({}, ...Object.values(placement.asked)) as Record<string, never>,
        };
        const composed = compose(placement.code, options, { mark: { placement: placement.id, delivery: 3 } });
        if (composed.problems.length === 0) expect(spot(alone, placement.id)).to.equal(composed.text);
      }
    }));
});

describe('the plan of a page with codes in files', () => {
  const at = (name: string): string => `https://hollinfell.localhost/embeds/${name}.html`;
  const quote = (words: string): string => `<blockquote>${words}</blockquote>`;
  const inFile = (place: string, text: string, address: string, more: Partial<PlannedPlacement> = {}) => ({
    ...put({ [place]: text }, { placement: { 'frame': 'file', 'frame-file': address } })[0]!,
    id: `id-${place}`,
    ...more,
  });
  const steps = (placements: PlannedPlacement[]): string[] =>
    planPage(placements, { head: true }, digest).steps.map(
      ({ action, position, place }) => `${action} ${position} ${place}`,
    );

  it('puts each document into its file first, the same one once', () => {
    const placed = [
      inFile('x/p#a', quote('one'), at('one')),
      inFile('x/p#b', quote('one'), at('one')),
      inFile('x/p#c', quote('two'), at('two')),
    ];
    const { snippets, findings } = planPage(placed, { head: true }, digest);
    const files = snippets.filter(({ position }) => position === 'file');
    expect(files.map(({ placements }) => placements)).to.deep.equal([['id-x/p#a', 'id-x/p#b'], ['id-x/p#c']]);
    expect(files.map(fileAddress)).to.deep.equal([at('one'), at('two')]);
    expect(files.map(snippetText).map((text) => /<blockquote>(\w+)/.exec(text)?.[1])).to.deep.equal([
      'one',
      'two',
    ]);
    expect(findings).to.deep.equal([]);
    expect(steps(placed)).to.deep.equal([
      `paste file ${at('one')}`,
      `paste file ${at('two')}`,
      'paste page-head null',
      ...['a', 'b', 'c'].map((spot) => `paste spot x/p#${spot}`),
    ]);
  });

  it('replaces a file where the page has an earlier one, and leaves one that is there', () => {
    const [file, , spot] = planPage(
      [inFile('x/p#a', quote('one'), at('one'))],
      { head: true },
      digest,
    ).snippets;
    const carrying = (digests: string[]): string[] =>
      steps([
        inFile('x/p#a', quote('one'), at('one'), { carried: { digests, isWhole: true, byLink: false } }),
      ]).filter((step) => !step.includes('page-head'));
    expect(carrying([spot!.digest])).to.deep.equal([`replace file ${at('one')}`, 'already-there spot x/p#a']);
    expect(carrying([spot!.digest, file!.digest])).to.deep.equal([
      `already-there file ${at('one')}`,
      'already-there spot x/p#a',
    ]);
  });

  it('says where two codes would have one file', () => {
    const { findings } = planPage(
      [inFile('x/p#a', quote('one'), at('one')), inFile('x/p#b', quote('two'), at('one'))],
      { head: false },
      digest,
    );
    expect(findings).to.deep.equal([
      {
        rule: 'file-taken',
        level: 'error',
        facts: { address: at('one'), place: 'x/p#b' },
        placements: ['id-x/p#b'],
      },
    ]);
  });
});

describe('which document stands in a file', () => {
  const documents = ['<!doctype html>\n<p class="a" id="b">One</p>\n', '<!doctype html>\n<p>Two</p>\n'];

  for (const [how, text, which] of [
    ['byte for byte', documents[1]!, 1],
    ['with other line ends and a mark of its encoding', `\uFEFF${documents[0]!.replaceAll('\n', '\r\n')}`, 0],
    ['written otherwise', "<!DOCTYPE html><html><P id=b class='a'>One<!-- stored --></P></html>", 0],
    ['changed', documents[1]!.replace('Two', 'Three'), null],
    ['with something else in it', `${documents[1]!}<script src="x.js"></script>`, null],
    ['nothing at all', '', null],
    ['much more than that', `${documents[1]!}${'<b>x'.repeat(5000)}`, null],
    ['nested without end', `<p>Two${'<b>'.repeat(1200)}`, null],
  ] as const)
    it(`is found ${how}`, () => expect(whichDocument(text, documents)).to.equal(which));
});

describe('pop-ups on a page', () => {
  const popUp = (campaign: string): string =>
    `<script async src="https://js.popplenook.localhost/popup.js"></script><div class="popplenook-popup" data-campaign="${campaign}"></div>`;
  const told = (codes: Record<string, string>) =>
    planPage(put(codes), { head: true }, digest)
      .findings.filter(({ rule }) => rule === 'pop-ups-together')
      .map(({ facts, placements }) => [facts['times'], facts['one'], facts['other'], placements.length]);

  it('are said where there is more than one', () => {
    expect(told({ 'x/p#a': popUp('one') })).to.deep.equal([]);
    expect(told({ 'x/p#a': popUp('one'), 'x/p#b': counter })).to.deep.equal([]);
    expect(told({ 'x/p#b': popUp('two'), 'x/p#a': popUp('one') })).to.deep.equal([[2, 'x/p#a', 'x/p#b', 2]]);
  });
});
