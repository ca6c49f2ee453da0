import { expect } from 'chai';
import fc from 'fast-check';
import { parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import {
  applyEdits,
  compose,
  current,
  openCode,
  optionsFor,
  type Code,
  type Composition,
  type Option,
  type Options,
  type OptionValue,
} from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { codes, talk } from './corpus.ts';

const sheets = builtInSheets();
const seed = 20261126;
const texts: readonly string[] = [
  ...Object.values(codes),
  talk,
  '<iframe src="https://mapmere.localhost/embed/map?lat=54.37&lng=-2.1&zoom=13" width="640" height="480" title="Map"></iframe>',
  '<div style="position:relative;padding-bottom:56.25%;height:0"><iframe src="https://play.kinorill.localhost/film/a1?from=3" style="position:absolute;width:100%;height:100%"></iframe></div>',
  "<iframe src='https://play.kinorill.localhost/film/a1#x' allow='fullscreen' style='border:1px solid;float:left'></iframe>",
  '<div class="slotsedge-calendar" data-calendar="x" data-look=\'{ "kept": [1] }\'></div><script async src="https://cdn.slotsedge.localhost/booking.js"></script>',
  '<script>stallmere.push(["show", "#s", { items: 2 }]);</script><div data-shop="311" id="s"></div><script async src="https://cdn.stallmere.localhost/shop.js"></script>',
  '<video src="/a.webm#t=3,9" controls></video>',
  '<div class="fennfeed-stream" data-of="hollinfell" data-gap=8px></div><script async src="https://fennfeed.localhost/embed.js"></script>',
  '<script src="https://count.tallywren.localhost/w.js?site=hollinfell"></script>',
];

/* A value of each type, within the option’s limits. */
const valueOf: Record<Option['type']['name'], (option: Option) => fc.Arbitrary<OptionValue>> = {
  time: () => fc.integer({ min: 0, max: 5000 }),
  switch: () => fc.boolean(),
  number: ({ type: { limits } }) =>
    fc.integer({ min: Math.ceil(limits.least ?? 0), max: Math.min(limits.most ?? 100, 1000) }),
  choice: ({ type: { limits } }) => fc.constantFrom(...(limits.words ?? ['map', 'terrain'])),
  colour: () => fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`),
  text: ({ type: { limits } }) =>
    limits.isLanguage ? fc.constantFrom('de', 'en-GB') : fc.constantFrom('a', 'ü & "<x>"', "it's", '{{x}}'),
  coordinates: () =>
    fc.record({
      latitude: fc.integer({ min: -85, max: 85 }),
      longitude: fc.integer({ min: -180, max: 180 }),
    }),
  ratio: () => fc.constantFrom({ width: 16, height: 9 }, { width: 9, height: 16 }),
  length: () => fc.constantFrom('12px', '1.5rem'),
  address: () => fc.constantFrom('https://hollinfell.localhost/thanks?a=1&b="2"'),
  picture: () => fc.constantFrom('https://hollinfell.localhost/dome.png'),
  heights: () => fc.constantFrom('320:900, 820:400 on 2026-11-27', '640:300'),
  list: () => fc.uniqueArray(fc.constantFrom('fox', 'two words', '"<&>'), { minLength: 1 }),
};
const byHand = fc.dictionary(
  fc.constantFrom('parameter.from', 'parameter.zest', 'parameter.a[b]'),
  fc.constantFrom('1', 'a b&c', ''),
  { maxKeys: 2 },
);
/* Of each code what its provider offers: several options at once, so that they meet. */
const askedOf = ({ sheet, reading }: Code, which: (option: Option) => boolean): fc.Arbitrary<Options> =>
  fc
    .tuple(
      fc.record(
        Object.fromEntries(
          optionsFor(sheet)
            .filter((option) => option.isOffered(sheet, reading) && which(option))
            .map((option) => [
              option.name,
              fc.option(valueOf[option.type.name](option), { freq: 2, nil: undefined }),
            ]),
        ),
      ),
      byHand,
    )
    .map(([options, parameters]) => ({
      ...(Object.fromEntries(Object.entries(options).filter(([, value]) => value !== undefined)) as Options),
      ...parameters,
    }));

/* Without those that a code cannot have: each of them is named. */
function fulfillable(code: Code, options: Options): { options: Options; composition: Composition } {
  for (let now = options; ;) {
    const composition = compose(code, now);
    if (composition.problems.length === 0) return { options: now, composition };
    const unfit = new Set(composition.problems.map(({ option }) => option));
    // An implied option that cannot be had goes with the one that brought it.
    for (const { option, by } of composition.implied) if (unfit.has(option)) unfit.add(by);
    now = Object.fromEntries(Object.entries(now).filter(([name]) => !unfit.has(name)));
  }
}

const someCode = (which: (option: Option) => boolean = () => true) =>
  fc
    .constantFrom(...texts.map((text) => openCode(text, { sheets })))
    .chain((code) => fc.tuple(fc.constant(code), askedOf(code, which)));

type Check = (text: string, options: Options, composition: Composition) => void;
const forSome = (which: (option: Option) => boolean, check: Check): void =>
  fc.assert(
    fc.property(someCode(which), ([code, wanted]) => {
      const { options, composition } = fulfillable(code, wanted);
      check(code.text, options, composition);
    }),
    { seed, numRuns: 400 },
  );
/* Of codes that stand in the page itself; what stands in a frame of its own is one edit. */
const inPage = ({ stage }: Option): boolean => stage !== 'isolation';
const forAny = (check: Check): void => forSome(inPage, check);
/* What stands in the code itself, and brings at most one box around it. */
const inCode = ({ group, stage }: Option): boolean =>
  stage !== 'isolation' && (group === undefined || group === 'edges');

type Node = DefaultTreeAdapterTypes.ChildNode;
const elementsOf = (nodes: readonly Node[]): { tag: string; attributes: Map<string, string> }[] =>
  nodes.flatMap((node) =>
    'tagName' in node
      ? [
          { tag: node.tagName, attributes: new Map(node.attrs.map(({ name, value }) => [name, value])) },
          ...elementsOf('content' in node ? node.content.childNodes : node.childNodes),
        ]
      : [],
  );

describe('whatever is asked of whatever code', () => {
  it('asking nothing is the identity', () => {
    for (const text of texts)
      expect(compose(openCode(text, { sheets }), {})).to.deep.include({ text, edits: [], problems: [] });
  });

  it('mostly is several things at once, so that what follows says something', () => {
    const counts = fc
      .sample(someCode(), { seed, numRuns: 200 })
      .map(([code, wanted]) => Object.keys(fulfillable(code, wanted).options).length);
    expect(counts.reduce((sum, count) => sum + count, 0) / counts.length).to.be.greaterThan(3);
  });

  it('twice is once, for what stands in the code itself', () =>
    forSome(inCode, (_, options, { text: once }) =>
      expect(fulfillable(openCode(once, { sheets }), options).composition.text).to.equal(once),
    ));

  it('the order of asking does not matter', () =>
    forAny((text, options, { edits }) =>
      expect(
        compose(openCode(text, { sheets }), Object.fromEntries(Object.entries(options).reverse())).edits,
      ).to.deep.equal(edits),
    ));

  it('nothing changes outside of the edits, and taking them back gives the paste', () =>
    forAny((text, _, { edits, text: out }) => {
      expect(applyEdits(text, edits)).to.equal(out);
      let moved = 0;
      const back = edits.map(({ start, end, text: put, ...edit }) => {
        const at = start + moved;
        moved += put.length - (end - start);
        return { ...edit, start: at, end: at + put.length, text: text.slice(start, end) };
      });
      expect(applyEdits(out, back)).to.equal(text);
    }));

  it('a browser’s own parser sees the elements of the code in their order, whatever of ours is around them', () =>
    forAny((text, { 'leave-out': leftOut }, { text: out, edits }) => {
      const all = elementsOf(parseFragment(out).childNodes);
      let at = 0;
      for (const { tag, attributes } of leftOut ? [] : elementsOf(parseFragment(text).childNodes)) {
        const id = attributes.get('src') === undefined ? 'id' : 'src';
        at = all.findIndex(
          (other, i) => i >= at && other.tag === tag && (id === 'src') === other.attributes.has('src'),
        );
        expect(at, `${tag} in ${out}`).to.be.at.least(0);
        at++;
      }
      // Whatever is typed is text, and no element of its own.
      expect(all.filter(({ tag }) => tag === 'x')).to.deep.equal([]);
      const scripts = (from: typeof all) => from.filter(({ tag }) => tag === 'script').length;
      const loaders = edits.some(({ reasons }) => reasons.some(({ code }) => code === 'loader-once')) ? 1 : 0;
      if (!leftOut)
        expect(scripts(all)).to.equal(scripts(elementsOf(parseFragment(text).childNodes)) + loaders);
    }));

  it('a browser’s own parser sees the same elements, with other attributes only where an edit is', () =>
    forSome(inCode, (text, _, { edits, text: out }) => {
      const before = elementsOf(parseFragment(text).childNodes);
      const all = elementsOf(parseFragment(out).childNodes);
      // A box of ours is the first of all, and all of the code is in it.
      const isBoxed = edits.some(({ reasons }) => reasons.some(({ code }) => code === 'box-around'));
      const after = isBoxed ? all.slice(1) : all;
      if (isBoxed) expect(parseFragment(out).childNodes.length).to.equal(1);
      expect(after.map(({ tag }) => tag)).to.deep.equal(before.map(({ tag }) => tag));
      const changed = after.filter(
        ({ attributes }, i) =>
          JSON.stringify([...attributes].sort()) !== JSON.stringify([...before[i]!.attributes].sort()),
      );
      expect(changed.length).to.be.at.most(edits.length);
      for (const { attributes } of after)
        expect(
          attributes
            .get('allow')
            ?.split(';')
            .map((one) => one.trim())
            .sort() ?? [],
        ).to.deep.equal([
          ...new Set(
            attributes
              .get('allow')
              ?.split(';')
              .map((one) => one.trim())
              .sort() ?? [],
          ),
        ]);
    }));

  it('is one edit for each address, attribute and script', () =>
    forAny((_, __, { edits }) => {
      const attributes = edits
        .filter(({ start, end, text }) => start === end && /^ [a-z-]+=/.test(text))
        .map(({ start, text }) => `${start} ${text.slice(1, text.indexOf('='))}`);
      expect(new Set(attributes).size).to.equal(attributes.length);
    }));

  it('is what the code says afterwards, for what stands in it by itself', () =>
    forSome(inCode, (_, options, { text, losses }) => {
      const says = current(openCode(text, { sheets }));
      const lost = new Set(losses.map(({ option }) => option));
      for (const name of [
        'title',
        'lang',
        'width',
        'height',
        'max-width',
        'align',
        'accent',
        'zoom',
        'centre',
      ])
        if (options[name] !== undefined && !lost.has(name))
          expect(says[name], `${name} in ${text}`).to.deep.equal(options[name]);
    }));
});
