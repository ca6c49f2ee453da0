import { RecordUnfit } from '@orbis/contract';

/* A line is at most so long, in bytes: a code of 1 MiB may stand in it twice, each character as six bytes. */
const longest = 16 * 1024 * 1024;
const lineEnd = 0x0a;

/** A line of a text that comes in pieces, with its number from 1. */
export interface NumberedLine {
  number: number;
  bytes: Uint8Array;
}

/**
 * The lines of a text as it comes in; empty ones are passed over. No more than one line is kept.
 * @throws RecordUnfit where a line is longer than a record can be
 */
export async function* linesIn(input: AsyncIterable<Uint8Array>): AsyncGenerator<NumberedLine> {
  let pieces: Uint8Array[] = [];
  let [length, number] = [0, 0];
  const whole = (): NumberedLine => {
    const bytes = Buffer.concat(pieces);
    pieces = [];
    length = 0;
    return { number: ++number, bytes };
  };
  for await (const chunk of input) {
    let from = 0;
    for (let at = chunk.indexOf(lineEnd); at >= 0; at = chunk.indexOf(lineEnd, from)) {
      pieces.push(chunk.subarray(from, at));
      from = at + 1;
      const line = whole();
      if (line.bytes.length > 0) yield line;
    }
    pieces.push(chunk.subarray(from));
    length += chunk.length - from;
    if (length > longest) throw new RecordUnfit('it is longer than any record is');
  }
  if (length > 0) yield whole();
}
