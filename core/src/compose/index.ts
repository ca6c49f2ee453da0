/**
 * In go a code, options and a mark; out come the edits with their reasons, and the snippets to paste, each
 * character traced to the paste or to a reason.
 */
export { compose } from './compose.ts';
export type { Circumstances, Composition, Framed } from './composition.ts';
export { bringsListener } from './framed.ts';
export { composeLevels, type LevelledComposition } from './levels.ts';
export { classFor } from './apart.ts';
export { current } from './current.ts';
export {
  markedElement,
  neutralMark,
  readMark,
  showsServed,
  textWithoutMark,
  withMark,
  writeMark,
  type Mark,
} from './mark.ts';
export { builtInPresets, type Preset } from './presets.ts';
export type { Loss } from './settle.ts';
export { picturesOf } from './pictures.ts';
export { positions, type SnippetPosition } from '../options/position.ts';
export {
  documentText,
  fileAddress,
  publishedText,
  runsOf,
  snippetText,
  type Run,
  type Snippet,
} from './snippet.ts';
export { allOptions, optionNamed, optionNames, optionsFor } from './table.ts';
export type { AskedChange, Asker } from './changes.ts';
