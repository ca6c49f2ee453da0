/** In goes a published page and what the register expects on it; out comes what is really there. */
export { canonical } from './canonical.ts';
export { standingInHead } from './in-head.ts';
export { reconcile, type Expected, type PageFinding, type PlacementSeen } from './reconcile.ts';
export { whichDocument } from './which-document.ts';
export { sameContent, scanPage, type MarkedCode, type PageSeen } from './scan-page.ts';
