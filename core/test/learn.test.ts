import { expect } from 'chai';
import fc from 'fast-check';
import {
  compose,
  codeFromId,
  cutSample,
  itemOf,
  learnSheet,
  openCode,
  read,
  renderTemplate,
  templateOf,
  type Options,
  type Sheet,
} from '@orbis/core';

const seed = 20261123;

/* Pieces of codes, good and broken, put together by chance. */
const scrap = fc.constantFrom(
  '<div class="box" data-of="a b" data-look=\'{"shade": "#aa3355", "room": {"n": 3}}\'>',
  '</div>',
  '<iframe src="https://p.localhost/show/a1?from=3&amp;hue=aa3355&x#t=1,2" width=640 title="A &amp; B"></iframe>',
  '<iframe src="//p.localhost:80/a/b/?=&&q">',
  '<script>p.show("#a", { count: 3, look: \'dark\', deep: { on: true } });</script>',
  '<script>not ( a script</script>',
  '<script async src="https://p.localhost/x.js"></script>',
  '<a href="https://p.localhost/%zz/ü?a=%41#é=1" href=again>text &eacute; more</a>',
  '<!-- a comment -->',
  '<p><b>two</p> that cross</b>',
  '<img src=x alt>',
  ' \r\n',
  '&lt;',
  '<',
  '🌌 words',
);
const text = fc.array(scrap, { maxLength: 8 }).map((scraps) => scraps.join(''));

/** A provider by chance, with words for its parameters that nobody knows. */
const word = fc.stringMatching(/^[a-z]{4,9}$/).filter((found) => !['data', 'item', 'link'].includes(found));
const provider = fc
  .record({
    name: word,
    by: fc.constantFrom('path', 'deep', 'query', 'mount', 'loader'),
    steps: fc.uniqueArray(word, { minLength: 2, maxLength: 2 }),
    accent: word,
    language: word,
    theme: word,
  })
  .filter(
    ({ accent, language, theme, name, steps }) =>
      new Set([accent, language, theme, name, ...steps]).size === 6,
  );

function sheetOf({
  name,
  by,
  steps,
  accent,
  language,
  theme,
}: typeof provider extends fc.Arbitrary<infer T> ? T : never): Sheet {
  const host = `cdn.${name}.localhost`;
  const framed = by === 'path' || by === 'deep' || by === 'query';
  const at =
    by === 'mount'
      ? ({ in: 'attribute', of: 'mount' } as const)
      : by === 'loader'
        ? ({ in: 'query', of: 'loader' } as const)
        : ({ in: 'query' } as const);
  const named = (word: string): string => (by === 'mount' ? `data-${word}` : word);
  const address =
    by === 'query'
      ? `/${steps[0]}?v={id}`
      : by === 'deep'
        ? `/${steps[0]}/{id}/${steps[1]}`
        : `/${steps[0]}/{id}`;
  const source = `{scheme}://${host}{+port}/${steps[0]}.js`;
  return {
    id: name,
    name,
    version: 1,
    kind: 'frame',
    hosts: [host],
    links: [],
    frames: framed ? [{ hostname: host, pathname: '/:id' }] : [],
    code: framed
      ? { address: `{scheme}://${host}{+port}${address}`, width: 640, height: 480, title: 'Item', allow: [] }
      : {
          parts:
            by === 'mount'
              ? [
                  { role: 'mount', html: `<div class="${name}-box" data-item="{id}"></div>` },
                  { role: 'loader', html: `<script async src="${source}"></script>` },
                ]
              : [{ role: 'loader', html: `<script src="${source}?item={id}"></script>` }],
        },
    ...(!framed && {
      loaders: [{ hostname: host, pathname: `/${steps[0]}.js` }],
      mounts: by === 'mount' ? [{ class: `${name}-box` }] : [],
    }),
    ...(framed && {
      frames: [
        by === 'query'
          ? { hostname: host, pathname: `/${steps[0]}`, search: '{*&}?v=:id{&*}?' }
          : { hostname: host, pathname: address.replace('{id}', ':id') },
      ],
    }),
    settings: {
      accent: { ...at, name: named(accent), format: 'rrggbb' },
      language: { ...at, name: named(language) },
      theme: { ...at, name: named(theme), choices: { light: 'day', dark: 'night' } },
    },
    needs: {},
  };
}
const options: fc.Arbitrary<Options> = fc
  .record(
    {
      accent: fc.integer({ min: 0xa00000, max: 0xffffff }).map((n) => `#${n.toString(16)}`),
      language: fc.constantFrom('de', 'fr', 'cy', 'pt-BR'),
      theme: fc.constantFrom('light' as const, 'dark' as const),
    },
    { requiredKeys: [] },
  )
  .map((record): Options => record);

describe('learning', () => {
  it('cuts every text into pieces that are it again', () => {
    fc.assert(
      fc.property(text, (sample) => {
        expect(
          cutSample(sample)
            .pieces.map((piece) => piece.text)
            .join(''),
        ).to.equal(sample);
      }),
      { seed, numRuns: 500 },
    );
  });

  it('lays any samples over each other, and gives each back from what they have in common and its own values', () => {
    fc.assert(
      fc.property(fc.array(text, { minLength: 1, maxLength: 5 }), (samples) => {
        const template = templateOf(samples.map((sample) => cutSample(sample).pieces));
        template.samples.forEach((values, i) =>
          expect(renderTemplate(template, values)).to.equal(samples[i]),
        );
        // What all have alike is said once, and is no hole.
        if (samples.every((sample) => sample === samples[0]))
          expect(template.pieces.every((piece) => piece.text !== null && !piece.optional)).to.equal(true);
      }),
      { seed, numRuns: 300 },
    );
  });

  it('finds the id of an item wherever a provider puts it, and knows a fourth code by three', () => {
    const id = fc.stringMatching(/^[A-Za-z][A-Za-z0-9]{5,11}$/).filter((found) => /\d/.test(found));
    fc.assert(
      fc.property(
        provider,
        fc.uniqueArray(id, { minLength: 4, maxLength: 4 }),
        fc.array(options, { minLength: 4, maxLength: 4 }),
        (made, ids, asked) => {
          const original = sheetOf(made);
          const codes = ids.map((item, i) => {
            const code = codeFromId(original, item);
            const { text, problems } = compose(openCode(code, { sheets: [original] }), asked[i]!);
            expect(problems).to.deep.equal([]);
            return text;
          });
          const result = learnSheet(codes.slice(0, 3), { sheets: [] });
          if (!result.ok) throw new Error(`${JSON.stringify(result.problem)}\n${codes.join('\n')}`);
          const { sheet, samples, templates } = result.proposal;
          expect(samples.map(({ item }) => item)).to.deep.equal(ids.slice(0, 3));
          templates.codes.samples.forEach((values, i) =>
            expect(renderTemplate(templates.codes, values)).to.equal(codes[i]),
          );
          const held = openCode(codes[3]!, { sheets: [sheet] });
          expect(held.sheet?.id).to.equal(sheet.id);
          expect(itemOf(held, sheet)).to.equal(ids[3]);
          // Colours, languages and looks tell themselves, whatever their parameters are called.
          for (const setting of ['accent', 'language', 'theme'] as const)
            if (asked.slice(0, 3).some((one) => one[setting] !== undefined))
              expect(sheet.settings[setting]?.name, codes.join('\n')).to.equal(
                original.settings[setting]!.name,
              );
          // The code made of an id is, for this provider, the same as the real one's.
          expect(itemOf(openCode(codeFromId(sheet, ids[3]!), { sheets: [original] }), original)).to.equal(
            ids[3],
          );
        },
      ),
      { seed, numRuns: 150 },
    );
  });

  it('takes a step that comes and goes for a parameter in the path, and an ending for none of the id', () => {
    const code = (path: string): string => `<iframe src="https://p.localhost/${path}" title="t"></iframe>`;
    const result = learnSheet(
      [code('watch/reel-7.html'), code('watch/reel-19.html/look-night'), code('watch/reel-3.html/look-day')],
      { sheets: [] },
    );
    if (!result.ok) throw new Error(result.problem.code);
    const { sheet, samples } = result.proposal;
    expect(sheet.frames).to.deep.equal([
      { hostname: 'p.localhost', pathname: '/watch/reel-:id.html{/look-:look}?' },
    ]);
    expect(samples.map(({ item }) => item)).to.deep.equal(['7', '19', '3']);
    expect(sheet.settings.theme).to.deep.equal({
      in: 'path',
      name: 'look',
      piece: 'look-{value}',
      choices: { light: 'day', dark: 'night' },
    });
    expect(read(code('watch/reel-1.html'), { sheets: [sheet] }).sheet?.id).to.equal('p');
  });

  it('tells how switches and times are written, and asks where a name does not decide', () => {
    const code = (id: string, query: string): string =>
      `<iframe src="https://p.localhost/video/${id}?${query}" title="video"></iframe>`;
    const learn = (queries: readonly string[]) => {
      const result = learnSheet(
        queries.map((query, i) => code(`id${i}`, query)),
        { sheets: [] },
      );
      if (!result.ok) throw new Error(result.problem.code);
      return result.proposal;
    };
    for (const [name, values, wanted] of [
      ['autoplay', ['1', ''], { setting: 'autoplay', on: '1', off: null }],
      ['autoplay', ['1', '0'], { setting: 'autoplay', on: '1', off: '0' }],
      ['autoplay', ['yes', 'yes'], { setting: 'autoplay', on: 'yes', off: 'no' }],
      ['sound', ['off', ''], { setting: 'muted', on: 'off', off: null }],
      ['loop', ['true', 'false'], { setting: 'loop', on: 'true', off: 'false' }],
      ['start', ['1:52', '3:04'], { setting: 'start', format: 'clock' }],
      ['start', ['1m52s', '9s'], { setting: 'start', format: 'units' }],
      ['start', ['112000', '9000'], { setting: 'start', format: 'milliseconds' }],
      ['startAt', ['112', '9'], { setting: 'start', format: 'seconds' }],
      ['bg_color', ['aa3355', '2f6145'], { setting: 'accent', format: 'rrggbb' }],
    ] as const) {
      const { sheet } = learn(values.map((value) => (value === '' ? '' : `${name}=${value}`)));
      const { setting, ...rest } = wanted;
      expect(sheet.settings[setting], `${name} ${values.join(' ')}`).to.deep.equal({
        in: 'query',
        name,
        ...rest,
      });
    }
    for (const query of ['zest=1', 'time_to_stop=9', 'look=slate']) {
      const line = learn([query, '']).lines.find(({ what }) => what === 'parameter')!;
      expect([line.sure, line.means], query).to.deep.equal([false, null]);
    }
    // What only follows people is no setting, and nothing to ask about.
    expect(learn(['utm_source=letter', '']).lines.some(({ what }) => what === 'parameter')).to.equal(false);
    // Two that mean the same: the first is taken, the second is asked.
    expect(
      learn(['color=aa3355&amp;tint=2f6145', ''])
        .lines.filter(({ what }) => what === 'parameter')
        .map(({ means }) => means),
    ).to.deep.equal(['accent', null]);
  });

  it('never breaks on what it is given, and proposes nothing that it has not tried', () => {
    let learned = 0;
    const sample = fc.tuple(
      fc.constantFrom(
        '',
        '<iframe src="https://p.localhost/show/',
        '<iframe src="https://cdn.p.localhost/',
        '<script src="https://p.localhost/w.js?k=',
      ),
      fc.constantFrom('a1', 'b2', '', 'ü/%zz', '{id}', ':id*'),
      text,
    );
    fc.assert(
      fc.property(fc.array(sample, { minLength: 1, maxLength: 4 }), (parts) => {
        const samples = parts.map(([opening, id, rest]) =>
          opening === '' ? rest : `${opening}${id}?n=1" title="t"></iframe>${rest}`,
        );
        const result = learnSheet(samples, { sheets: [] });
        if (!result.ok) return;
        learned++;
        const { sheet, templates, samples: told } = result.proposal;
        templates.codes.samples.forEach((values, i) =>
          expect(renderTemplate(templates.codes, values)).to.equal(samples[i]),
        );
        told.forEach(({ item }, i) =>
          expect(itemOf(openCode(samples[i]!, { sheets: [sheet] }), sheet)).to.equal(item),
        );
      }),
      { seed, numRuns: 400 },
    );
    expect(learned).to.be.greaterThan(40);
  });

  it('takes samples of many pieces in little time, and no more of them than anybody reads', () => {
    const long = (n: number): string =>
      `<iframe src="https://p.localhost/show/id${n}?${Array.from({ length: 180 }, (_, i) => `k${i}=${n * i}`).join('&amp;')}" title="t"></iframe>`;
    const result = learnSheet(
      Array.from({ length: 20 }, (_, n) => long(n + 1)),
      { sheets: [] },
    );
    expect(result.ok && result.proposal.samples.length).to.equal(20);
    const over = learnSheet([long(1), `<p>${'<b a=1 c=2></b>'.repeat(400)}</p>${long(2)}`], { sheets: [] });
    expect(over).to.deep.equal({ ok: false, problem: { code: 'too-long', facts: { sample: 2 } } });
  });

  for (const [label, codes, wanted] of [
    [
      'on two hosts of one provider',
      [
        '<iframe src="https://play.p.localhost/v/a1" title="t"></iframe>',
        '<iframe src="https://quiet.p.localhost/v/b2" title="t"></iframe>',
      ],
      { hosts: ['play.p.localhost', 'quiet.p.localhost'], item: ['a1', 'b2'] },
    ],
    [
      'with ports and plain http',
      [
        '<iframe src="http://p.localhost:8080/v/a1" title="t"></iframe>',
        '<iframe src="http://p.localhost:8080/v/b2" title="t"></iframe>',
      ],
      { hosts: ['p.localhost'], item: ['a1', 'b2'], answers: { scheme: 'http', port: 8080 } },
    ],
    [
      'without a scheme',
      [
        '<iframe src="//p.localhost/v/a1" title="t"></iframe>',
        '<iframe src="//p.localhost/v/b2" title="t"></iframe>',
      ],
      { hosts: ['p.localhost'], item: ['a1', 'b2'] },
    ],
    [
      'of the same item twice, with other settings',
      [
        '<iframe src="https://p.localhost/v/a1?lang=de" title="t"></iframe>',
        '<iframe src="https://p.localhost/v/a1?lang=fr" title="t"></iframe>',
      ],
      { hosts: ['p.localhost'], item: ['a1', 'a1'], unsure: 'item' },
    ],
    [
      'in a box of their own',
      [
        '<div style="padding:9px"><iframe src="https://p.localhost/v/a1" title="t"></iframe></div>',
        '<div style="padding:7px"><iframe src="https://p.localhost/v/b2" title="t"></iframe></div>',
      ],
      { hosts: ['p.localhost'], item: ['a1', 'b2'] },
    ],
    [
      'of an element of their own',
      [
        '<p-box item="a1"></p-box><script src="https://p.localhost/x.js"></script>',
        '<p-box item="b2"></p-box><script src="https://p.localhost/x.js"></script>',
      ],
      { hosts: ['p.localhost'], item: ['a1', 'b2'] },
    ],
    [
      'with the id in a class, too',
      [
        '<div class="p-box p-a1" data-p="a1"></div><script src="https://p.localhost/x.js"></script>',
        '<div class="p-box p-b2" data-p="b2"></div><script src="https://p.localhost/x.js"></script>',
      ],
      { hosts: ['p.localhost'], item: ['a1', 'b2'] },
    ],
    [
      'with the id in the script’s own address',
      [
        '<script src="https://p.localhost/w/a1.js"></script>',
        '<script src="https://p.localhost/w/b2.js"></script>',
      ],
      { hosts: ['p.localhost'], item: ['a1.js', 'b2.js'] },
    ],
  ] as [string, string[], { hosts: string[]; item: string[]; answers?: object; unsure?: string }][])
    it(`learns codes ${label}`, () => {
      const result = learnSheet(codes, { sheets: [] });
      if (!result.ok) throw new Error(JSON.stringify(result.problem));
      const { sheet, samples, lines } = result.proposal;
      expect([sheet.hosts, samples.map(({ item }) => item), sheet.answers]).to.deep.equal([
        wanted.hosts,
        wanted.item,
        wanted.answers,
      ]);
      expect(lines.find(({ about }) => about === 'item')!.sure).to.equal(wanted.unsure !== 'item');
      // The code made of another id is known again, with that id.
      const id = wanted.item[0]!.endsWith('.js') ? 'zz9.js' : 'zz9';
      const made = codeFromId(sheet, id);
      expect(itemOf(openCode(made, { sheets: [sheet] }), sheet), made).to.equal(id);
      expect(made).not.to.include('a1');
    });

  it('takes no number for the id that only looks like it, where all samples show one item', () => {
    const code = (look: string): string =>
      `<div class="p-box" data-item="map" title="our maps"${look}></div><script src="https://p.localhost/maps.js"></script>`;
    const result = learnSheet([code(' data-look="dark"'), code('')], { sheets: [] });
    expect(
      result.ok &&
        'parts' in result.proposal.sheet.code &&
        result.proposal.sheet.code.parts.map(({ html }) => html),
    ).to.deep.equal([
      '<div class="p-box" data-item="{id}" title="our maps"></div>',
      '<script src="{scheme}://p.localhost{+port}/maps.js"></script>',
    ]);
  });
});
