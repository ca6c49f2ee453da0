/**
 * In goes a code with its reading; out come the document that holds it, its policy and the sandbox tokens
 * that it is given.
 */
export { sandboxTokensOf, type SandboxToken } from './sandbox-tokens.ts';
export { inPageMarks, previewDocument, type PreviewDocument } from './preview.ts';
export type { ShownPage, ShownReading, ShownSheet } from './preview-options.ts';
export { isHost, originSource, writePolicy, type Directive } from './policy.ts';
