import { builtInPresets } from '@orbis/core';
import type { LooksOf } from './codes.ts';
import type { Look } from './options.ts';

/* What each preset is meant for. */
const of: Readonly<Record<string, LooksOf>> = {
  'map-beside-text': 'map',
  'form-like-text': 'form',
  'feed-on-panel': 'post',
  'quiet': 'map',
};

/** Each preset that comes with Orbis, on a code that it is meant for. */
export const presetLooks: readonly (Look & { key: string })[] = builtInPresets.map(({ key, options }) => ({
  key,
  of: of[key] ?? 'film',
  options,
}));
