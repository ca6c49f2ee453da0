/** In goes a published page; out comes the page with nothing of it acting, cut where an embed is to stand. */
export { roomOnPage, type PageRequest, type PageWithRoom } from './room-on-page.ts';
export { type Beside, type PlaceOnPage } from './places.ts';
