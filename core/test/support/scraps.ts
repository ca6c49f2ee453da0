import { expect } from 'chai';
import fc from 'fast-check';
import type { Reading } from '@orbis/core';

/** Pieces of markup, scripts and styles, to be put together in any order. */
export const scraps = [
  '<iframe src="',
  '<script>',
  '</script>',
  '<style>',
  '</style>',
  'var a=',
  '"https://a.localhost/x"',
  ';',
  '{',
  '}',
  '(',
  ')',
  '<div id=x class="y z">',
  '</div>',
  '<noscript>',
  '</noscript>',
  '<!--',
  '-->',
  '<form>',
  '<input name=a>',
  '&lt;',
  '&amp;lt;',
  '“',
  '”',
  '=',
  '<svg>',
  '<math>',
  '<![CDATA[',
  ']]>',
  '<table><tr>',
  '<p>',
  '<li>',
  '<a href=x>',
  '<img srcset="a 1x, b 2x">',
  '<video autoplay>',
  '<template>',
  '<plaintext>',
  '<textarea>',
  '```',
  '\r\n',
  '\u0000',
  '🌌',
  '@import "x";',
  'a{b:c}',
  'window.x=1',
  'document.write("<b>")',
  '<meta http-equiv=refresh content="0;url=x">',
  '<object data=x>',
  '</body></html>',
];

/** Texts of such pieces and of any characters. */
export const scrapTexts = fc
  .array(fc.oneof(fc.constantFrom(...scraps), fc.string({ unit: 'grapheme', maxLength: 6 })), {
    maxLength: 18,
  })
  .map((pieces) => pieces.join(''));

/**
 * Holds of every reading: its parts tile the text and never cross, and every place and index is
 * within what it counts in.
 */
export function expectWhole(text: string, reading: Reading): void {
  let at = 0;
  for (const part of reading.parts) {
    expect(part.end).to.be.greaterThan(part.start);
    if (part.inside === null) {
      expect(part.start).to.equal(at);
      at = part.end;
    } else {
      const outer = reading.parts[part.inside]!;
      expect(part.start >= outer.start && part.end <= outer.end, 'a part crosses the one around it').to.equal(
        true,
      );
    }
    for (const served of part.of) expect(reading.parts[served]).to.be.an('object');
  }
  if (text !== '') expect(at).to.equal(text.length);
  for (const { start, end, part } of reading.addresses)
    expect(0 <= start && start <= end && end <= text.length && reading.parts[part] !== undefined).to.equal(
      true,
    );
  for (const { start, end, line, column, mend } of reading.findings) {
    expect(0 <= start && start <= end && end <= text.length && line >= 1 && column >= 1).to.equal(true);
    for (const edit of mend)
      expect(0 <= edit.start && edit.start <= edit.end && edit.end <= text.length).to.equal(true);
  }
  for (const embed of reading.embeds)
    for (const index of embed.parts) expect(reading.parts[index]).to.be.an('object');
}
