import { fork, parse, type CssNode, type ParseOptions } from 'css-tree';

/* Up to so many characters texts share a parser; another one takes 10 ms to make. */
const shared = 4096;

/**
 * Reads a style. css-tree 3 looks at the place behind its tokens that is as far as its text is long; what an
 * earlier text has written there can make it stand still. So no text that shares a parser is shorter than
 * another one was: blanks are put behind it. Offsets at its end may go beyond the text.
 */
export const parseCss = (text: string, options: ParseOptions): CssNode =>
  text.length > shared ? fork({}).parse(text, options) : parse(text.padEnd(shared + 1), options);
