import type { Kind } from '../reading/index.ts';

/** Where something is on a page, in px of CSS from its upper left corner. */
export interface SeenBox {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** How something that is placed is to be seen in a window of one width. */
export interface SeenAtWidth {
  /** Of the window, in px. */
  width: number;
  /** Null where nothing of it has any size. */
  box: SeenBox | null;
  /** Whether anything is to be seen there; null where it is too far down the page to be in the picture. */
  shows: boolean | null;
  /**
   * How far it moved what visitors see, by growing or shrinking: the sum of layout shifts, each the part of
   * the window that moved times how far (Layout Instability, section 2.3).
   */
  moved: number;
}

/** What became of a film or sound that was started, in seconds. */
export interface SeenPlaying {
  /** Whether it began by itself, once somebody pressed it, or not at all. */
  began: 'by-itself' | 'pressed' | 'never';
  /** Where it began; null where it did not. */
  from: number | null;
  /** Whether it stopped where it was asked to; null where nothing is asked, or that was not seen. */
  stops: boolean | null;
  /** How long it is; null where that is not known, as of what is live. */
  length: number | null;
}

/** What is placed on a page, and what a browser saw of it. */
export interface SeenPlaced {
  kind: Kind;
  /** Whether it stands on the page at all; where it does not, that is a sweep’s to say. */
  isThere: boolean;
  /** Whether it waits for a click or for the visitor’s consent. */
  waits: boolean;
  /** The part of the film that is asked for; null for what is not said. */
  clip: { start: number | null; end: number | null };
  widths: readonly SeenAtWidth[];
  /** The hosts that it contacted before anybody had clicked or consented. */
  hostsBefore: readonly string[];
  playing: SeenPlaying | null;
}
