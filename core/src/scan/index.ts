/** In goes a published page and what the register expects on it; out comes what is really there. */
export { canonical } from './canonical.ts';
export { differencesOf } from './differences.ts';
export { standingInHead } from './in-head.ts';
export { lookAtPage, type LookedFor, type PageLook } from './look.ts';
export type { OtherEmbed, PageTrouble } from './others.ts';
export { reconcile, type Expected, type PageFinding, type PlacementSeen } from './reconcile.ts';
export { whichDocument } from './which-document.ts';
export { sameContent, scanPage, type MarkedCode, type PageSeen, type Span } from './scan-page.ts';
export { timesStanding, type Needed } from './standing.ts';
