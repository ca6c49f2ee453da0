/**
 * In goes the text of an inline script, out comes what it does, as far as that can be
 * told without running it.
 */
export { addressesIn, noScriptFacts, type ScriptFacts } from './facts.ts';
export { readScript } from './read-script.ts';
export { changeOptions, hasOptions, readOption } from './options.ts';
export { literalsOf } from './literals.ts';
