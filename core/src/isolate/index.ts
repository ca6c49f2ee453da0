/** In goes a code with its reading; out come the document that holds it, its policy and the powers that it is given. */
export { powersOf, type Power } from './powers.ts';
export { previewDocument, type PreviewDocument } from './preview.ts';
export { isHost, originSource, writePolicy, type Directive } from './policy.ts';
