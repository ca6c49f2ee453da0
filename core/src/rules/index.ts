/** In goes a reading, out come findings: one file a rule, all of one shape ({@link CodeRule}). */
import { rule as activeAddress } from './active-address.ts';
import { rule as clipOrder } from './clip-order.ts';
import { rule as cutOff } from './cut-off.ts';
import { rule as insecure } from './insecure.ts';
import { rule as linkTime } from './link-time.ts';
import { rule as noTitle } from './no-title.ts';
import { rule as soundAutoplay } from './sound-autoplay.ts';
import { rule as visibleCode } from './visible-code.ts';
import type { CodeRule } from './rule.ts';

export const rules: readonly CodeRule[] = [activeAddress, clipOrder, cutOff, insecure, linkTime, noTitle, soundAutoplay, visibleCode];
export type { CodeRule } from './rule.ts';
