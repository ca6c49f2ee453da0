/** In go a code and the dress; out comes one explained edit of the frame's own style. One file an option. */
export { dressNamed, dressNames, dressOptions } from './all.ts';
export { dress, shapeOf } from './dress.ts';
export type { Align, Dress, DressOption } from './option.ts';
