import type { Options } from '../options/values.ts';
import type { Reason } from '../reason.ts';
import type { ParameterPlace } from '../text/index.ts';

export const kinds = [
  'video',
  'audio',
  'map',
  'form',
  'feed',
  'document',
  'booking',
  'counter',
  'popup',
  'reviews',
  'shop',
  'share',
  'advert',
  'frame',
  'image',
  'unknown',
] as const;
export type Kind = (typeof kinds)[number];

export const roles = [
  'loader',
  'setup',
  'style',
  'mount',
  'frame',
  'media',
  'form',
  'image',
  'link',
  'fallback',
  'wrapper',
  'text',
  'comment',
] as const;
export type Role = (typeof roles)[number];

export const inputs = ['code', 'link', 'id', 'visible-code', 'text', 'empty'] as const;
export type Input = (typeof inputs)[number];

/**
 * A piece of a code with a role. Offsets are UTF-16 code units into the text that was read, `end` exclusive.
 */
export interface Part {
  role: Role;
  place: 'head' | 'body';
  /** How often it is needed: once a page, or at every placement. */
  repeat: 'page' | 'placement';
  start: number;
  end: number;
  /** Index of the part that holds this one, or null. */
  inside: number | null;
  /** Indexes of the parts that this one serves. */
  of: number[];
}

/** Units of lengths as codes state them (CSS Values 4, section 6). */
export const lengthUnits = [
  'px',
  '%',
  'em',
  'rem',
  'vh',
  'vw',
  'pt',
  'cm',
  'mm',
  'in',
  'ch',
  'vmin',
  'vmax',
] as const;
export type LengthUnit = (typeof lengthUnits)[number];

/** A length as the code states it. */
export interface Length {
  value: number;
  unit: LengthUnit;
}

export interface Size {
  width: Length | null;
  height: Length | null;
  /**
   * Width over height, four decimals; only from two lengths of one kind, or from a shape that the code holds.
   */
  ratio: number | null;
}

export const uses = ['frame', 'script', 'stylesheet', 'image', 'media', 'form', 'link', 'data'] as const;
export type Use = (typeof uses)[number];

/** An address in the code; `start` and `end` are those of the raw attribute value. */
export interface ReadAddress {
  use: Use;
  part: number;
  start: number;
  end: number;
  /** Decoded from the attribute, as written: not resolved against anything. */
  url: string;
  parameters: { name: string; value: string | null; in: ParameterPlace }[];
}

export interface HostContact {
  host: string;
  uses: Use[];
  /** Whether a visitor's browser contacts it by itself, or only when something is clicked or sent. */
  when: 'load' | 'use';
}

export interface Needs {
  scripts: boolean;
  forms: boolean;
  popups: boolean;
  storage: boolean;
  autoplay: boolean;
  fullscreen: boolean;
}

export interface Claim {
  what: 'id' | 'field' | 'global' | 'listener' | 'style';
  name: string;
  shared: boolean;
}

export type Level = 'error' | 'warning' | 'note';

/** An edit of the text that was read which would mend something. */
export interface Mend {
  start: number;
  end: number;
  text: string;
  reason: Reason;
}

/** Something wrong or worth knowing; the sentence is made at the edge from the rule and the facts. */
export interface FoundFact {
  rule: string;
  level: Level;
  start: number;
  end: number;
  line: number;
  column: number;
  facts: Record<string, string | number | boolean | null>;
  /** The edits that mend it; none where only the owner can. */
  mend: readonly Mend[];
}

/** What Orbis understood of a pasted text. */
export interface Reading {
  input: Input;
  kind: Kind;
  /** What spoke for the kind, the strongest first: at most four. */
  kindReasons: Reason[];
  provider: { id: string; name: string } | null;
  sheet: { id: string; version: number } | null;
  embeds: { kind: Kind; provider: string | null; parts: number[]; size: Size }[];
  parts: Part[];
  size: Size;
  addresses: ReadAddress[];
  hosts: HostContact[];
  needs: Needs;
  claims: Claim[];
  findings: FoundFact[];
  /** Everything that spoke for a kind, the strongest first. */
  evidence: { kind: Kind; weight: number; reason: Reason }[];
  /**
   * What was mended to read it, where the text as pasted would not do; the offsets of the
   * mending are those of the paste.
   */
  mending: {
    what: 'visible-code' | 'curly-quotes' | 'odd-blanks' | 'open-tag';
    edits: Mend[];
    text: string;
  } | null;
  /** The code that Orbis makes of a link or an id, where a sheet knows how; null for everything else. */
  generated: string | null;
  /** What a link asks for beside the item, as options: its time to start at. */
  asked: Options;
  /** The mark of a placed code (`<placement>.<delivery>`), where the text carries one. */
  mark: string | null;
}
