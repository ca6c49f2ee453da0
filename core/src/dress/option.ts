import type { Parsed } from '../settings/setting.ts';

export type Align = 'left' | 'centre' | 'right';

/** How an embed sits on its page. What is not named is not wished. */
export interface Dress {
  /** `shape`: as wide as its place lets it, and always in its own shape. */
  'fit'?: 'shape';
  /** The shape itself, where the code does not say it, or says it wrongly. */
  'shape'?: { width: number; height: number };
  /** Never wider than this, in px. */
  'max-width'?: number;
  /** This share of the width of its place, in per cent. */
  'share'?: number;
  'align'?: Align;
}

export interface Declaration {
  property: string;
  value: string;
  reason: string;
}

/** What an option needs to know beside its own value. */
export interface DressContext {
  dress: Dress;
  /** The shape to hold, in whole numbers without a common divisor; null where nothing tells it. */
  shape: { width: number; height: number } | null;
}

/** One option of dress: what people say, and the declarations that it comes to. */
export interface DressOption<K extends keyof Dress = keyof Dress> {
  name: K;
  explain: string;
  example: string;
  parse(text: string): Parsed<NonNullable<Dress[K]>>;
  say(value: NonNullable<Dress[K]>): string;
  declarations(value: NonNullable<Dress[K]>, context: DressContext): Declaration[];
  /** Properties that would undo it, and that are taken out of the code's own style. */
  conflicts: string[];
  /** What it rests on. */
  source: string;
}
