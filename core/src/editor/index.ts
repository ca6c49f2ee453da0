/** What a site’s editor lets through, what it makes of a code, and how that is learned. */
export {
  askedValues,
  asksTheSame,
  changesCodes,
  withoutFields,
  editorTakes,
  isTaken,
  openEditor,
  type AskedField,
  type EditorRules,
  type TakenNames,
} from './editor-rules.ts';
export { takenOut, throughEditor, type TakenOut } from './taken-out.ts';
export { learnEditor, type LearnedEditor, type OpenQuestion } from './learn-editor.ts';
export { readSpecimen, type PieceSeen } from './read-specimen.ts';
export { specimen, specimenWord, type SpecimenPlace } from './specimen.ts';
