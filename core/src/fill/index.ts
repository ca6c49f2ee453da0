/** In goes a file with comments that mark places; out comes the file with the codes between them. */
export { fillKinds, fillMarksIn, type FillFault, type FillKind, type FillMark } from './marks.ts';
export { canFill, fill } from './fill.ts';
