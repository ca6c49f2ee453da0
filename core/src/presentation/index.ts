/** How an embed stands on its page: its width, its shape, its place, and what stands beside and over it. */
export { presentation } from './all.ts';
export { isFrameAlone } from './alone.ts';
export { contentOf, type Content } from './beside/content.ts';
export { shapeOf } from './size/shape-of.ts';
export { bringsLoader } from './loading/loader.ts';
export { removable, type Removable } from './parts/removable.ts';
