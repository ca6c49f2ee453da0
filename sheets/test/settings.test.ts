import { runInNewContext } from 'node:vm';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  type SheetSetting,
  codeFromLink,
  compose,
  current,
  openCode,
  optionNamed,
  read,
  ruleOf,
  type Options,
  type Sheet,
} from '@orbis/core';
import { formatProblem, formatReasons } from '@orbis/contract';
import { builtInSheets } from '@orbis/sheets';

const sheets = builtInSheets();
const seed = 20261123;
const codeOf = (sheet: Sheet, id = 'a1B2'): string =>
  codeFromLink({
    sheet,
    id,
    url: new URL(
      sheet.files
        ? `https://hollinfell.localhost/files/dome.${sheet.files[0]}`
        : 'https://elsewhere.localhost/',
    ),
  });
const sheetNamed = (id: string): Sheet => sheets.find((sheet) => sheet.id === id)!;
const ownFiles = sheets.filter(({ files }) => files);
const adjusted = (text: string, options: Options): string => {
  const { text: out, problems } = compose(openCode(text, { sheets }), options);
  expect(problems).to.deep.equal([]);
  return out;
};

/** Values that a sheet takes for a setting. */
function valuesOf(sheet: Sheet, name: string): fc.Arbitrary<unknown> {
  const rule = ruleOf(sheet, name)!;
  switch (optionNamed(name, sheet)!.type.name) {
    case 'time':
      return fc.integer({ min: 0, max: 5000 });
    case 'switch':
      return fc.boolean();
    case 'number': {
      const {
        least = 0,
        most = 100,
        whole = false,
      } = rule as { least?: number; most?: number; whole?: boolean };
      return whole
        ? fc.integer({ min: least, max: most })
        : fc.integer({ min: least * 4, max: most * 4 }).map((n) => n / 4);
    }
    case 'choice':
      return fc.constantFrom(...Object.keys((rule as { choices: Record<string, string> }).choices));
    case 'colour':
      return fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
    case 'text':
      return fc.constantFrom('en', 'hollinfell', 'a b', 'ü&"<>', "it's", 'x=1?y#z', '%41', '🌌');
    case 'coordinates':
      return fc.record({
        latitude: fc.integer({ min: -85e4, max: 85e4 }).map((n) => n / 1e4),
        longitude: fc.integer({ min: -18e5, max: 18e5 }).map((n) => n / 1e4),
      });
    case 'heights':
      return fc.constant('320:900, 820:400');
    case 'ratio':
      return fc.constant({ width: 16, height: 9 });
    case 'length':
      return fc.constantFrom('12px', '1.5rem', '50%');
    case 'address':
    case 'picture':
      return fc
        .constantFrom('https://hollinfell.localhost/a?b=1&c="d"#e', 'http://elsewhere.localhost/%41/ü.png')
        .map((text) => new URL(text).href);
    case 'list':
      return fc.uniqueArray(fc.constantFrom('mirror', 'two words', 'ü&"<>', "it's", 'x=1?'), {
        minLength: 1,
        maxLength: 5,
      });
  }
}
const optionsFor = (sheet: Sheet): fc.Arbitrary<Options> =>
  fc
    .record(
      Object.fromEntries(
        [...Object.keys(sheet.settings), ...Object.keys(sheet.options ?? {})].map((name) => [
          name,
          fc.option(valuesOf(sheet, name), { nil: undefined }),
        ]),
      ),
    )
    .map(
      (record) =>
        Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as Options,
    )
    // What contradicts itself is refused, and tested where that is the matter.
    .filter(
      (asked) =>
        !(asked['autoplay'] && asked['muted'] === false) &&
        !(
          asked['start'] !== undefined &&
          asked['end'] !== undefined &&
          Number(asked['end']) <= Number(asked['start'])
        ),
    )
    .filter(
      (asked) =>
        !(asked['controls'] === false && !asked['autoplay'] && sheet.settings['autoplay']) &&
        !(asked['view'] !== undefined && asked['zoom'] !== undefined && sheet.settings['view']?.excludes),
    );

describe('the settings of every provider', () => {
  for (const sheet of sheets) {
    it(`${sheet.name}: twice is once, in any order, and nothing asked is no change`, () => {
      const code = codeOf(sheet);
      // A page of anybody's is nobody's sheet any more once it is a frame.
      const known = sheet.pages ? undefined : sheet.id;
      expect(read(code, { sheets }).sheet?.id).to.equal(known);
      if (sheet.pages) return;
      expect(adjusted(code, {})).to.equal(code);
      fc.assert(
        fc.property(optionsFor(sheet), (asked) => {
          const once = adjusted(code, asked);
          expect(adjusted(once, asked), once).to.equal(once);
          expect(adjusted(code, Object.fromEntries(Object.entries(asked).reverse()))).to.equal(once);
          expect(read(once, { sheets }).sheet?.id).to.equal(known);
        }),
        { seed, numRuns: 120 },
      );
    });
  }

  it('are read back out of the code as they were asked for, for whatever the provider writes down', () => {
    for (const sheet of sheets.filter(({ pages }) => !pages)) {
      fc.assert(
        fc.property(optionsFor(sheet), (asked) => {
          const text = adjusted(codeOf(sheet), asked);
          const read = current(openCode(text, { sheets }));
          for (const [name, value] of Object.entries(asked)) {
            const rule = ruleOf(sheet, name)!;
            // What is off by not being there is not said.
            const silent = 'on' in rule && (value ? rule.on : rule.off) === null;
            expect(read[name], `${sheet.id} ${name} in ${text}`).to.deep.equal(silent ? undefined : value);
          }
        }),
        { seed, numRuns: 60 },
      );
    }
  });

  it('are what the URL standard’s own parser reads in the address, and nothing else of it is touched', () => {
    const framed = sheets.filter((sheet) =>
      Object.values(sheet.settings).some((rule) => rule.in === 'query' && rule.of !== 'loader'),
    );
    expect(framed.length).to.be.at.least(5);
    for (const sheet of framed) {
      const code = codeOf(sheet).replace(/(src="[^"#]*)/, '$1?kept=%7Eé&amp;opaque=!k7!zq2');
      fc.assert(
        fc.property(optionsFor(sheet), (asked) => {
          const [address] = read(adjusted(code, asked), { sheets }).addresses;
          const url = new URL(address!.url);
          expect(address!.url).to.include('?kept=%7Eé&opaque=!k7!zq2');
          for (const name of ['account', 'language', 'prefill'] as const) {
            const rule = sheet.settings[name];
            if (asked[name] !== undefined && rule?.in === 'query')
              expect(url.searchParams.get(rule.name)).to.equal(asked[name]);
          }
          const accent = ruleOf<'colour'>(sheet, 'accent');
          if (asked['accent'] !== undefined && accent?.in === 'query')
            expect(url.searchParams.get(accent.name)).to.equal(
              accent.format === 'rrggbb' ? String(asked['accent']).slice(1) : asked['accent'],
            );
        }),
        { seed, numRuns: 60 },
      );
    }
  });

  it('stand as attributes that the page reads back, whatever is in them', () => {
    for (const sheet of sheets.filter(({ settings: own }) => own['account']?.in === 'attribute')) {
      for (const account of ['a b', 'ü&"<>', "it's", '{{x', '&amp;']) {
        const text = adjusted(codeOf(sheet), { account });
        const element = openCode(text, { sheets }).markup.elements.find((e) =>
          e.attributes.has(sheet.settings['account']!.name),
        );
        expect(element?.attributes.value(sheet.settings['account']!.name), sheet.name).to.equal(account);
      }
    }
  });

  it('are refused with what the provider takes, where it does not take the value', () => {
    const problem = (id: string, asked: Options) =>
      compose(openCode(codeOf(sheets.find((sheet) => sheet.id === id)!), { sheets }), asked).problems;
    expect(problem('mapmere', { view: 'moonlit' })).to.deep.equal([
      {
        option: 'view',
        code: 'value-not-offered',
        facts: { setting: 'view', provider: 'Mapmere', expects: 'choice', words: 'map, terrain' },
      },
    ]);
    expect(formatProblem(problem('praisecroft', { count: 9 })[0]!)).to.equal(
      'Praisecroft does not take that for count; it takes a whole number from 1 to 8.',
    );
    expect(problem('mapmere', { page: 3 })[0]!.code).to.equal('setting-not-offered');
    expect(problem('slotsedge', { title: 'x' })[0]!.code).to.equal('part-missing');
    expect(problem('folioferry', { view: 'width', zoom: 150 })).to.deep.equal([
      {
        option: 'zoom',
        code: 'settings-exclude',
        facts: { setting: 'zoom', other: 'view', provider: 'Folioferry' },
      },
    ]);
    expect(problem('kinorill', { controls: false })[0]!.code).to.equal('no-way-to-play');
    expect(problem('kinorill', { controls: false, autoplay: true })).to.deep.equal([]);
    expect(problem('video-file', { end: 3, start: 5 })[0]!.code).to.equal('clip-order');
  });

  it('go to their own provider’s frame, also where another one stands before it', () => {
    const mapmere = sheets.find((sheet) => sheet.id === 'mapmere')!;
    const other = '<iframe src="https://nobody.localhost/x?zoom=1" title="t"></iframe>';
    const own = codeOf(mapmere);
    expect(adjusted(`${other}\n${own}`, { zoom: 5 })).to.equal(`${other}\n${adjusted(own, { zoom: 5 })}`);
  });

  it('are a media fragment in every file of a player, both ends in one parameter', () => {
    const text = '<video controls><source src="dome.webm"><source src="/files/dome.mp4?v=2#x=1"></video>';
    expect(adjusted(text, { start: 112 })).to.equal(
      '<video controls><source src="dome.webm#t=112"><source src="/files/dome.mp4?v=2#x=1&amp;t=112"></video>',
    );
    expect(adjusted(text, { start: 112, end: 184 })).to.include('dome.webm#t=112,184');
    expect(adjusted(text, { end: 184 })).to.include('dome.webm#t=,184');
    expect(adjusted(text.replace('dome.webm', 'dome.webm#t=5,9'), { end: 7.5 })).to.include(
      'dome.webm#t=5,7.5',
    );
    const { problems } = compose(openCode(text.replace('dome.webm', 'dome.webm#t=5,9'), { sheets }), {
      end: 4,
    });
    expect(problems.map(({ code }) => code)).to.deep.equal(['clip-order']);
    expect(Object.fromEntries(ownFiles.map(({ id, kind }) => [id, kind]))).to.deep.equal({
      'audio-file': 'audio',
      'pdf-file': 'document',
      'picture-file': 'image',
      'video-file': 'video',
    });
  });

  it('play a file of one’s own by itself silently and in its place, by presence alone', () => {
    const text = "<video src='dome.mp4' controls></video>";
    expect(adjusted(text, { autoplay: true, loop: true, controls: false })).to.equal(
      "<video autoplay playsinline muted loop src='dome.mp4'></video>",
    );
    const { edits, implied } = compose(openCode(text, { sheets }), { autoplay: true });
    expect(implied.map(({ option }) => option)).to.deep.equal(['muted']);
    expect(edits.map(({ reasons }) => formatReasons(reasons))).to.satisfy((reasons: string[]) =>
      reasons.some((reason) => reason.endsWith('(it needs playsinline beside it).')),
    );
    expect(
      adjusted('<video autoplay="autoplay" MUTED src="dome.mp4"></video>', { autoplay: false, muted: false }),
    ).to.equal('<video src="dome.mp4"></video>');
  });

  it('open a PDF at its page (RFC 8118)', () => {
    const text =
      '<object data="/library/chart.pdf" type="application/pdf" width="300" height="400"></object>';
    expect(adjusted(text, { page: 3, zoom: 150 })).to.include(
      'data="/library/chart.pdf#page=3&amp;zoom=150"',
    );
    expect(adjusted(text.replace('.pdf', '.PDF#page=9'), { page: 3, view: 'width' })).to.include(
      'chart.PDF#page=3&amp;view=FitH',
    );
  });

  it('stand in the path: in the place of what is there, or as a step of their own', () => {
    const code = (path: string): string =>
      `<iframe src="https://tonebarn.localhost/podcast/${path}" title="t"></iframe>`;
    for (const [path, asked, wanted] of [
      ['under-the-fell/17', { theme: 'dark' }, 'under-the-fell/17/skin-slate'],
      ['under-the-fell/17/skin-linen?begin=3#x', { theme: 'dark' }, 'under-the-fell/17/skin-slate?begin=3#x'],
      ['under-the-fell/17/skin-linen', { theme: 'light' }, 'under-the-fell/17/skin-linen'],
      [
        'under-the-fell/17?a=1&amp;b',
        { account: 'fell & moor/ü' },
        'fell%20%26%20moor%2F%C3%BC/17?a=1&amp;b',
      ],
      ['fell%20moor/17', { account: 'fell moor' }, 'fell%20moor/17'],
    ] as [string, Options, string][])
      expect(adjusted(code(path), asked)).to.equal(code(wanted));
  });

  it('are members of the JSON in an attribute, whatever its quotes', () => {
    const code = (look: string): string =>
      `<div class="slotsedge-calendar" data-calendar="x"${look}></div><script src="https://cdn.slotsedge.localhost/booking.js"></script>`;
    const inJson = (text: string): unknown =>
      JSON.parse(openCode(text, { sheets }).markup.elements[0]!.attributes.value('data-look')!);
    const looks = [
      '',
      ' data-look=""',
      " data-look='{}'",
      ` data-look='{ "shade" : "#000000", "kept": [1, "é"] }'`,
      ' data-look="{&quot;room&quot;:{&quot;wall&quot;:1}}"',
      ' data-look={}',
    ];
    for (const look of looks) {
      const text = adjusted(code(look), { accent: '#aa3355', theme: 'dark', count: 5 });
      expect(inJson(text), look)
        .to.deep.include({ shade: '#aa3355', nights: 5 })
        .and.to.have.nested.property('room.hour', 'night');
      expect(adjusted(text, { accent: '#aa3355', theme: 'dark', count: 5 }), look).to.equal(text);
    }
    expect(adjusted(code(looks[3]!), { count: 2 })).to.include(
      `data-look='{ "shade" : "#000000", "kept": [1, "é"],"nights": 2 }'`,
    );
    expect(inJson(adjusted(code(looks[4]!), { theme: 'light' }))).to.deep.equal({
      room: { wall: 1, hour: 'day' },
    });
    expect(compose(openCode(code(' data-look="dark"'), { sheets }), { count: 2 }).problems).to.deep.equal([
      { option: 'count', code: 'part-missing', facts: { setting: 'count', part: 'json' } },
    ]);
  });

  it('are members of the options that a script hands over, as the script then runs', () => {
    const code = (options: string): string =>
      `<script>window.stallmere = window.stallmere || []; /* kept */</script><div data-shop="311" id="s"></div><script>stallmere.push(["show", "#s", ${options}]); // kept </script><script async src="https://cdn.stallmere.localhost/shop.js"></script>`;
    const handed = (text: string): unknown => {
      const pushed: unknown[][] = [];
      for (const [, script] of text.matchAll(/<script>(.*?)<\/script>/gs))
        runInNewContext(script!, {
          window: { stallmere: [] },
          stallmere: { push: (call: unknown[]) => pushed.push(call) },
        });
      return JSON.parse(JSON.stringify(pushed[0]![2]));
    };
    for (const options of [
      '{}',
      '{ items: 2 }',
      "{ 'till': '#000000', other: fn }".replace('fn', '7'),
      '{"items":1,"counter":"light",}',
      '{ till: "#000000", items: 1 }',
    ]) {
      const text = adjusted(code(options), { accent: '#aa3355', count: 4, theme: 'dark' });
      expect(handed(text), options).to.deep.include({ till: '#aa3355', items: 4, counter: 'dark' });
      expect(adjusted(text, { accent: '#aa3355', count: 4, theme: 'dark' })).to.equal(text);
      expect(text.match(/kept/g)).to.have.length(2);
    }
    expect(adjusted(code("{ till: '#000000' }"), { theme: 'dark' })).to.include(
      "{ till: '#000000', counter: 'dark' }",
    );
    for (const broken of ['{', 'options', '...x'])
      expect(compose(openCode(code(broken), { sheets }), { count: 4 }).problems, broken).to.deep.equal([
        { option: 'count', code: 'part-missing', facts: { setting: 'count', part: 'setup' } },
      ]);
  });

  it('bring what they need beside them, with the item’s own id', () => {
    const known = sheetNamed('kinorill');
    const loop: SheetSetting = {
      in: 'query',
      name: 'again',
      on: '1',
      off: null,
      companions: [{ name: 'lap', value: '{id}' }],
    };
    const own = [{ ...known, settings: { ...known.settings, loop } }];
    const out = (code: string, on: boolean): string =>
      compose(openCode(code, { sheets: own }), { loop: on }).text;
    const once = out(codeOf(known, 'x&y'), true);
    expect(new URL(read(once, { sheets }).addresses[0]!.url).searchParams.get('lap')).to.equal('x&y');
    expect(out(codeOf(known), false)).not.to.include('lap');
  });

  it('give way to a parameter that is set by hand, and say so', () => {
    const code = codeOf(sheetNamed('kinorill'));
    const { edits, text } = compose(openCode(code, { sheets }), {
      'start': 112,
      'parameter.from': '9',
      'parameter.zest': 'a b&c',
    });
    expect(edits).to.have.length(1);
    expect(formatReasons(edits[0]!.reasons)).to.include(
      'from=9 in the address, as you set it by hand; it wins over start',
    );
    const url = new URL(read(text, { sheets }).addresses[0]!.url);
    expect([...url.searchParams]).to.deep.equal([
      ['from', '9'],
      ['zest', 'a b&c'],
    ]);
    expect(
      adjusted('<iframe src="https://nobody.localhost/x#look=old"></iframe>', { 'parameter.look': 'new' }),
    ).to.include('x#look=new"');
    expect(compose(openCode('<p>x</p>', { sheets }), { 'parameter.a': '1' }).problems[0]!.code).to.equal(
      'part-missing',
    );
  });

  it('drop what only follows people from every address, and nothing else', () => {
    const text =
      '<iframe src="https://play.kinorill.localhost/film/a?via=letter&amp;from=3&amp;utm_source=x&seen=1" title="t"></iframe><a href="https://nobody.localhost/?via=1&utm_medium=y">x</a>';
    expect(adjusted(text, { tracking: false })).to.equal(
      '<iframe src="https://play.kinorill.localhost/film/a?from=3" title="t"></iframe><a href="https://nobody.localhost/">x</a>'
        .replace('/">x', '/?via=1">x')
        .replace('?via=1">x', '">x'),
    );
    expect(adjusted(text, { tracking: true })).to.equal(text);
    const none = '<iframe src="https://nobody.localhost/?a=1" title="t"></iframe>';
    expect(adjusted(none, { tracking: false })).to.equal(none);
  });

  it('know how long it is, where the code says it', () => {
    const text = '<video src="dome.mp4" controls data-duration="180"></video>';
    const problem = (asked: Options) =>
      compose(openCode(text, { sheets }), asked).problems.map(({ option, code, facts }) => [
        option,
        code,
        facts['length'],
      ]);
    expect(problem({ start: 190 })).to.deep.equal([['start', 'time-beyond', '3:00']]);
    expect(problem({ start: 10, end: 181 })).to.deep.equal([['end', 'time-beyond', '3:00']]);
    expect(problem({ start: 10, end: 180 })).to.deep.equal([]);
  });

  it('move to the quieter host and back, and leave all else as it is', () => {
    const kinorill = sheets.find((sheet) => sheet.id === 'kinorill')!;
    const code = codeOf(kinorill);
    const quiet = adjusted(code, { privacy: true });
    expect(quiet).to.equal(code.replace('play.kinorill', 'quiet.kinorill'));
    expect(adjusted(quiet, { privacy: false })).to.equal(code);
    expect(adjusted(code, { privacy: false })).to.equal(code);
  });

  it('add the permission that they need, once, beside those that the frame has', () => {
    const kinorill = sheets.find((sheet) => sheet.id === 'kinorill')!;
    const playing = adjusted(codeOf(kinorill), { autoplay: true });
    expect(playing).to.include('allow="fullscreen; autoplay"');
    expect(adjusted(playing, { autoplay: true })).to.equal(playing);
    expect(adjusted(codeOf(kinorill), { autoplay: false })).not.to.include('autoplay');
  });

  it('name and size every frame, and do the sum where the shape is known', () => {
    const text = '<iframe src="https://nobody.localhost/x" width="400" height="300"></iframe>';
    const code = openCode(text, { sheets });
    const { edits, implied, text: out } = compose(code, { title: 'A “fell”', width: 800 });
    expect(out).to.equal(
      '<iframe title="A “fell”" src="https://nobody.localhost/x" width="800" height="600"></iframe>',
    );
    expect(edits.map(({ reasons }) => formatReasons(reasons))).to.include(
      '800 px wide in the shape 1.3333:1 is 600 px high.',
    );
    expect(implied.map(({ option, by }) => [option, by])).to.deep.equal([['height', 'width']]);
    expect(compose(code, { width: 800, height: 200 }).text).to.include('width="800" height="200"');
  });
});
