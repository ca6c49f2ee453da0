import type { Piece } from './pieces.ts';

/**
 * A piece of a template: the same text in every sample that has it, or a hole with the number of its value.
 */
export interface TemplatePiece {
  /** Null for a hole. */
  text: string | null;
  /** Where a hole's values stand; empty where differing texts hold values together. */
  spot: string;
  /** Some samples do not have it. */
  optional: boolean;
}

/**
 * For each piece of a template: the sample's text of a hole, `''` for a constant that it has,
 * null for what it has not.
 */
export type TemplateValues = (string | null)[];

/**
 * What samples have in common, and what each has of its own: rendered with a sample's
 * values, it is that sample.
 */
export interface Template {
  pieces: TemplatePiece[];
  samples: TemplateValues[];
}

/* A piece of all samples: what each of them has there. */
interface Row {
  key: string;
  spot: string;
  texts: (string | null)[];
}

/**
 * Lays samples over each other: pieces with the same key are one, in an order that
 * keeps that of every sample.
 */
export function templateOf(samples: readonly (readonly Piece[])[]): Template {
  let rows: Row[] = [];
  samples.forEach((sample, number) => {
    const pairs = common(rows, sample);
    const merged: Row[] = [];
    let [r, s] = [0, 0];
    const takeRows = (end: number): void => {
      for (; r < end; r++) merged.push({ ...rows[r]!, texts: [...rows[r]!.texts, null] });
    };
    const takePieces = (end: number): void => {
      for (; s < end; s++)
        merged.push({
          key: sample[s]!.key,
          spot: sample[s]!.spot?.key ?? '',
          texts: [...Array<null>(number).fill(null), sample[s]!.text],
        });
    };
    for (const [row, piece] of pairs) {
      takeRows(row);
      takePieces(piece);
      merged.push({ ...rows[row]!, texts: [...rows[row]!.texts, sample[piece]!.text] });
      r = row + 1;
      s = piece + 1;
    }
    takeRows(rows.length);
    takePieces(sample.length);
    rows = merged;
  });
  const isConstant = ({ texts }: Row): boolean => new Set(texts.filter((text) => text !== null)).size === 1;
  return {
    pieces: rows.map((row) => ({
      text: isConstant(row) ? row.texts.find((text) => text !== null)! : null,
      spot: row.spot,
      optional: row.texts.includes(null),
    })),
    samples: samples.map((_, number) =>
      rows.map((row) => (isConstant(row) && row.texts[number] !== null ? '' : row.texts[number]!)),
    ),
  };
}

/** The text that a template is with these values. */
export const renderTemplate = ({ pieces }: Template, values: TemplateValues): string =>
  pieces
    .map(({ text }, i) => (values[i] === null || values[i] === undefined ? '' : (text ?? values[i])))
    .join('');

/* The longest sequence of keys that both have, in order, as pairs of places. */
function common(rows: readonly Row[], sample: readonly Piece[]): [number, number][] {
  const width = sample.length + 1;
  const lengths = new Uint16Array((rows.length + 1) * width);
  for (let r = rows.length - 1; r >= 0; r--)
    for (let s = sample.length - 1; s >= 0; s--)
      lengths[r * width + s] =
        rows[r]!.key === sample[s]!.key
          ? lengths[(r + 1) * width + s + 1]! + 1
          : Math.max(lengths[(r + 1) * width + s]!, lengths[r * width + s + 1]!);
  const pairs: [number, number][] = [];
  for (let [r, s] = [0, 0]; r < rows.length && s < sample.length;) {
    if (rows[r]!.key === sample[s]!.key) pairs.push([r++, s++]);
    else if (lengths[(r + 1) * width + s]! >= lengths[r * width + s + 1]!) r++;
    else s++;
  }
  return pairs;
}
