import type { Options } from '@orbis/core';
import type { Rules } from '../resources.ts';

/** What the owner’s rules ask of every embed. */
export const optionsOfRules = ({ dropTracking }: Rules): Options => (dropTracking ? { tracking: false } : {});
