import fc from 'fast-check';
import { read } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { expectWhole, scraps, scrapTexts } from '../../core/test/support/scraps.ts';

const cases = 20_000;
const texts = 150;
const mebi = 1_048_576;

/**
 * A long run of generated texts, and a search for the megabyte that is slowest to read.
 * Seeded: every run is the same.
 */
export function fuzz(): string {
  const sheets = builtInSheets();
  fc.assert(
    fc.property(scrapTexts, (text) => expectWhole(text, read(text, { sheets }))),
    { seed: 1, numRuns: cases },
  );
  const piece = fc
    .array(fc.oneof(fc.constantFrom(...scraps), fc.stringMatching(/^[<>="'&;a-z {}()/#-]{1,6}$/)), {
      minLength: 1,
      maxLength: 5,
    })
    .map((pieces) => pieces.join(''));
  let slowest = { ms: 0, piece: '' };
  for (const repeated of fc.sample(piece, { seed: 2, numRuns: texts })) {
    const text = repeated.repeat(Math.floor(mebi / repeated.length));
    const from = performance.now();
    read(text, { sheets });
    const ms = performance.now() - from;
    if (ms > slowest.ms) slowest = { ms, piece: repeated };
  }
  return (
    `${cases} generated texts were read; none made the reader throw, and every reading tiles its text.\n` +
    `Of ${texts} generated texts of one MiB the slowest took ${slowest.ms.toFixed(0)} ms: ${JSON.stringify(slowest.piece)}, over and over.\n`
  );
}
