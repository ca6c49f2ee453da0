/**
 * The spine of Orbis, one function a stage: `read`, `compose`, `previewDocument` (isolate) and `planPage` on the way to
 * the page; `scanPage` and `reconcile` on the way back. All of it is pure: text in, data out.
 */
export type { Facts, Reason } from './reason.ts';
export * from './code.ts';
export * from './text/index.ts';
export * from './reading/index.ts';
export { rules, type CodeRule } from './rules/index.ts';
export * from './sheets/index.ts';
export * from './options/index.ts';
export * from './settings/index.ts';
export * from './presentation/index.ts';
export * from './compose/index.ts';
export * from './plan/index.ts';
export * from './isolate/index.ts';
export * from './scan/index.ts';
export * from './harvest/index.ts';
export * from './links/index.ts';
export * from './learn/index.ts';
export * from './search/index.ts';
