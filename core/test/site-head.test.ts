import { expect } from 'chai';
import {
  neutralMark,
  openCode,
  openEditor,
  planPage,
  snippetText,
  type PagePlan,
  type PlannedPlacement,
  type PlannedSite,
} from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';

const sheets = builtInSheets();
/* Texts are their own digests here. */
const digest = (text: string): string => text;
const bookingLoader = '<script async src="https://cdn.slotsedge.localhost/booking.js"></script>';
const mount = '<div class="slotsedge-calendar" data-calendar="one"></div>';
const rules = '<link rel="stylesheet" href="https://a.localhost/a.css">';
const script = '<script defer src="https://a.localhost/a.js"></script>';
const box = '<div class="a-box">x</div>';

const planned = (
  codesAt: Record<string, string>,
  site: Partial<PlannedSite>,
  asked: PlannedPlacement['asked'] = {},
): PagePlan =>
  planPage(
    Object.entries(codesAt).map(([spot, text], i) => ({
      id: `000000000${i}`,
      place: `x/p#${spot}`,
      code: openCode(text, { sheets }),
      asked,
      mark: neutralMark,
    })),
    { head: false, ...site },
    digest,
  );
const at = ({ snippets }: PagePlan, wanted: string): string[] =>
  snippets
    .filter(({ position }) => position === wanted)
    .map((snippet) => snippetText(snippet).replace(/ data-orbis="[^"]*"/g, ''));
const kept = (...texts: string[]) => ({ siteHead: { kept: texts, stands: [] } });

describe('the head of a whole site', () => {
  for (const head of [false, true])
    it(`has what its owner wants there, ${head ? 'and not the head of the page' : 'where pages have none of their own'}`, () => {
      const plan = planned({ a: `${mount}\n${bookingLoader}` }, { head, ...kept(bookingLoader) });
      expect(at(plan, 'site-head')).to.deep.equal([bookingLoader]);
      expect(at(plan, 'page-head')).to.deep.equal([]);
      expect(at(plan, 'spot')).to.deep.equal([`${mount}\n`]);
      const why = plan.snippets
        .flatMap(({ runs }) => runs)
        .flatMap((run) => (run.from === 'orbis' ? run.reasons.map(({ code }) => code) : []));
      expect(why).to.include('moved-to-site-head');
    });

  it('comes first in the work, and is there already once a page was seen with it', () => {
    const codesAt = { a: `${mount}\n${bookingLoader}` };
    const steps = (stands: string[]) =>
      planned(codesAt, { siteHead: { kept: [bookingLoader], stands } }).steps.map(
        ({ action, position }) => `${action} ${position}`,
      );
    expect(steps([])).to.deep.equal(['paste site-head', 'paste spot']);
    expect(steps([bookingLoader])).to.deep.equal(['already-there site-head', 'paste spot']);
  });

  it('is left alone by a page that does not need it any more', () => {
    const standing = [{ position: 'site-head' as const, digest: bookingLoader, text: bookingLoader }];
    const { steps } = planPage([], { head: false }, digest, [
      { id: '0000000000', place: 'x/p#a', elsewhere: standing },
    ]);
    expect(steps.map(({ action, position }) => `${action} ${position}`)).to.deep.equal(['take-out spot']);
  });

  it('takes our own scripts as well, and the companion of an editor', () => {
    const waiting = { embed: { load: 'click' } };
    const codesAt = {
      a: '<iframe src="https://play.kinorill.localhost/embed/k1" width="640" height="360"></iframe>',
    };
    const [ours] = planned(codesAt, {}, waiting).once;
    expect(ours).to.not.equal(undefined);
    const plan = planned(codesAt, kept(ours!.digest), waiting);
    expect(at(plan, 'site-head')).to.deep.equal([ours!.digest]);
    expect(at(plan, 'spot').join('')).to.not.include(ours!.digest);
    const companion = '<script src="https://editor.localhost/c.js"></script>';
    const editor = { ...openEditor, companion };
    expect(at(planned(codesAt, { editor, ...kept(companion) }), 'site-head')).to.deep.equal([companion]);
    expect(at(planned(codesAt, { editor }), 'body-end')).to.deep.equal([companion]);
  });

  it('says what a page needs once, and what must stand before it', () => {
    const { once } = planned({ a: `${rules}${script}${box}`, b: `${mount}${bookingLoader}` }, {});
    expect(once.map(({ digest: of, after }) => [of, after])).to.deep.equal([
      [rules, []],
      [script, [rules]],
      [bookingLoader, []],
    ]);
  });

  it('says where something would come before what it needs', () => {
    const codesAt = { a: `${rules}${script}${box}` };
    const found = (...texts: string[]) =>
      planned(codesAt, { head: true, ...kept(...texts) }).findings.map(({ rule }) => rule);
    expect(found(script)).to.deep.equal(['site-head-too-early']);
    expect(found(rules)).to.deep.equal([]);
    expect(found(rules, script)).to.deep.equal([]);
  });

  it('is of no matter to a code in a frame of its own', () => {
    const plan = planned({ a: `${mount}${bookingLoader}` }, kept(bookingLoader), {
      embed: { frame: 'enclosed' },
    });
    expect(at(plan, 'site-head')).to.deep.equal([]);
    expect(plan.once.map(({ digest: of }) => of)).to.not.include(bookingLoader);
  });
});
