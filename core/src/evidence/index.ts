/** What a browser saw of what is placed on a page, and what is wrong with that. */
export { lostSince, type Lost } from './lost-since.ts';
export { isOfLook, judgeSeen, type SeenFinding } from './judge-seen.ts';
export type { SeenAtWidth, SeenBox, SeenPlaced, SeenPlaying } from './seen-on-page.ts';
