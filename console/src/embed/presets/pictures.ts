/* Drawn from the demo’s providers (npm run looks). */
const pictures = import.meta.glob<string>('./pictures/*.webp', {
  eager: true,
  query: '?url',
  import: 'default',
});

/** The picture of a preset that comes with Orbis; null for the owner’s own. */
export const pictureOfPreset = (key: string): string | null => pictures[`./pictures/${key}.webp`] ?? null;
