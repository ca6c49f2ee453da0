/**
 * In go an address and the sheets at hand; out come the sheet that knows it, the
 * item's id, and a code made of it.
 */
export * from './sheet.ts';
export {
  canCompile,
  matchFrame,
  matchId,
  matchLink,
  isMountOf,
  sheetOfFile,
  sheetOfFrame,
  sheetOfLoader,
  sheetOfMount,
  type SheetMatch,
} from './match.ts';
export { itemOf } from './item.ts';
export { clipIn, clipOf, switchIn } from './read-values.ts';
export { readTime, writeTime } from './time-format.ts';
export { nameOf as nameOfAddress } from './render.ts';
export { codeFromId, codeFromLink, directLink, matchOfId, oembedEndpoint } from './render.ts';
