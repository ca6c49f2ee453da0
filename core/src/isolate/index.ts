/**
 * In goes a code with its reading; out come the document that holds it, and its policy.
 */
export { inPageMarks, previewDocument, type PreviewDocument } from './preview.ts';
export type { ShownPage, ShownReading, ShownSheet } from './preview-options.ts';
export { isHost, originSource, writePolicy, type Directive } from '../text/policy.ts';
