/**
 * In go a few codes and links of a provider that no sheet knows; out comes a sheet for it, line by line with
 * its reasons, or why there is none.
 */
export * from './learned.ts';
export { learnLimits, learnSheet, type LearnContext } from './propose.ts';
export {
  renderTemplate,
  templateOf,
  type Template,
  type TemplatePiece,
  type TemplateValues,
} from './template.ts';
export { cut as cutSample } from './cut.ts';
