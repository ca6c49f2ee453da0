import { expect } from 'chai';
import fc from 'fast-check';
import { lookAtPage, type Expected } from '@orbis/core';

/* A code as it is written in a page, in several ways that say the same. */
interface Element {
  name: string;
  attributes: readonly (readonly [string, string])[];
  inside: readonly (Element | string)[];
}
type Writing = 'plain' | 'small' | 'loud' | 'airy';

const element = (
  name: string,
  attributes: Record<string, string>,
  ...inside: (Element | string)[]
): Element => ({ name, attributes: Object.entries(attributes), inside });

const text = (value: string): string => value.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

function write({ name, attributes, inside }: Element, how: Writing): string {
  const tag = how === 'loud' ? name.toUpperCase() : name;
  const all = how === 'plain' ? attributes : [...attributes].reverse();
  const written = all.map(([key, value]) => {
    if (how === 'small' && /^[\w.:/-]+$/.test(value)) return `${key}=${value}`;
    const escaped = value.replaceAll('&', '&amp;');
    return how === 'loud' ? `${key.toUpperCase()}='${escaped}'` : `${key}="${escaped}"`;
  });
  const content = inside.map((each) =>
    typeof each !== 'string' ? write(each, how) : name === 'script' || name === 'style' ? each : text(each),
  );
  const between = how === 'airy' && inside.every((each) => typeof each !== 'string') ? '\n  ' : '';
  return `<${[tag, ...written].join(how === 'airy' ? '\n' : ' ')}>${between}${content.join(between)}${between}</${tag}>`;
}

/* What codes are made of: each shows something of its own, by its number. */
const kinds: readonly ((number: number) => Element[])[] = [
  (n) => [
    element('iframe', {
      src: `https://kinorill.localhost/p/${n}?a=1&b=2`,
      title: 'Talk',
      allow: 'fullscreen',
    }),
  ],
  (n) => [
    element('div', { class: 'map', id: `map${n}` }, element('p', {}, 'The way up')),
    element('script', { src: `https://mapmere.localhost/m.js?id=${n}`, async: '' }),
  ],
  (n) => [
    element(
      'form',
      { action: `https://formwold.localhost/f/${n}`, method: 'post' },
      element('input', { name: 'mail', type: 'email' }),
      element('button', {}, 'Sign up & see'),
    ),
  ],
  (n) => [
    element('blockquote', { cite: `https://fennfeed.localhost/${n}` }, 'Stars'),
    element('script', {}, `feed(${n} < 9)`),
  ],
];

const marks = ['attribute', 'class', 'comment', 'none'] as const;

interface Code {
  id: string;
  number: number;
  kind: number;
  mark: (typeof marks)[number];
}

/* With its mark, and in the order of the page; the comment of a mark stands before the rest. */
function elementsOf({ id, number, kind, mark }: Code): { comment: string; elements: Element[] } {
  const [first, ...rest] = kinds[kind]!(number);
  const own =
    mark === 'attribute'
      ? { ...first!, attributes: [['data-orbis', `${id}.1`] as const, ...first!.attributes] }
      : mark === 'class'
        ? {
            ...first!,
            attributes: [
              ...first!.attributes.filter(([name]) => name !== 'class'),
              ['class', `orbis-${id}-1`] as const,
            ],
          }
        : first!;
  return { comment: mark === 'comment' ? `<!--orbis ${id}.1-->` : '', elements: [own, ...rest] };
}

const written = (code: Code, how: Writing = 'plain', comments = true): string => {
  const { comment, elements } = elementsOf(code);
  const gap = how === 'airy' ? '\n\n' : how === 'small' ? '' : '\n';
  return `${comments ? comment : ''}${elements.map((each) => write(each, how)).join(gap)}`;
};

/* What may become of a code on its way to the page, and what that leaves there. */
const fates = [
  ...['kept', 'small', 'loud', 'airy', 'boxed', 'no-comments', 'note-before'],
  ...['doubled', 'gone', 'escaped', 'commented-out', 'in-template', 'in-field', 'in-script'],
  ...['attribute-gone', 'value-changed', 'words-changed', 'inner-gone', 'cut'],
] as const;
type Fate = (typeof fates)[number];

const escaped = (html: string): string => text(html).replaceAll('>', '&gt;');

/* The code on the page; `cut` stops in the middle of its first tag, and nothing follows. */
function mutilated(code: Code, fate: Fate): string {
  const { comment, elements } = elementsOf(code);
  const [first, ...rest] = elements;
  const withFirst = (other: Element): string =>
    comment + [other, ...rest].map((each) => write(each, 'plain')).join('\n');
  switch (fate) {
    case 'small':
    case 'loud':
    case 'airy':
      return written(code, fate);
    case 'boxed':
      return `<div class="box"><section>${written(code)}</section></div>`;
    case 'no-comments':
      return written(code, 'plain', false);
    case 'note-before':
      return `<!-- put here by Ivo -->${written(code)}<!-- end -->`;
    case 'doubled':
      return `${written(code)}<p>Once more:</p>${written(code)}`;
    case 'gone':
      return '';
    case 'escaped':
      return `<p>${escaped(written(code))}</p>`;
    case 'commented-out':
      return `<!-- ${written(code, 'plain', false)} -->`;
    case 'in-template':
      return `<template>${written(code)}</template>`;
    case 'in-field':
      return `<textarea>${written(code)}</textarea>`;
    case 'in-script':
      return `<script type="text/plain">${escaped(written(code))}</script>`;
    case 'attribute-gone':
      return withFirst({
        ...first!,
        attributes: first!.attributes.filter(([name]) => !['src', 'id', 'action', 'cite'].includes(name)),
      });
    case 'value-changed':
      return withFirst({
        ...first!,
        attributes: first!.attributes.map(([name, value]) => [
          name,
          ['src', 'id', 'action', 'cite'].includes(name) ? `${value}0` : value,
        ]),
      });
    case 'words-changed':
      return withFirst({ ...first!, inside: [...first!.inside, 'Others'] });
    case 'inner-gone':
      // Of a code of one element without anything in it, that is the element itself.
      return rest.length > 0 ? comment + write(first!, 'plain') : withFirst({ ...first!, name: 'object' });
    case 'cut':
      return written(code).slice(0, comment.length + 12);
    case 'kept':
      return written(code);
  }
}

/* What is right to say of a code to which that was done: whoever did it knows. */
function truth({ mark }: Code, fate: Fate): { state: string; rules: string[] } {
  const isMarked = mark !== 'none';
  switch (fate) {
    case 'doubled':
      return { state: 'live', rules: ['doubled'] };
    case 'escaped':
      return { state: 'missing', rules: [...(isMarked ? ['shown-as-text'] : []), 'missing'] };
    case 'gone':
    case 'commented-out':
    case 'in-template':
    case 'in-field':
    case 'in-script':
    case 'cut':
      return { state: 'missing', rules: ['missing'] };
    case 'attribute-gone':
    case 'value-changed':
    case 'words-changed':
    case 'inner-gone':
      return isMarked ? { state: 'altered', rules: ['altered'] } : { state: 'missing', rules: ['missing'] };
    default:
      return { state: 'live', rules: [] };
  }
}

const code = fc.record({
  kind: fc.nat(kinds.length - 1),
  mark: fc.constantFrom(...marks),
  fate: fc.constantFrom(...fates),
});
/* Between the codes: words, pictures, and markup that is not closed. */
const filler = fc.constantFrom(
  '<p>Clear skies',
  '<p>From 8 pm</p>',
  '<img src="/a.jpg" alt="">',
  '',
  '<ul><li>Bring a coat',
  'a < b',
);

describe('a mutilated page', () => {
  it('tells of 10,000 what is there and what is not, as whoever did it knows', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(code, filler), { minLength: 1, maxLength: 5 }),
        fc.infiniteStream(fc.nat(1000)),
        (pieces, order) => {
          const placed = pieces.map(([piece, between], i) => ({
            ...piece,
            between,
            number: 10 + i,
            id: `000000000${i + 1}`,
            at: order.next().value as number,
          }));
          // A cut ends the page, so that it comes last; all else stands in any order.
          const shuffled = [...placed].sort(
            (a, b) => Number(a.fate === 'cut') - Number(b.fate === 'cut') || a.at - b.at,
          );
          const end = shuffled.findIndex(({ fate }) => fate === 'cut');
          const isLost = (index: number): boolean => end >= 0 && index > end;
          const html = shuffled
            .filter((_, index) => !isLost(index))
            .map((each) => `<div>${each.between}</div>${mutilated(each, each.fate)}`)
            .join('\n');
          const expected: Expected[] = placed.map((each) => ({
            placement: each.id,
            seenBefore: true,
            issued: new Map([[1, written(each)]]),
          }));
          const seen = lookAtPage(`<!doctype html><html><body><h1>Talks</h1>${html}`, {
            ...{ address: 'https://hollinfell.localhost/', inHead: [], needed: [], expected },
          });
          for (const [i, each] of placed.entries()) {
            const wanted = truth(each, isLost(shuffled.indexOf(each)) ? 'gone' : each.fate);
            const { state, findings } = seen.placements[i]!;
            const what = `${each.mark}, ${each.fate}\n${html}`;
            expect(state, what).to.equal(wanted.state);
            expect(
              findings.map(({ rule }) => rule),
              what,
            ).to.have.members(wanted.rules);
          }
        },
      ),
      { numRuns: 10_000, seed: 19 },
    );
  });
});
