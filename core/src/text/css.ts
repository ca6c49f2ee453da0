import { fork, type CssNode, type ParseOptions } from 'css-tree';

type Parse = (text: string, options: ParseOptions) => CssNode;

/* Texts of about the same length share a parser; another one takes 10 ms to make. */
const [shortest, longest] = [128, 32_768];
const parsers = new Map<number, Parse>();

/* A token is a character at least, all blanks behind it are one, and one more marks the end. */
const beyond = 8;

/**
 * Reads a style. css-tree 3 looks at the place of its list of tokens whose number is the length of its text;
 * what an earlier text has written there can make it stand still. So texts share a parser only with others
 * that are made as long, by blanks behind them, as none of them has tokens. Offsets at its end may go beyond
 * the text.
 */
export function parseCss(text: string, options: ParseOptions): CssNode {
  const size = sizeFor(text.length);
  if (size === null) return fork({}).parse(text, options);
  const parse = parsers.get(size) ?? fork({}).parse;
  parsers.set(size, parse);
  return parse(text.padEnd(size + beyond), options);
}

/* The next power of two; null where a text is so long that a parser of its own costs little beside it. */
function sizeFor(length: number): number | null {
  let size = shortest;
  while (size < length) size *= 2;
  return size <= longest ? size : null;
}
