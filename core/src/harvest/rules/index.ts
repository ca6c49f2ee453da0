/** What can be wrong on a page as a whole: one file a rule, all of one shape ({@link PageRule}). */
import { rule as claimsCollide } from './claims-collide.ts';
import { rule as loaderMissing } from './loader-missing.ts';
import { rule as loaderRepeated } from './loader-repeated.ts';
import type { PageRule } from './rule.ts';

/** Every rule on a page, in alphabetical order. */
export const pageRules: readonly PageRule[] = [claimsCollide, loaderMissing, loaderRepeated];
export type { PageRule } from './rule.ts';
