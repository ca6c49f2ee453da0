/** How an embed stands on its page: its width, its shape, its place. One file an option. */
export { presentation } from './all.ts';
export { shapeOf } from './shape-of.ts';
