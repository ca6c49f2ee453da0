/**
 * In go the placements of a page with their codes, and the site; out comes what is pasted at each position,
 * what only once is said once.
 */
export { planPage, type PagePlan } from './plan-page.ts';
export { blockStands, type Block, type BlockStands } from './around.ts';
export type { PlannedSite } from './planned-site.ts';
export type { PlannedSnippet } from './planned-snippet.ts';
export { planActions, type PlanAction, type PlanStep } from './steps.ts';
export type { Carried, LeavingPlacement, PlannedPlacement, StandsElsewhere } from './planned-placement.ts';
export { composeAtPlace } from './at-place.ts';
export { forEditorFindings } from './editor-findings.ts';
export {
  composeForEditor,
  editorForms,
  type EditorComposition,
  type EditorForm,
  type ForEditor,
  type PlacedComposition,
} from './forms.ts';
export type { SiteHead } from './site-head.ts';
export { onceKinds, snippetForSite, type OnceKind, type OncePerPage } from './once.ts';
export { hasShared } from './shared.ts';
export type { PlanFinding } from './plan-finding.ts';
export { claimsAlone, type KeptApart } from './keep-apart.ts';
export {
  spotDevices,
  type SpotDevice,
  type SpotHeights,
  type SpotRoom,
  type SpotWidths,
} from './spot-room.ts';
export { measuredWidths, type MeasuredWidths } from './measured-widths.ts';
export { fixedSizes, type FixedSize, type FixedSizeName } from './fixed-sizes.ts';
