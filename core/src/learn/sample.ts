import { openCode, type Code } from '../code.ts';
import type { MarkupElement } from '../text/index.ts';
import { cut, type Cut } from './cut.ts';
import type { Piece, Spot } from './pieces.ts';

/** A sample that is read and cut. */
export interface Sample extends Cut {
  /** Which it is among the samples, from 1. */
  number: number;
  code: Code;
  /** What it is known by: its frame, else its script from elsewhere; null for a link. */
  target: { is: 'frame' | 'loader'; element: string; host: string } | null;
  /** The element that its script fills. */
  mount: { element: string; node: MarkupElement } | null;
}

/** Opens and cuts a sample. No sheet is needed: what is learned is not known yet. */
export function openSample(text: string, number: number): Sample {
  const code = openCode(text, { sheets: [] });
  const whole = cut(text);
  const labels = labelsOf(code.markup.elements);
  const frame = code.markup.elements.find(
    (node) => node.name === 'iframe' && hostIn(whole.pieces, labels.get(node)!) !== null,
  );
  const script = code.markup.elements.find(
    (node) => node.name === 'script' && hostIn(whole.pieces, labels.get(node)!) !== null,
  );
  const shown = frame ?? script;
  const target = shown
    ? ({
        is: frame ? 'frame' : 'loader',
        element: labels.get(shown)!,
        host: hostIn(whole.pieces, labels.get(shown)!)!,
      } as const)
    : null;
  const at = code.reading.parts.find(({ role }) => role === 'mount')?.start;
  const mount = frame ? undefined : code.markup.elements.find(({ start }) => start === at);
  return {
    ...whole,
    number,
    code,
    target,
    mount: mount ? { element: labels.get(mount)!, node: mount } : null,
  };
}

/** How the pieces of a code name its elements: by name, and which of that name it is. */
export function labelsOf(elements: readonly MarkupElement[]): ReadonlyMap<MarkupElement, string> {
  const counts = new Map<string, number>();
  return new Map(
    elements.map((node) => {
      const count = (counts.get(node.name) ?? 0) + 1;
      counts.set(node.name, count);
      return [node, `${node.name} ${count}`];
    }),
  );
}

const hostIn = (pieces: readonly Piece[], element: string): string | null =>
  pieces
    .find(({ spot }) => spot?.in === 'host' && spot.element === element && spot.attribute === 'src')
    ?.value.replace(/:\d+$/, '') ?? null;

/** A value's place, and its value in each sample; null where a sample has no such place. */
export interface Place {
  spot: Spot;
  values: (string | null)[];
}

/** Every place where some sample has a value, in the order in which they stand. */
export function placesIn(samples: readonly Pick<Sample, 'pieces'>[]): Place[] {
  const places = new Map<string, Place>();
  samples.forEach(({ pieces }, number) => {
    for (const { spot, value } of pieces) {
      if (!spot) continue;
      const place = places.get(spot.key) ?? { spot, values: Array<string | null>(samples.length).fill(null) };
      place.values[number] ??= value;
      places.set(spot.key, place);
    }
  });
  return [...places.values()];
}
