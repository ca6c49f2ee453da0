/**
 * In goes a pasted text and the provider sheets; out comes a {@link Reading}: what Orbis understood of it.
 */
export * from './reading.ts';
export { limits, loneSurrogate } from './limits.ts';
export { hostOf } from './addresses.ts';
export { directOf } from './direct.ts';
export { keptAt } from './kept-at.ts';
export { linkIn, linksIn } from './input.ts';
export { mend, type Mended } from './mend.ts';
export { read, sheetOf, type ReadingContext } from './read.ts';
export { kindWords } from './kind/index.ts';
