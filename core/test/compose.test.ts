import { expect } from 'chai';
import fc from 'fast-check';
import {
  applyEdits,
  clipIn,
  compose,
  formatTime,
  openCode,
  optionNamed,
  parseTime,
  read,
  readTime,
  switchIn,
  timeFormats,
  writeTime,
  type Options,
} from '@orbis/core';
import { formatReasons } from '@orbis/contract';
import { codes, sheets, talk } from './corpus.ts';

const context = { sheets };
const adjusted = (text: string, options: Options): string =>
  applyEdits(text, compose(openCode(text, context), options).edits);

describe('what people write for a value', () => {
  for (const [option, said, value] of [
    ['accent', 'RebeccaPurple', '#663399'],
    ['accent', 'red', '#ff0000'],
    ['accent', 'A35', '#aa3355'],
    ['align', 'center', 'centre'],
    ['align', 'Middle', 'centre'],
  ] as const)
    it(`reads ${said} for ${option}`, () =>
      expect(optionNamed(option)!.type.parse(said)).to.deep.equal({ ok: true, value }));
  it('knows no name that CSS does not know', () => {
    for (const said of ['rougish', 'constructor', 'toString'])
      expect(optionNamed('accent')!.type.parse(said)).to.have.property('ok', false);
  });
});

describe('times', () => {
  for (const [said, seconds] of [
    ['1:52', 112],
    ['112', 112],
    ['1m52s', 112],
    ['1:01:52', 3712],
    ['112s', 112],
    ['0:00', 0],
    ['1h', 3600],
    ['1h1m52s', 3712],
    ['2m', 120],
    ['1.5', 1.5],
    ['0:01.25', 1.25],
    [' 1:52 ', 112],
    ['90:00', 5400],
    ['PT1M52S', 112],
    ['PT1H2.5S', 3602.5],
  ] as const) {
    it(`reads ${JSON.stringify(said)} as ${seconds} s`, () =>
      expect(parseTime(said)).to.deep.equal({ ok: true, value: seconds }));
  }
  for (const said of [
    '',
    '1:75',
    '1:60:00',
    '-3',
    'soon',
    '1:2:3:4',
    '1m52',
    '1:5',
    '100:00:00',
    '1e3',
    '1,5',
    'PT',
    'P1D',
  ]) {
    it(`refuses ${JSON.stringify(said)} and says what would do`, () =>
      expect(parseTime(said)).to.have.property('expected').that.deep.include({ facts: {} }));
  }
  it('come back from every way in which they are written', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359_999_999 }), (ms) => {
        const seconds = ms / 1000;
        for (const format of timeFormats)
          expect(readTime(writeTime(seconds, format), format), format).to.equal(seconds);
        expect(parseTime(formatTime(seconds))).to.deep.equal({ ok: true, value: seconds });
      }),
      { seed: 1, numRuns: 500 },
    );
  });
});

describe('composing', () => {
  it('cuts a clip with one explained edit that leaves everything else as it was', () => {
    const code = openCode(talk, context);
    const { edits, problems } = compose(code, { start: 112, end: 184 });
    expect(problems).to.deep.equal([]);
    expect(edits).to.have.length(1);
    expect(edits[0]).to.deep.include({
      text: '&amp;from=112&amp;until=184',
      stage: 'settings',
      options: ['start', 'end'],
    });
    expect(formatReasons(edits[0]!.reasons)).to.equal(
      'Start at 1:52 (from=112 in the address, as Kinorill takes it); stop at 3:04 (until=184 in the address, as Kinorill takes it).',
    );
    expect(applyEdits(talk, edits)).to.equal(talk.replace('knobs=1', 'knobs=1&amp;from=112&amp;until=184'));
  });

  it('never cuts a parameter in two, so that an edit reads as what it is', () => {
    const { edits } = compose(openCode(talk, context), { autoplay: true, controls: false });
    expect(edits.map((e) => [talk.slice(e.start, e.end), e.text])).to.deep.equal([
      ['1', '0&amp;roll=1&amp;hush=1'],
    ]);
    const longer = talk.replace('knobs=1', 'from=112&amp;z=1');
    expect(
      compose(openCode(longer, context), { start: 11 }).edits.map((e) => [
        longer.slice(e.start, e.end),
        e.text,
      ]),
    ).to.deep.equal([['112', '11']]);
  });

  it('brings muted with autoplay, and says why', () => {
    const { edits, implied } = compose(openCode(talk, context), { autoplay: true });
    expect(applyEdits(talk, edits)).to.include('knobs=1&amp;roll=1&amp;hush=1"');
    expect(implied.map((one) => [one.option, one.by])).to.deep.equal([['muted', 'autoplay']]);
    expect(formatReasons(edits[0]!.reasons)).to.include(
      'because browsers let a video play by itself only without sound',
    );
  });

  it('follows another sheet with other names, places and time formats, with no change to the code', () => {
    const text = "<iframe src='https://oddreel.localhost/box/9?a=1#in=2s' title=t></iframe>";
    expect(
      adjusted(text, { start: 112, end: 184, loop: true, muted: true, autoplay: true, controls: false }),
    ).to.equal(
      '<iframe data-go data-panel="bare" src=\'https://oddreel.localhost/box/9?a=1&amp;rounds&amp;sound=false#in=1m52s&amp;out=3:04\' title=t></iframe>',
    );
  });

  for (const [label, options, code] of [
    ['an end before the start', { start: 50, end: 20 }, 'clip-order'],
    ['an end before the start that the code has', { end: 2 }, 'clip-order'],
    ['sound together with autoplay', { autoplay: true, muted: false }, 'sound-autoplay'],
  ] as const) {
    it(`refuses ${label} and makes no edit at all`, () => {
      const text = talk.replace('knobs=1', 'from=3');
      const { edits, problems } = compose(openCode(text, context), options);
      expect(edits).to.deep.equal([]);
      expect(problems.map((p) => p.code)).to.deep.equal([code]);
    });
  }

  it('refuses what it has no sheet for, and what the sheet does not offer', () => {
    const unknown = openCode('<iframe src="https://elsewhere.localhost/x" title=t></iframe>', context);
    expect(compose(unknown, { start: 1 }).problems.map((p) => p.code)).to.deep.equal(['no-sheet']);
    const poor = { ...sheets[0]!, settings: { start: sheets[0]!.settings.start! } };
    expect(compose(openCode(talk, { sheets: [poor] }), { start: 1, loop: true }).problems).to.deep.equal([
      { option: 'loop', code: 'setting-not-offered', facts: { setting: 'loop', provider: 'Kinorill' } },
    ]);
  });

  for (const [label, before, options, after] of [
    ['replaces a value where it stands', '?from=9&x=1', { start: 5 }, '?from=5&x=1'],
    ['keeps a value that is right as it is written', '?from=9', { start: 9 }, '?from=9'],
    ['takes a parameter out with its separator', '?roll=1&x=1', { autoplay: false }, '?x=1'],
    ['takes the last parameter out with the question mark', '?roll=1', { autoplay: false }, ''],
    ['leaves one of two', '?from=1&from=2', { start: 3 }, '?from=3'],
    ['writes bare ampersands where the code has them', '?a=1&b=2', { start: 3 }, '?a=1&b=2&from=3'],
    ['writes references where the code has them', '?a=1&amp;b=2', { start: 3 }, '?a=1&amp;b=2&amp;from=3'],
    ['goes in front of a fragment', '#x', { start: 3 }, '?from=3#x'],
    ['is not misled by a question mark in the fragment', '#x?from=1', { start: 3 }, '?from=3#x?from=1'],
    ['uses an empty query', '?', { start: 3 }, '?from=3'],
    ['leaves an opaque parameter alone', '?o=!k7!zq2%20&from=1', { start: 3 }, '?o=!k7!zq2%20&from=3'],
  ] as [string, string, Options, string][]) {
    it(label, () => {
      const code = (query: string): string =>
        `<iframe src="https://play.kinorill.localhost/film/a1${query}" title="t"></iframe>`;
      expect(adjusted(code(before), options)).to.equal(code(after));
    });
  }

  const someOptions: fc.Arbitrary<Options> = fc.record(
    {
      start: fc.integer({ min: 0, max: 5000 }),
      end: fc.integer({ min: 5001, max: 9000 }),
      autoplay: fc.boolean(),
      muted: fc.constant(true),
      loop: fc.boolean(),
      controls: fc.boolean(),
    },
    { requiredKeys: [] },
  );
  for (const [label, text] of Object.entries(codes)) {
    it(`holds its promises for ${label}`, () => {
      expect(adjusted(text, {}), 'no setting is the identity').to.equal(text);
      fc.assert(
        fc.property(someOptions, (asked) => {
          const code = openCode(text, context);
          const { edits, problems } = compose(code, asked);
          if (problems.length > 0) {
            expect(edits).to.deep.equal([]);
            return;
          }
          const once = applyEdits(text, edits);
          expect(adjusted(once, asked), 'twice is once').to.equal(once);
          const shuffled = Object.fromEntries(Object.entries(asked).reverse());
          expect(adjusted(text, shuffled), 'the order of options does not matter').to.equal(once);
          const address = read(once, context).addresses.find((a) => a.use === 'frame');
          if (!address || !code.sheet || code.sheet.id !== 'kinorill') return;
          // The oracle: the URL standard's own parser agrees on what came out.
          const query = new URL(address.url, 'https://x.invalid').searchParams;
          if (asked['start'] !== undefined)
            expect(query.getAll('from')).to.deep.equal([String(asked['start'])]);
          if (asked['loop'] === false) expect(query.has('again')).to.equal(false);
          if (asked['start'] !== undefined)
            expect(clipIn(address, code.sheet).start).to.equal(asked['start']);
          if (asked['autoplay'])
            expect([
              switchIn(address, code.sheet, 'autoplay'),
              switchIn(address, code.sheet, 'muted'),
            ]).to.deep.equal([true, true]);
        }),
        { numRuns: 60, seed: 7 },
      );
    });
  }

  it('traces every character to the paste or to a reason', () => {
    for (const [label, text] of Object.entries(codes)) {
      const {
        snippets,
        edits,
        text: out,
      } = compose(
        openCode(text, context),
        { 'start': 4, 'max-width': 700 },
        { mark: { placement: '0123456789', delivery: 2 } },
      );
      const runs = snippets[0]!.runs;
      let at = 0;
      for (const run of runs) {
        if (run.from === 'source') {
          expect(run.text, label).to.equal(text.slice(run.start, run.end));
          expect(run.start, label).to.equal(at);
          at = run.end;
        } else {
          expect(formatReasons(run.reasons), label).to.match(/\.$/);
          expect(run.instead!.start, label).to.equal(at);
          at = run.instead!.end;
        }
      }
      expect(at, label).to.equal(text.length);
      expect(out, label).to.equal(applyEdits(text, edits));
    }
  });
});
