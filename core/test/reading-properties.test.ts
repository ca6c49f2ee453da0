import { expect } from 'chai';
import fc from 'fast-check';
import { compareTexts, escapeAttribute, mend, read, type Reading } from '@orbis/core';
import { codes, sheets } from './corpus.ts';
import { expectWhole, scrapTexts } from './support/scraps.ts';

const context = { sheets };
const seed = 20261123;

/** A code of any shape that providers hand out, from pieces that a browser would take. */
const word = fc.stringMatching(/^[a-z][a-z0-9]{2,7}$/);
const host = word.map((name) => `${name}.localhost`);
const address = fc
  .tuple(host, fc.array(word, { maxLength: 3 }), fc.array(fc.tuple(word, word), { maxLength: 3 }))
  .map(
    ([h, path, query]) =>
      `https://${h}/${path.join('/')}${query.length > 0 ? `?${query.map(([k, v]) => `${k}=${v}`).join('&')}` : ''}`,
  );
type Attributes = [name: string, value: string][];
const frame: fc.Arbitrary<{ name: string; attributes: Attributes }> = fc
  .tuple(
    address,
    fc.option(fc.tuple(fc.integer({ min: 1, max: 2000 }), fc.integer({ min: 1, max: 2000 }))),
    fc.option(word),
  )
  .map(([src, size, title]) => ({
    name: 'iframe',
    attributes: [
      ['src', src],
      ...((size
        ? [
            ['width', String(size[0])],
            ['height', String(size[1])],
          ]
        : []) as Attributes),
      ...((title ? [['title', title]] : []) as Attributes),
    ],
  }));

type Style = { upper: boolean; quote: '"' | "'" | ''; entities: 'named' | 'decimal' | 'hexadecimal' };
const style: fc.Arbitrary<Style> = fc.record({
  upper: fc.boolean(),
  quote: fc.constantFrom('"', "'", ''),
  entities: fc.constantFrom('named', 'decimal', 'hexadecimal'),
});

function write(
  { name, attributes }: { name: string; attributes: Attributes },
  { upper, quote, entities }: Style,
): string {
  const cased = (text: string): string => (upper ? text.toUpperCase() : text);
  const reference = { named: '&amp;', decimal: '&#38;', hexadecimal: '&#x26;' }[entities];
  const written = attributes.map(
    ([key, value]) =>
      ` ${cased(key)}=${quote}${escapeAttribute(value).replaceAll('&amp;', reference)}${quote}`,
  );
  return `<${cased(name)}${written.join('')}></${cased(name)}>`;
}

/** What a reading says, without the places where it says it. */
const said = (reading: Reading) => ({
  input: reading.input,
  kind: reading.kind,
  size: reading.size,
  hosts: reading.hosts,
  needs: reading.needs,
  claims: reading.claims,
  parts: reading.parts.map((part) => part.role),
  urls: reading.addresses.map((a) => [a.use, a.url, a.parameters]),
  rules: reading.findings.map((f) => f.rule),
});

describe('the reading of any code', () => {
  it('does not depend on upper case, quotes and the way in which characters are escaped', () => {
    fc.assert(
      fc.property(frame, style, (element, how) => {
        expect(said(read(write(element, how), context))).to.deep.equal(
          said(read(write(element, { upper: false, quote: '"', entities: 'named' }), context)),
        );
      }),
      { seed, numRuns: 600 },
    );
  });

  it('of two complete codes has the embeds of both', () => {
    fc.assert(
      fc.property(frame, frame, fc.constantFrom('', '\n', '\r\n\r\n'), (one, two, between) => {
        const [a, b] = [one, two].map((element) =>
          write(element, { upper: false, quote: '"', entities: 'named' }),
        ) as [string, string];
        const both = read(a + between + b, context);
        expect(both.embeds.map((embed) => [embed.kind, embed.size])).to.deep.equal(
          [...read(a, context).embeds, ...read(b, context).embeds].map((embed) => [embed.kind, embed.size]),
        );
        expect(both.addresses.map((x) => x.url)).to.deep.equal(
          [a, b].flatMap((code) => read(code, context).addresses.map((x) => x.url)),
        );
      }),
      { seed, numRuns: 400 },
    );
  });

  it('shifts with what stands before it, and changes in nothing else', () => {
    for (const [label, code] of Object.entries(codes)) {
      if (label === 'stray tags' || label === 'text around it') continue;
      const before = 'Words first.\n\n';
      const [alone, shifted] = [read(code, context), read(before + code, context)];
      expect(
        shifted.addresses.map((a) => a.start - before.length),
        label,
      ).to.deep.equal(alone.addresses.map((a) => a.start));
      expect(shifted.kind, label).to.equal(alone.kind);
      expect(shifted.hosts, label).to.deep.equal(alone.hosts);
    }
  });

  it('never throws, and leaves addresses, parts and findings where they stand, for any scraps', () => {
    fc.assert(
      fc.property(scrapTexts, (text) => expectWhole(text, read(text, context))),
      { seed, numRuns: 3000 },
    );
  });

  it('is mended once and for all, and a text with nothing to mend stays as it is', () => {
    fc.assert(
      fc.property(scrapTexts, (text) => {
        const once = mend(text, context);
        expect(mend(once.text, context)).to.deep.equal({ text: once.text, done: [] });
        if (read(text, context).findings.every((found) => found.mend.length === 0 || found.level === 'note'))
          expect(once.text).to.equal(text);
      }),
      { seed, numRuns: 1500 },
    );
  });

  it('counts what the documents in frames contact and need, down to those inside them', () => {
    const inner =
      '<script src="https://deep.localhost/x.js"></script><form action="https://post.localhost/"></form>';
    const middle = `<iframe srcdoc="${escapeAttribute(inner)}"></iframe><img src="https://pictures.localhost/x.png">`;
    const reading = read(`<iframe title="t" srcdoc="${escapeAttribute(middle)}"></iframe>`, context);
    expect(reading.hosts.map(({ host, when }) => [host, when])).to.deep.equal([
      ['pictures.localhost', 'load'],
      ['deep.localhost', 'load'],
      ['post.localhost', 'use'],
    ]);
    expect([reading.needs.scripts, reading.needs.forms]).to.deep.equal([true, true]);
    expect(reading.addresses).to.deep.equal([]);
  });
});

describe('comparing two texts', () => {
  it('gives both back, run by run', () => {
    const words = fc
      .array(fc.constantFrom('<b>', 'a', ' ', '\n', 'x="1"', '&amp;', '🌌', '</b>'), { maxLength: 30 })
      .map((list) => list.join(''));
    fc.assert(
      fc.property(words, words, (before, after) => {
        const runs = compareTexts(before, after);
        const without = (kind: string): string =>
          runs
            .filter((run) => run.kind !== kind)
            .map((run) => run.text)
            .join('');
        expect([without('new'), without('gone')]).to.deep.equal([before, after]);
        if (before === after) expect(runs.every((run) => run.kind === 'same')).to.equal(true);
      }),
      { seed, numRuns: 800 },
    );
  });

  it('does not look for likeness where there is none', () => {
    const far = (letter: string): string => Array.from({ length: 3000 }, (_, i) => `${letter}${i}`).join(' ');
    expect(compareTexts(far('a'), far('b')).map(({ kind }) => kind)).to.deep.equal(['gone', 'new']);
  });
});
