import { readdirSync, readFileSync } from 'node:fs';
import { expect } from 'chai';
import { allOptions, builtInPresets, conditions, deviceOf, pageRules, rules } from '@orbis/core';
import {
  catalogue,
  en,
  visitorLanguages,
  visitorWords,
  formatColourPlace,
  formatExpectation,
  optionWords,
  formatProblem,
  formatReasons,
} from '@orbis/contract';

const core = new URL('../../core/src/', import.meta.url);
const files = readdirSync(core, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.ts'));
const withoutComments = (name: string): string =>
  readFileSync(new URL(name, core), 'utf8').replaceAll(/\/\*[\s\S]*?\*\/|(?<=^|\s)\/\/[^\n]*/g, '');
const sources = new Map(files.map((name) => [name, withoutComments(name)]));

/* The codes that stand where one is named: as the first word handed to one of these, also behind a
   question. */
function codesIn(folders: RegExp, pattern: RegExp): string[] {
  const source = [...sources].flatMap(([name, text]) => (folders.test(name) ? [text] : [])).join('\n');
  const found = [...source.matchAll(pattern)].flatMap(([, words]) =>
    [...words!.matchAll(/'([a-z-]+)'/g)].map(([, word]) => word!),
  );
  return [...new Set(found)].sort();
}
const reasons = /\breason\(((?:[^,()]|\([^()]*\))*)/g;
const options = /^(?:options|settings|presentation|frame\/(?!recommend|sandbox|power-states)|compose|plan)/;

describe('the language file', () => {
  it('has words for every option, and for nothing else', () => {
    const own = allOptions.filter(({ name }) => deviceOf(name) === null);
    expect(Object.keys(en.options).sort()).to.deep.equal(own.map(({ name }) => name).sort());
    for (const { name, type, example } of own) {
      const { label, explain, done, words } = en.options[
        name as keyof typeof en.options
      ] as (typeof en)['byHand'] & { words?: object };
      expect(label, name).to.match(/^\S/);
      expect(explain, name).to.match(/\.$/);
      expect(done(example), name).to.match(/^[A-Z].*[^.]$/);
      if (words && type.limits.words)
        expect(Object.keys(words), name).to.have.members([...type.limits.words]);
    }
  });

  it('says on which screens an option holds that may differ there, and has words for every condition', () => {
    expect(Object.keys(en.conditions)).to.deep.equal([...conditions]);
    expect(optionWords('max-width.phone')).to.deep.include({
      label: 'Never wider than, on phones',
      explain: 'On phones: never wider than this, in px.',
    });
  });

  for (const [what, codes, words] of [
    [
      'reason of a change',
      [...codesIn(options, reasons), ...codesIn(options, /\bcode: ('(?:gave-way|wins-over|gives-way-to)')/g)],
      Object.keys(en.reasons).filter((code) => code !== 'as-told'),
    ],
    [
      'problem',
      [
        ...codesIn(options, /\bproblem\(('[a-z-]+')/g),
        ...codesIn(options, /\bcode: ('[a-z-]+'),\s+facts/g).filter((code) => !(code in en.reasons)),
      ],
      Object.keys(en.problems),
    ],
    ['expectation', codesIn(options, /\bnotUnderstood\(('[a-z-]+')/g), Object.keys(en.expected)],
    [
      'mending',
      [...codesIn(/^rules\//, reasons), ...codesIn(/^reading\/mending/, reasons)],
      Object.keys(en.mends),
    ],
    ['piece of evidence', codesIn(/^reading\/(?:kind\/|links|read\.)/, reasons), Object.keys(en.evidence)],
    [
      'line of a learned sheet',
      [...codesIn(/^learn\//, reasons), ...codesIn(/^learn\/meaning/, /\bcode: ('[a-z-]+')/g)],
      Object.keys(en.learned),
    ],
    ['line of a link or a list', codesIn(/^links\//, reasons), Object.keys(en.links)],
    ['difference on a page', codesIn(/^scan\//, reasons), Object.keys(en.differences)],
    ['power', codesIn(/^frame\/(?:sandbox|power-states)/, reasons), Object.keys(en.sandboxTokens)],
    ['piece of advice', codesIn(/^frame\/recommend/, reasons), Object.keys(en.advice)],
    [
      'problem of a search',
      codesIn(/^search\//, /\bnew SearchError\(('[a-z-]+')/g),
      Object.keys(en.search.problems),
    ],
  ] as const) {
    it(`has words for every ${what} of the core, and for nothing else`, () => {
      expect(codes.length).to.be.at.least(5);
      expect([...new Set(codes)].sort()).to.deep.equal([...words].sort());
    });
  }

  it('is the only place for sentences: the core has none of its own', () => {
    expect(files.length).to.be.greaterThan(100);
    for (const [name, text] of sources) {
      // What visitors read in what is pasted is in ten languages, in a file of its own.
      if (name === 'visitors/words.ts') continue;
      // What an option, a rule or a row of evidence rests on is no word to an owner.
      const told = text.replaceAll(/\bsource:\s*(?:'(?:[^'\\\n]|\\.)*'|`[^`]*`)/g, '');
      const sentences = [...told.matchAll(/'((?:[^'\\\n]|\\.)*)'|`((?:[^`\\]|\\.)*)`/g)].map(
        ([, plain, template]) => plain ?? template!,
      );
      expect(
        sentences.filter(
          (each) => (each.match(/[^\s<>="] [^\s<>="]/g) ?? []).length >= 2 && /[a-z]\.(?:\s|$)/.test(each),
        ),
        name,
      ).to.deep.equal([]);
    }
  });

  it('has words for whatever is found, in codes, on pages and by sweeps, and for nothing else', () => {
    const found = [
      ...[...rules, ...pageRules].map(({ id }) => id),
      ...codesIn(
        /^(?:reading|harvest|scan|plan|terms|resources|evidence)\//,
        /\brule: ('[a-z-]+'(?: \| '[a-z-]+')*)/g,
      ),
      // What only the service finds: it alone knows what was handed out since, and
      // whether a page can be read.
      'out-of-date',
      'retired',
      'paused-stands',
      'page-unreachable',
      'block-not-everywhere',
      'unregistered',
      'moved',
      'copied',
      'head-missing',
      'head-left-over',
      'page-redirects',
      'built-by-scripts',
      'site-out-of-date',
      'site-head-missing',
      'site-head-left-over',
      'still-cached',
      'code-renewed',
      'file-altered',
      'file-unreachable',
      // What visitors’ browsers say.
      'contact-blocked',
    ];
    expect([...new Set(found)].sort()).to.deep.equal(Object.keys(en.findings).sort());
  });

  it('has words for every error, and for nothing else', () => {
    const own = Object.keys(catalogue).filter((code) => !(code in en.problems));
    expect(own.sort()).to.deep.equal(Object.keys(en.errors).sort());
    for (const [code, { title, detail }] of Object.entries(catalogue))
      expect(
        [title, detail({})].every((words) => words.trim() !== ''),
        code,
      ).to.equal(true);
  });

  it('names neither commands nor switches of one program in what is said to all', () => {
    const said = [
      ...Object.values(en.errors).map(({ detail }) => detail({})),
      ...Object.values(en.problems).map(({ detail }) => (detail as (facts: object) => string)({})),
      ...Object.values(en.findings).flatMap(({ message, remedy }) =>
        [message, remedy].map((words) =>
          (words as (facts: object) => string)({
            ...{ why: 'needs-page-head', names: 'a', known: 'b', kind: 'video', what: 'code' },
          }),
        ),
      ),
      ...Object.values(en.learnProblems).map((words) => (words as (facts: object) => string)({})),
      ...Object.values(en.misfits).map((words) => (words as (facts: object) => string)({})),
    ];
    expect(said.filter((words) => /--[a-z]|\borbis [a-z]|=yes\b|=on\b/.test(words))).to.deep.equal([]);
  });

  it('has words for every refusal to learn, and for nothing else', () => {
    const codes = codesIn(/^learn\/learned/, /\bcode: ('[a-z-]+');\s+facts/g);
    expect(codes.length).to.be.at.least(9);
    expect(codes).to.deep.equal(Object.keys(en.learnProblems).sort());
  });

  it('speaks ten languages to visitors, each in its own words, and none half', () => {
    expect(visitorLanguages).to.have.length(10);
    const said = Object.values(visitorWords).flatMap((words) => Object.values(words));
    expect(new Set(said).size).to.equal(said.length);
    for (const language of visitorLanguages)
      expect(Intl.getCanonicalLocales(language)).to.deep.equal([language]);
  });

  it('says what each preset that comes with Orbis is for', () =>
    expect(Object.keys(en.presets).sort()).to.deep.equal(builtInPresets.map(({ key }) => key).sort()));

  it('makes plain sentences of several reasons, of problems and of what would do', () => {
    const reason = {
      stage: 'settings',
      option: 'start',
      code: 'set-parameter',
      facts: { value: '1:52', written: 'from=112', in: 'query', provider: 'Kinorill', because: null },
    } as const;
    const loss = { ...reason, code: 'gives-way-to', facts: { option: 'fit' } };
    expect(
      formatReasons([reason, loss, { ...reason, code: 'take-tracking-out', facts: { name: 'Ref' } }]),
    ).to.equal(
      'Start at 1:52 (from=112 in the address, as Kinorill takes it); ref only follows people; it is taken out. On the page “fit” wins over it.',
    );
    expect(
      formatProblem({
        code: 'value-not-offered',
        facts: {
          setting: 'count',
          provider: 'Praisecroft',
          expects: 'number',
          least: 1,
          most: null,
          whole: true,
        },
      }),
    ).to.equal('Praisecroft does not take that for count; it takes a whole number from 1.');
    expect(formatExpectation({ code: 'choice', facts: { words: 'left, centre, right' } })).to.equal(
      'left, centre or right',
    );
  });
});

describe('where a colour stands', () => {
  for (const [property, selector, words] of [
    ['background-color', 'body', 'background of the page'],
    ['color', '.top nav > a:hover, b', 'text of links'],
    ['border-top-color', '.card.wide', 'lines of “card”'],
    ['box-shadow', '#menu', 'shadow of “menu”'],
    ['fill', '*', 'drawings'],
    ['caret-color', '', 'caret-color'],
    ['color', ':root', 'text of the page'],
  ] as const)
    it(`is said in words: ${property} of ${selector || 'nothing'}`, () =>
      expect(formatColourPlace({ property, selector })).to.equal(words));
});
