/**
 * In goes a reading, out come findings: one file a rule, all of one shape ({@link CodeRule}), listed in
 * `all.ts` and asked by `check.ts`.
 */
export { rules } from './all.ts';
export { checkCode } from './check.ts';
export type { CodeRule } from './rule.ts';
