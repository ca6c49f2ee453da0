import { expect } from 'chai';
import fc from 'fast-check';
import {
  neutralMark,
  openCode,
  openEditor,
  planPage,
  snippetText,
  takenOut,
  type EditorRules,
  type PagePlan,
  type PlannedPlacement,
  type PlannedSite,
} from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { codes } from './corpus.ts';

const sheets = builtInSheets();
const digest = (text: string): string => text;
const servedAt = 'http://0000000000.frames.localhost:7421/';
const booking = (calendar: string): string =>
  `<div class="slotsedge-calendar" data-calendar="${calendar}"></div>\n<script async src="https://cdn.slotsedge.localhost/booking.js"></script>`;
const quote =
  '<blockquote class="fennfeed-post" cite="https://fennfeed.localhost/p/1"><p>First light.</p></blockquote>\n<script async src="https://fennfeed.localhost/embed.js"></script>';
const opened = [...Object.values(codes), booking('x'), booking('y'), quote].map((text) =>
  openCode(text, { sheets }),
);

/* Any page, with any editor. */
const pages = fc.uniqueArray(fc.tuple(fc.constantFrom('a', 'b', 'c', 'd', 'e'), fc.nat(opened.length - 1)), {
  selector: ([name]) => name,
  maxLength: 5,
});
const names = (of: string) =>
  fc.record({
    which: fc.constantFrom('these' as const, 'all-but' as const),
    names: fc.subarray(of.split(' ')),
  });
const editors: fc.Arbitrary<EditorRules> = fc.record({
  ...(Object.fromEntries(
    Object.entries(openEditor).map(([name, value]) => [name, fc.constant(value)]),
  ) as unknown as { [K in keyof EditorRules]: fc.Arbitrary<EditorRules[K]> }),
  takes: fc.constantFrom('code' as const, 'code' as const, 'code' as const, 'link' as const),
  elements: names('div span p a img iframe script style link form input button video audio blockquote'),
  attributes: names('class id style src srcdoc href sandbox allow title width height data-* name type async'),
  inlineScripts: fc.boolean(),
  styleField: fc.boolean(),
  scriptField: fc.boolean(),
  comments: fc.boolean(),
});
function put(page: readonly (readonly [string, number])[]): PlannedPlacement[] {
  return page.map(([name, at]) => ({
    id: `000000000${name}`,
    // Two of them in one spot.
    place: `x/p#${name === 'e' ? 'a' : name}`,
    code: opened[at]!,
    asked: {},
    mark: neutralMark,
  }));
}

/* Whatever of what a page may need once is meant for the head of the whole site. */
const shared = planPage(put([...opened.keys()].map((at) => [`${at}`, at])), { head: true }, digest).once.map(
  (thing) => thing.digest,
);
const sites: fc.Arbitrary<PlannedSite> = fc.record({
  head: fc.boolean(),
  siteHead: fc.record({ kept: fc.subarray(shared), stands: fc.subarray(shared) }),
  servedAt: fc.constant(servedAt),
  editor: fc.oneof(fc.constant(openEditor), editors),
});

/* Whether it is said of a placement that another one stands in its way. */
const isSaid = (plan: PagePlan, without: PagePlan, id: string): boolean =>
  [plan, without].some(({ findings }) =>
    findings.some((finding) => finding.rule === 'kept-apart' && finding.placements.includes(id)),
  );

const spotOf = ({ snippets }: PagePlan, id: string) =>
  snippets.find(({ position, placements }) => position === 'spot' && placements[0] === id)!;

const plans = (check: (placements: PlannedPlacement[], site: PlannedSite, plan: PagePlan) => void): void =>
  fc.assert(
    fc.property(pages, sites, (page, site) => {
      const placements = put(page);
      check(placements, site, planPage(placements, site, digest));
    }),
    { numRuns: 150 },
  );

describe('any page with any editor', () => {
  it('is planned alike whatever the order of placing', () =>
    plans((placements, site, plan) =>
      expect(planPage([...placements].reverse(), site, digest)).to.deep.equal(plan),
    ));

  it('is handed nothing at its spots that its editor takes out, or says that nothing comes through', () =>
    plans((placements, { editor }, plan) => {
      const lost = plan.findings
        .filter(({ rule }) => rule === 'editor-lets-nothing-through')
        .flatMap((finding) => finding.placements);
      for (const { id } of placements.filter((one) => !lost.includes(one.id)))
        expect(takenOut(snippetText(spotOf(plan, id)), editor!)).to.deep.equal([]);
    }));

  it('has every character of every source once at its spot, or what stands there instead with its reason', () =>
    plans((placements, _, plan) => {
      for (const { id, code } of placements) {
        let at = 0;
        for (const run of spotOf(plan, id).runs) {
          if (run.from === 'orbis') expect(run.reasons.length).to.be.greaterThan(0);
          const range = run.from === 'source' ? run : (run.instead ?? { start: at, end: at });
          expect(range.start).to.equal(at);
          if (run.from === 'source') expect(run.text).to.equal(code.text.slice(run.start, run.end));
          at = range.end;
        }
        expect(at).to.equal(code.text.length);
      }
    }));

  it('loads what waiting elements need, once, wherever they stand as they were asked for', () =>
    plans((placements, _, plan) => {
      const stepped = plan.findings
        .filter(({ rule }) => rule === 'editor-form' || rule === 'editor-lets-nothing-through')
        .flatMap((finding) => finding.placements);
      const all = plan.snippets.map(snippetText).join('\n');
      for (const loader of [
        'https://cdn.slotsedge.localhost/booking.js',
        'https://fennfeed.localhost/embed.js',
      ]) {
        const waiting = placements.filter(
          ({ id, code }) => code.text.includes(loader) && !stepped.includes(id),
        );
        // Within a frame of its own each has it for itself, as a part of an attribute’s value.
        const times = all.split(` src="${loader}"`).length - 1;
        if (waiting.length > 0) expect(times).to.equal(1);
      }
    }));

  it('has whatever is claimed claimed once, unless nobody who claims it can be in a frame', () =>
    plans((placements, site, plan) => {
      const facts = plan.findings.filter(({ rule }) => rule === 'kept-apart').map((finding) => finding.facts);
      for (const { rule, placements: by } of plan.findings) {
        if (rule !== 'claims-collide') continue;
        const alone = placements.filter(({ id }) => by.includes(id));
        const framed = alone.filter(({ code }) => {
          const one = { ...put([['a', 0]])[0]!, code, asked: { embed: { frame: 'served' } } };
          const { snippets, findings } = planPage([one], site, digest);
          return (
            findings.every((finding) => finding.rule !== 'editor-lets-nothing-through') &&
            snippets.some((snippet) => /<iframe [^>]*frames\.localhost/.test(snippetText(snippet)))
          );
        });
        // A frame with nothing else in it has no more than an id to share.
        expect(framed.filter(({ code }) => code.reading.needs.scripts)).to.deep.equal([]);
      }
      for (const { place, from } of facts) {
        expect(placements.map((one) => one.place)).to.include.members([place, from]);
        // There is one that has it there.
        const apart = plan.apart.map(({ placement }) => placement);
        expect(placements.some((one) => one.place === from && !apart.includes(one.id))).to.equal(true);
      }
    }));

  it('keeps its other spots as they are when one more is placed, but for what is said', () =>
    plans((placements, site, plan) => {
      const [one, ...others] = placements;
      if (!one) return;
      const without = planPage(others, site, digest);
      for (const { id } of others) {
        const [now, before] = [spotOf(plan, id), spotOf(without, id)];
        if (snippetText(now) === snippetText(before) || isSaid(plan, without, id)) continue;
        expect(site.head, id).to.equal(false);
        const said = [now, before].flatMap(({ runs }) =>
          runs.flatMap((run) => (run.from === 'orbis' ? run.reasons.map(({ code }) => code) : [])),
        );
        expect(said).to.satisfy((codes: string[]) =>
          codes.some((code) => ['loaded-at', 'listener-once', 'loader-once'].includes(code)),
        );
      }
    }));
});
