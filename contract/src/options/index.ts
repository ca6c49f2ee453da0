/**
 * Options as they cross a wire, and as people type and read them. All of it is made from the core’s table.
 */
export { manyErrors, optionErrors, refuseProblems, serializeProblem } from './problems.ts';
export {
  formatOptions,
  knownOption,
  optionsInWords,
  optionsLine,
  parseOptions,
  unknownOption,
} from './words.ts';
export { optionsOfRules } from './rules.ts';
