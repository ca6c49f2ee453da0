/** In goes the text of an inline script, out comes what it does, as far as that can be told without running it. */
export { addressesIn, looksLikeAddress, noScriptFacts, type ScriptFacts } from './facts.ts';
export { readScript, scriptBudget } from './read-script.ts';
export { changeOptions, hasOptions, readOption } from './options.ts';
export { literalsOf, type ScriptLiteral } from './literals.ts';
