import type { Wishes } from './plan.ts';

/** Settings and dress under one name, to put on embeds together. */
export interface Preset extends Wishes {
  /** Lower-case letters, digits and hyphens. */
  key: string;
  /** One sentence for owners. */
  meaning: string;
}

/** The presets that come with Orbis. */
export const builtInPresets: readonly Preset[] = [
  {
    key: 'silent-loop',
    meaning: 'Plays by itself without sound, again and again, without buttons: for a moving background.',
    settings: { autoplay: true, muted: true, loop: true, controls: false },
    dress: { fit: 'shape' },
  },
  { key: 'fills-its-place', meaning: 'As wide as its place, in its own shape, in the middle.', settings: {}, dress: { fit: 'shape', align: 'centre' } },
  { key: 'discreet', meaning: 'The provider’s quieter address, and nothing in it that follows people.', settings: { privacy: true, tracking: false }, dress: {} },
];
