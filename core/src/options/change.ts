import type { EditReason, MarkupElement, ParameterPlace, PathStep, PlainValue } from '../text/index.ts';
import type { ReadAddress } from '../reading/reading.ts';
import type { TimeFormat } from '../sheets/sheet.ts';
import type { Reason } from '../reason.ts';
import type { Condition } from './condition.ts';
import type { SnippetPosition } from './position.ts';

/** A parameter of an address: a value, standing alone (`true`), or gone (`null`). */
export interface ParameterChange {
  kind: 'parameter';
  address: ReadAddress;
  /** Null: where one of that name stands already, else in the query. */
  in: ParameterPlace | null;
  name: string;
  value: string | true | null;
}

/** One half of a parameter that start and end share (Media Fragments URI 1.0, section 4.2.1). */
export interface SpanChange {
  kind: 'span';
  address: ReadAddress;
  in: ParameterPlace;
  name: string;
  half: 'start' | 'end';
  seconds: number;
  format: TimeFormat;
}

/** A step of an address’s path, or without it (`null`). */
export interface PathChange {
  kind: 'path';
  address: ReadAddress;
  step: PathStep;
  value: string | null;
}

/** Another host, where the address has this one. */
export interface HostChange {
  kind: 'host';
  address: ReadAddress;
  from: string;
  to: string;
}

/** An attribute: a value, only its presence (`true`), or gone (`null`). */
export interface AttributeChange {
  kind: 'attribute';
  element: MarkupElement | OurElement;
  name: string;
  value: string | true | null;
}

/**
 * A token of an attribute that is a list: added to those that are there, or taken out of them.
 * Those of `allow` are parted by semicolons (Permissions Policy, section 5.2), those of the
 * others by blanks (HTML, section 2.3.7).
 */
export interface TokenChange {
  kind: 'token';
  element: MarkupElement | OurElement;
  name: 'allow' | 'class' | 'rel' | 'sandbox';
  token: string;
  /** Whether it shall be there. */
  present: boolean;
}

/** The elements of ours that can stand around a part, from the outside in. */
export const layers = ['backdrop', 'carrier', 'room', 'shape', 'clip'] as const;
export type Layer = (typeof layers)[number];

/** An element of ours around the whole code, by its layer. */
export interface OurElement {
  readonly ours: Layer;
}

/** What may reach beyond the content, and has a colour of its own. */
export const ourBackdrop: OurElement = Object.freeze({ ours: 'backdrop' });
/** What holds the content together with its heading, caption and links. */
export const ourCarrier: OurElement = Object.freeze({ ours: 'carrier' });
/** What keeps the room free that the content will need. */
export const ourRoom: OurElement = Object.freeze({ ours: 'room' });
/** What has the shape, where the code has no element that could have it. */
export const ourBox: OurElement = Object.freeze({ ours: 'shape' });
/** What the code itself waits in. */
export const ourClip: OurElement = Object.freeze({ ours: 'clip' });

/** Whether an element is one of ours, not of the code. */
export const isOurs = (element: MarkupElement | OurElement): element is OurElement => 'ours' in element;

/** That there is an element of ours, and what it is. */
export interface TagChange {
  kind: 'tag';
  element: OurElement;
  name: 'div' | 'figure' | 'template';
}

/** A declaration in the own style of an element, or of our box. */
export interface DeclarationChange {
  kind: 'declaration';
  element: MarkupElement | OurElement;
  property: string;
  value: string;
  /** Properties that would undo it, and that are taken out of the code’s own style. */
  clears: readonly string[];
  /** When it holds; always where nothing is said. */
  when?: Condition;
}

/**
 * A member of the JSON in an attribute, or of the options that a script hands over; gone
 * where the value is null.
 */
export interface MemberChange {
  kind: 'member';
  element: MarkupElement;
  of: { attribute: string } | { call: string };
  path: readonly string[];
  value: PlainValue | null;
}

/** A part of the code, in code units; `end` exclusive. */
export interface CodeRange {
  start: number;
  end: number;
}

/** A part of the code that is left out, with all that was asked of it. */
export interface LeaveOutChange {
  kind: 'leave-out';
  range: CodeRange;
}

/** An element of ours around a part of the code. */
export interface SurroundChange {
  kind: 'surround';
  range: CodeRange;
  layer: Layer;
  element: string;
  attributes: Readonly<Record<string, string>>;
  /** Why each attribute of it is as it is, where it does the work of several changes. */
  holds?: readonly EditReason[];
}

/** Markup of ours at one offset of the code, between two of its parts. */
export interface InsertChange {
  kind: 'insert';
  at: number;
  markup: string;
  /** The layer of ours in which it stands, at either end of the code; between all where none is said. */
  within?: Layer;
}

/**
 * Something that the page needs once, however many codes ask for it, at another position than their spots.
 */
export interface ShareChange {
  kind: 'share';
  position: Exclude<SnippetPosition, 'spot'>;
  markup: string;
  /** Why each thing is in it, where it does the work of several changes. */
  holds?: readonly EditReason[];
}

/**
 * What a change does, of whatever kind; by `kind` the composer knows which text it is
 * in and how it is written.
 */
export type ChangeBody =
  | AddressChange
  | AttributeChange
  | TokenChange
  | TagChange
  | DeclarationChange
  | MemberChange
  | StructureChange
  | ShareChange;

/** One change that an option needs, and why; the composer makes edits of all of them together. */
export type Change = ChangeBody & { reason: Reason };

/** Changes of what the code consists of. */
export type StructureChange = LeaveOutChange | SurroundChange | InsertChange;

/** Changes of an address. */
export type AddressChange = ParameterChange | SpanChange | PathChange | HostChange;
