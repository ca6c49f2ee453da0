import type { Kind, Part } from '@orbis/core';

/** A code with what is true of it; what is not named is not looked at. */
export interface CodeCase {
  code: string;
  kind?: Kind;
  kindIn?: readonly Kind[];
  /** Rules that have to speak, and rules that must not. */
  rules?: readonly string[];
  notRules?: readonly string[];
  claims?: readonly string[];
  notClaims?: readonly string[];
  /** Whether copies get on, by claim. */
  shared?: Readonly<Record<string, boolean>>;
  hosts?: readonly string[];
  /** How often parts of a role are needed. */
  repeat?: Readonly<Partial<Record<Part['role'], Part['repeat']>>>;
  roles?: readonly Part['role'][];
  /** The kinds of its embeds, in their order. */
  embeds?: readonly Kind[];
  ratio?: number;
}
