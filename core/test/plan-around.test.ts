import { expect } from 'chai';
import fc from 'fast-check';
import {
  blockStands,
  neutralMark,
  openCode,
  openEditor,
  planPage,
  snippetText,
  type Block,
  type PagePlan,
  type PlannedPlacement,
  type PlannedSite,
} from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { codes } from './corpus.ts';

const sheets = builtInSheets();
const digest = (text: string): string => text;
const address = 'cdn.slotsedge.localhost/booking.js';
const script = `<script async src="https://${address}"></script>`;
const booking = (calendar: string): string =>
  `<div class="slotsedge-calendar" data-calendar="${calendar}"></div>\n${script}`;
const base = '<script defer src="https://a.localhost/base.js"></script>';
const styled = `${base}<script defer src="https://a.localhost/a.js"></script><div class="a-box">x</div>`;
const form = '<form id="signup" action="https://mail.localhost/in"><input name="email"></form>';

const put = (at: Record<string, string>): PlannedPlacement[] =>
  Object.entries(at).map(([place, text]) => ({
    id: place.replace(/[^a-z]/g, '').padStart(10, '0'),
    place,
    code: openCode(text, { sheets }),
    asked: {},
    mark: neutralMark,
  }));
const block = (stands: Block['stands'], at: Record<string, string>): Block => ({
  stands,
  placements: put(at),
});
const textsAt = ({ snippets }: PagePlan, at: string): string[] =>
  snippets.filter(({ position }) => position === at).map(snippetText);
const rules = ({ findings }: PagePlan): string[] =>
  findings.map(
    ({ rule, facts }) =>
      `${rule} ${[facts['place'], facts['name']].filter((x) => x !== undefined).join(' ')}`,
  );

describe('the plan of a page that shows a block', () => {
  const header = block('before', { 'x/{header}#main': booking('one') });

  it('leaves out what a block brings that stands before it, and says where it comes from', () => {
    const plan = planPage(put({ 'x/p#a': booking('two') }), { head: false }, digest, [], [header]);
    expect(textsAt(plan, 'spot').join('')).not.to.contain(script);
    const left = plan.snippets[0]!.runs.find((run) => run.from === 'orbis' && run.stage === 'leave-out');
    expect(left).to.have.nested.property('reasons[0].facts.place', 'x/{header}#main');
    expect(rules(plan)).to.deep.equal([]);
  });

  it('has nothing in the head of the page that a block before it brings', () => {
    const plan = planPage(put({ 'x/p#a': booking('two') }), { head: true }, digest, [], [header]);
    expect(textsAt(plan, 'page-head')).to.deep.equal([]);
    expect(textsAt(plan, 'spot').join('')).not.to.contain(script);
  });

  it('has in the head all that a code brings where the block has a part of it only, and says what is there twice', () => {
    const half = block('before', { 'x/{header}#main': `${base}<div class="b-box">y</div>` });
    const plan = planPage(put({ 'x/p#a': styled }), { head: true }, digest, [], [half]);
    expect(textsAt(plan, 'page-head')[0]).to.equal(base);
    expect(rules(plan)).to.deep.equal(['brought-twice x/{header}#main a.localhost/base.js']);
  });

  for (const head of [false, true])
    it(`leaves out what works from a block behind it ${head ? 'as well as from its head' : 'as well'}`, () => {
      const footer = block('after', { 'x/{footer}#main': booking('one') });
      const plan = planPage(put({ 'x/p#a': booking('two') }), { head }, digest, [], [footer]);
      expect(plan.snippets.map(snippetText).join('')).not.to.contain(script);
      expect(rules(plan)).to.deep.equal([]);
    });

  it('leaves out the script for what waits where a block behind it has it, and not the one for heights', () => {
    const film = '<iframe src="https://play.kinorill.localhost/embed/k1"></iframe>';
    const waiting = (at: string) =>
      put({ [at]: film }).map((one) => ({ ...one, asked: { embed: { load: 'click' } } }));
    const footer: Block = { stands: 'after', placements: waiting('x/{footer}#main') };
    const texts = (blocks: Block[]) =>
      planPage(waiting('x/p#a'), { head: false }, digest, [], blocks).snippets.map(snippetText).join('');
    expect(texts([])).to.contain('<script>');
    expect(texts([footer])).not.to.contain('<script>');
    const enclosed = (at: string) =>
      put({ [at]: '<p>Hours</p>' }).map((one) => ({ ...one, asked: { embed: { frame: 'enclosed' } } }));
    const told: Block = { stands: 'after', placements: enclosed('x/{footer}#main') };
    const plan = planPage(enclosed('x/p#a'), { head: false }, digest, [], [told]);
    expect(textsAt(plan, 'spot').join('')).to.contain('<script>');
  });

  it('brings what comes too late with a block behind it, and says that it is there twice', () => {
    const footer = block('after', { 'x/{footer}#main': `${base}<div class="b-box">y</div>` });
    const own = `${base}<div class="a-box">x</div>`;
    const plan = planPage(put({ 'x/p#a': own }), { head: false }, digest, [], [footer]);
    expect(textsAt(plan, 'spot').join('')).to.contain(base);
    expect(rules(plan)).to.deep.equal(['brought-twice x/{footer}#main a.localhost/base.js']);
    const inSiteHead: PlannedSite = { head: false, siteHead: { kept: [base], stands: [] } };
    expect(rules(planPage(put({ 'x/p#a': own }), inSiteHead, digest, [], [footer]))).to.deep.equal([]);
  });

  it('puts its own code into a frame where a block claims the same, and never the block’s', () => {
    const footer = block('after', { 'x/{footer}#main': form });
    const plan = planPage(put({ 'x/p#a': form }), { head: false }, digest, [], [footer]);
    expect(plan.apart).to.deep.equal([{ placement: '0000000xpa', way: 'enclosed' }]);
    expect(plan.findings[0]!.facts).to.include({ place: 'x/p#a', from: 'x/{footer}#main' });
  });

  it('counts what its blocks bring against what the owner wants on a page', () => {
    const editor = { ...openEditor, mostHosts: 1, mostScripts: 1 };
    const site = { head: false, editor };
    const codeOf = put({ 'x/p#a': '<script src="https://count.tallywren.localhost/w.js"></script>' });
    expect(rules(planPage(codeOf, site, digest))).to.deep.equal([]);
    expect(planPage(codeOf, site, digest, [], [header]).findings.map(({ rule }) => rule)).to.include.members([
      'too-many-hosts',
      'too-many-scripts',
    ]);
  });
});

describe('any page with any block', () => {
  const opened = [...Object.values(codes), booking('x'), styled, `${base}<i>z</i>`, form].map((text) =>
    openCode(text, { sheets }),
  );
  /* Often one of those that share something. */
  const which = fc.oneof(
    fc.nat(opened.length - 1),
    fc.integer({ min: opened.length - 4, max: opened.length - 1 }),
  );
  const some = (of: string) =>
    fc
      .uniqueArray(fc.tuple(fc.constantFrom('a', 'b', 'c'), which), {
        selector: ([name]) => name,
        maxLength: 3,
      })
      .map((page) =>
        page.map(([name, at]): PlannedPlacement => ({
          id: `${of}${name}`.padStart(10, '0'),
          place: `x/${of}#${name}`,
          code: opened[at]!,
          asked: {},
          mark: neutralMark,
        })),
      );
  const kept = fc.subarray([script, base]);

  /* What a visitor’s browser reads, in its order: whatever is handed out, each in its place. */
  const asRead = (page: PagePlan, inBlock: PagePlan, stands: Block['stands'], inHead: string[]): string => {
    const own = ['body-start', 'spot', 'body-end'].flatMap((at) => textsAt(page, at));
    const of = textsAt(inBlock, 'spot');
    return [
      ...inHead,
      ...textsAt(page, 'page-head'),
      ...(stands === 'before' ? [...of, ...own] : [...own, ...of]),
    ].join('\n');
  };

  it('loads everything before it is used, once, or says what is there twice', () =>
    fc.assert(
      fc.property(
        some('p'),
        some('{b}'),
        fc.constantFrom(...blockStands),
        fc.boolean(),
        kept,
        (own, others, stands, head, inHead) => {
          const site: PlannedSite = { head, siteHead: { kept: inHead, stands: [] } };
          const plan = planPage(own, site, digest, [], [{ stands, placements: others }]);
          const ofBlock = planPage(others, { ...site, head: false }, digest);
          const read = asRead(plan, ofBlock, stands, inHead);
          const needed = plan.once.filter(({ what }) => what === 'code');
          const twice = needed.filter(({ text }) => read.split(text).length > 2);
          expect(plan.findings.filter(({ rule }) => rule === 'brought-twice')).to.have.lengthOf(twice.length);
          for (const { text } of needed) expect(read).to.contain(text);
          if (!head || plan.findings.some(({ rule }) => rule === 'site-head-too-early')) return;
          for (const { text, after } of needed)
            for (const before of after) expect(read.indexOf(before)).to.be.lessThan(read.indexOf(text));
        },
      ),
      { numRuns: 200 },
    ));

  it('changes nothing where the block brings nothing that the page knows of', () =>
    fc.assert(
      fc.property(some('p'), fc.boolean(), (own, head) => {
        const picture = block('before', { 'x/{b}#main': '<img src="https://a.localhost/a.png" alt="">' });
        expect(planPage(own, { head }, digest, [], [picture])).to.deep.equal(planPage(own, { head }, digest));
      }),
      { numRuns: 40 },
    ));
});
