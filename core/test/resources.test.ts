import { expect } from 'chai';
import fc from 'fast-check';
import {
  fitsRoom,
  fittingFilm,
  judgeClip,
  judgeResource,
  openCode,
  resourcesIn,
  type Asked,
  type ResourceAnswer,
} from '@orbis/core';

const loaded = (text: string): string[] =>
  resourcesIn(text, openCode(text, { sheets: [] }).reading.addresses).map(
    ({ use, address, clip }) => `${use} ${address}${clip ? ` ${clip.start}-${clip.end}` : ''}`,
  );

describe('what a code loads', () => {
  for (const [what, text, expected] of [
    [
      'a frame, without what only a browser reads',
      '<iframe src="//play.kinorill.localhost/film/a?from=112#x" title="A"></iframe>',
      ['frame https://play.kinorill.localhost/film/a?from=112'],
    ],
    [
      'a script, a style sheet, and a link',
      '<link rel="stylesheet" href="https://a.localhost/a.css"><a href="https://a.localhost/all">All</a><script async src="https://a.localhost/a.js"></script>',
      [
        'stylesheet https://a.localhost/a.css',
        'link https://a.localhost/all',
        'script https://a.localhost/a.js',
      ],
    ],
    [
      'several parts of one film, its picture and its captions',
      '<video poster="https://a.localhost/p.jpg" controls><source src="https://a.localhost/f.mp4#t=5,1:10"><track src="https://b.localhost/en.vtt" kind="captions"></video>',
      [
        'image https://a.localhost/p.jpg',
        'media https://a.localhost/f.mp4 5-70',
        'captions https://b.localhost/en.vtt',
      ],
    ],
    [
      'not where a form sends to, what has no host, nor what a script is told',
      '<form action="https://a.localhost/send"><input name="a"></form><img src="p.png" alt=""><div data-feed="https://a.localhost/feed.json"></div><img src="data:image/gif;base64,AAAA" alt="">',
      [],
    ],
  ] as const)
    it(`is ${what}`, () => expect(loaded(text)).to.deep.equal(expected));

  it('is each thing once, and not more than can be asked for', () => {
    const frame = '<img src="https://a.localhost/a.png" alt="">';
    expect(loaded(frame.repeat(5))).to.have.length(1);
    const many = Array.from({ length: 90 }, (_, i) => `<img src="https://a.localhost/${i}.png" alt="">`);
    expect(loaded(many.join(''))).to.have.length(60);
  });
});

const asked = (over: Partial<Asked> = {}): Asked => ({
  ...{ use: 'frame', address: 'https://play.localhost/film/a', fails: 1, slows: 1 },
  ...{ certificateDays: null, room: null },
  ...over,
});
const content = (over: Partial<Extract<ResourceAnswer, { as: 'content' }>> = {}): ResourceAnswer => ({
  ...{ as: 'content', at: 'https://play.localhost/film/a', isMoved: false, took: 40, type: 'text/html' },
  ...{ framing: null, size: null, media: null, isShared: true },
  ...over,
});
const film = { type: 'video/mp4', width: 1280, height: 720, length: 60, bytes: 12_000_000, ranges: true };
const media = (
  over: Partial<typeof film> | { type: string | null } = {},
  type = 'video/mp4',
): ResourceAnswer => content({ type, media: { ...film, ...over } });
const told = (how: Partial<Asked>, answer: ResourceAnswer): string[] =>
  judgeResource(asked(how), answer).map(
    ({ rule, level, ofHost }) => `${level} ${rule}${ofHost ? ' of the host' : ''}`,
  );

describe('what is wrong with what embeds load', () => {
  for (const [what, how, answer, expected] of [
    ['nothing', {}, content(), []],
    ['what is not asked for', {}, { as: 'unasked', why: 'x' }, []],
    ['silence', {}, { as: 'silence', why: 'x' }, ['error resource-silent of the host']],
    ['silence for the first time', { fails: 0 }, { as: 'silence', why: 'x' }, []],
    [
      'a server that fails',
      {},
      { as: 'refusal', status: 502, why: 'x' },
      ['error resource-silent of the host'],
    ],
    ['404', {}, { as: 'refusal', status: 404, why: 'x' }, ['error resource-gone']],
    ['404 of a link', { use: 'link' }, { as: 'refusal', status: 404, why: 'x' }, ['warning resource-gone']],
    ['410', {}, { as: 'refusal', status: 410, why: 'x' }, ['error resource-gone']],
    ['404 for the first time', { fails: 0 }, { as: 'refusal', status: 404, why: 'x' }, []],
    ['403', {}, { as: 'refusal', status: 403, why: 'x' }, ['note resource-barred of the host']],
    ['that it moved', {}, content({ isMoved: true, at: 'https://b.localhost/' }), ['note resource-moved']],
    ['that it leads back to itself', {}, content({ isMoved: true }), []],
    [
      'a page that refuses frames',
      {},
      content({ framing: { code: 'frame-option-deny', facts: {} } }),
      ['error frame-refused of the host'],
    ],
    ['a certificate of 15 days', { certificateDays: 15 }, content(), []],
    [
      'a certificate of 14 days',
      { certificateDays: 14 },
      content(),
      ['warning certificate-ends of the host'],
    ],
    ['a certificate of 3 days', { certificateDays: 3 }, content(), ['error certificate-ends of the host']],
    ['5 seconds', {}, content({ took: 5000 }), []],
    ['more than 5 seconds, twice', {}, content({ took: 5001 }), ['note resource-slow of the host']],
    ['more than 5 seconds, once', { slows: 0 }, content({ took: 9000 }), []],
    [
      'a script of another size',
      { use: 'script' },
      content({ size: { now: 90_000, before: 40_000 } }),
      ['note script-resized'],
    ],
    [
      'a script of much the same size',
      { use: 'script' },
      content({ size: { now: 50_000, before: 40_000 } }),
      [],
    ],
    ['a small script of another size', { use: 'script' }, content({ size: { now: 900, before: 100 } }), []],
    ['captions for all', { use: 'captions' }, content(), []],
    ['captions for nobody', { use: 'captions' }, content({ isShared: false }), ['error captions-barred']],
    ['a good film', { use: 'media', room: 900 }, media(), []],
    [
      'a film as a download',
      { use: 'media' },
      media({}, 'application/octet-stream'),
      ['error file-mistyped'],
    ],
    [
      'a page instead of a film',
      { use: 'media' },
      media({ type: null }, 'text/html'),
      ['error file-mistyped'],
    ],
    ['a picture called a film', { use: 'media' }, media({ type: 'image/png' }), ['error file-mistyped']],
    ['no ranges', { use: 'media' }, media({ ranges: false }), ['warning file-without-ranges']],
    ['a film for a small spot', { use: 'media', room: 360 }, media(), ['warning file-too-large']],
    ['a heavy film', { use: 'media', room: 900 }, media({ bytes: 90_000_000 }), ['warning file-too-large']],
    ['a film in no spot', { use: 'media', room: null }, media({ bytes: 90_000_000 }), []],
  ] as [string, Partial<Asked>, ResourceAnswer, string[]][])
    it(`${what}: ${expected.length === 0 ? 'nothing' : expected.join(', ')}`, () =>
      expect(told(how, answer)).to.deep.equal(expected));
});

describe('a part of a film', () => {
  for (const [start, end, length, expected] of [
    [0, null, 60, null],
    [10, 60, 60, null],
    [10, 61, 60, null],
    [10, 62, 60, 'warning'],
    [60, null, 60, 'error'],
    [90, 95, 60, 'error'],
  ] as const)
    it(`from ${start} to ${end ?? 'its end'} of ${length} seconds: ${expected ?? 'is there'}`, () =>
      expect(judgeClip({ start, end }, length)?.level ?? null).to.equal(expected));
});

describe('a film that fits its spot', () => {
  const size = fc.record({
    width: fc.integer({ min: 2, max: 8000 }),
    height: fc.integer({ min: 2, max: 8000 }),
  });
  it('has the shape of the film, is never wider, and even', () =>
    fc.assert(
      fc.property(size, fc.integer({ min: 100, max: 2000 }), (film, room) => {
        const { width, height } = fittingFilm(film, room);
        expect([width % 2, height % 2]).to.deep.equal([0, 0]);
        expect(width).to.be.at.most(film.width + 1);
        expect(width).to.be.at.most(room * 1.5 + 1);
        // To within the rounding to whole pairs.
        expect(Math.abs(height - (width * film.height) / film.width)).to.be.at.most(
          Math.max(2, 1 + film.height / film.width),
        );
      }),
    ));
  it('fits: what would do is not told as too large', () =>
    fc.assert(
      fc.property(size, fc.integer({ min: 100, max: 2000 }), (film, room) => {
        const { width, height, kilobits } = fittingFilm(film, room);
        const length = 100;
        const bytes = (kilobits * 1000 * length) / 8;
        expect(fitsRoom({ width, height, length, bytes }, room)).to.equal(true);
      }),
    ));
  it('is none where nothing is known of it', () =>
    expect(fitsRoom({ width: null, height: null, length: null, bytes: 9e9 }, 300)).to.equal(true));
});
