import type { SettingPlace } from '../sheets/sheet.ts';

/** Where a value stands in a code, as a sheet would say it, and in which element. */
export interface Spot {
  /** The same in every sample: `iframe src ?from`, `div data-of`. */
  key: string;
  /** The element's name and which of that name it is, such as `iframe 1`. */
  element: string;
  in: SettingPlace['in'] | 'host' | 'scheme' | 'text' | 'literal';
  /**
   * Of the parameter, attribute or member (dots from the outside in); of a step of a path, its number from 0.
   */
  name: string;
  /** The attribute that holds an address or JSON. */
  attribute?: string;
  /** What a script calls with the object, or assigns it to. */
  call?: string;
}

/**
 * A piece of a sample: what may differ between samples stands at a spot, everything else is as it is written.
 */
export interface Piece {
  /** What tells that a piece of another sample is the same one. */
  key: string;
  /** As it is written, byte for byte. */
  text: string;
  /** Null for what only holds values together. */
  spot: Spot | null;
  /** What it means, decoded. */
  value: string;
}

/** The pieces of a text in their order; put together they are the text. */
export class Pieces {
  readonly all: Piece[] = [];
  readonly #text: string;
  #at = 0;

  constructor(text: string) {
    this.#text = text;
  }

  /**
   * Everything up to here is as it is written; `context` tells where, so that it is found in another sample.
   */
  upTo(end: number, context: string): void {
    if (end <= this.#at) return;
    const text = this.#text.slice(this.#at, end);
    this.all.push({ key: `${context}|${text}`, text, spot: null, value: text });
    this.#at = end;
  }

  /** What stands from where the last piece ends up to here can differ. */
  spot(end: number, spot: Spot, value: string): void {
    if (end < this.#at) return;
    this.all.push({ key: `@${spot.key}`, text: this.#text.slice(this.#at, end), spot, value });
    this.#at = end;
  }
}
