import type { Options } from '../options/values.ts';

/** Options under one name, to put on embeds together. */
export interface Preset {
  /** Lower-case letters, digits and hyphens; what it is for stands in the language file under it. */
  key: string;
  options: Options;
}

/** The presets that come with Orbis. */
export const builtInPresets: readonly Preset[] = [
  {
    key: 'talk',
    options: { 'fit': 'shape', 'max-width': 800, 'align': 'centre', 'load': 'click', 'load-remember': true },
  },
  {
    key: 'moving-background',
    options: {
      'autoplay': true,
      'muted': true,
      'loop': true,
      'controls': false,
      'band': 420,
      'tint': '#000000',
      'tint-strength': 30,
    },
  },
  { key: 'silent-loop', options: { autoplay: true, muted: true, loop: true, controls: false, fit: 'shape' } },
  {
    key: 'upright-clip',
    options: {
      'fit': 'shape',
      'shape': { width: 9, height: 16 },
      'max-width': 360,
      'align': 'centre',
      'corners': 12,
    },
  },
  {
    key: 'map-beside-text',
    options: { 'fit': 'shape', 'shape': { width: 4, height: 3 }, 'max-width': 480, 'border': 1 },
  },
  { key: 'form-like-text', options: { 'max-width': 640, 'align': 'centre', 'space-above': 24 } },
  {
    key: 'feed-on-panel',
    options: { 'max-width': 560, 'align': 'centre', 'backdrop': '#f4efe6', 'backdrop-padding': 24 },
  },
  { key: 'quiet', options: { load: 'click' } },
  { key: 'fills-its-place', options: { fit: 'shape', align: 'centre' } },
  { key: 'discreet', options: { privacy: true, tracking: false } },
];
