import type { Options } from '../options/values.ts';

/** Options under one name, to put on embeds together. */
export interface Preset {
  /** Lower-case letters, digits and hyphens; what it is for stands in the language file under it. */
  key: string;
  options: Options;
}

/** The presets that come with Orbis. */
export const builtInPresets: readonly Preset[] = [
  { key: 'silent-loop', options: { autoplay: true, muted: true, loop: true, controls: false, fit: 'shape' } },
  { key: 'fills-its-place', options: { fit: 'shape', align: 'centre' } },
  { key: 'discreet', options: { privacy: true, tracking: false } },
];
