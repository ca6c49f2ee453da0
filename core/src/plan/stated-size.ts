import { openCode } from '../code.ts';
import { snippetText } from '../compose/snippet.ts';
import { frameOf } from '../presentation/target.ts';
import type { PlacedComposition } from './forms.ts';

/** The size that what is handed out for a spot keeps to, in CSS px. */
export interface StatedSize {
  /** Wherever it stands; 0 where it follows its place. */
  width: number;
  /** How high it is where it is so wide; 0 where nothing says it. */
  heightAt(width: number): number;
}

/** Reads what a composition hands out for its spot, for the size that it states. */
export function statedSize({ snippets }: Pick<PlacedComposition, 'snippets'>): StatedSize {
  const code = openCode(snippetText(snippets.find(({ position }) => position === 'spot')!), { sheets: [] });
  const { width, height, ratio } = code.reading.size;
  const frame = frameOf(code);
  const declared = frame && code.inside.declarations(frame);
  // A height of “auto”, or in per cent of a box that holds a shape: it goes by the width.
  const follows = ratio !== null && /^(?:auto|[\d.]{1,8}%)/.test(declared?.get('height') ?? '');
  const sides = [declared?.get('width'), declared?.get('max-width')].filter(
    (side) => side !== undefined && !/^(?:none|auto)\b/.test(side),
  );
  // In per cent of its place, or by a sum: it gives way.
  const least = sides.map((side) => Number(/^(\d{1,5})px\b/.exec(side!)?.[1] ?? 0));
  return {
    width: width?.unit === 'px' ? Math.min(width.value, ...least) : 0,
    heightAt: (wide) => {
      if (follows || (height === null && ratio !== null)) return Math.round(wide / ratio);
      return height?.unit === 'px' ? height.value : 0;
    },
  };
}
