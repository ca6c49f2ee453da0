import type { MarkupElement, ParameterPlace, PathStep, PlainValue } from '../text/index.ts';
import type { ReadAddress } from '../reading/reading.ts';
import type { TimeFormat } from '../sheets/sheet.ts';
import type { Reason } from '../reason.ts';

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
  element: MarkupElement;
  name: string;
  value: string | true | null;
}

/** A token of an attribute that is a list (`allow`: Permissions Policy, section 5.2), added to those that are there. */
export interface TokenChange {
  kind: 'token';
  element: MarkupElement;
  name: 'allow';
  token: string;
}

/** A declaration in an element’s own style. */
export interface DeclarationChange {
  kind: 'declaration';
  element: MarkupElement;
  property: string;
  value: string;
  /** Properties that would undo it, and that are taken out of the code’s own style. */
  clears: readonly string[];
}

/** A member of the JSON in an attribute, or of the options that a script hands over; gone where the value is null. */
export interface MemberChange {
  kind: 'member';
  element: MarkupElement;
  of: { attribute: string } | { call: string };
  path: readonly string[];
  value: PlainValue | null;
}

/** What a change does, of whatever kind; by `kind` the composer knows which text it is in and how it is written. */
export type ChangeBody = ParameterChange | SpanChange | PathChange | HostChange | AttributeChange | TokenChange | DeclarationChange | MemberChange;

/** One change that an option needs, and why; the composer makes edits of all of them together. */
export type Change = ChangeBody & { reason: Reason };

/** Changes of an address. */
export type AddressChange = ParameterChange | SpanChange | PathChange | HostChange;
