import type { HostContact, Kind, Part, Reading } from '@orbis/core';

/** A code with what is true of it; what is not named is not looked at. */
export interface CodeCase {
  code: string;
  input?: Reading['input'];
  kind?: Kind;
  kindIn?: readonly Kind[];
  /** Rules that have to speak, and rules that must not. */
  rules?: readonly string[];
  notRules?: readonly string[];
  /** How often a rule speaks. */
  count?: Readonly<Record<string, number>>;
  /** Rules that offer no mending. */
  noMend?: readonly string[];
  /** Whether any rule finds an error, or more than a note. */
  anyError?: true;
  anyProblem?: true;
  claims?: readonly string[];
  notClaims?: readonly string[];
  /** Whether copies get on, by claim. */
  shared?: Readonly<Record<string, boolean>>;
  hosts?: readonly string[];
  notHosts?: readonly string[];
  hostCount?: number;
  /** When a host is contacted. */
  when?: Readonly<Record<string, HostContact['when']>>;
  /** How often parts of a role are needed. */
  repeat?: Readonly<Partial<Record<Part['role'], Part['repeat']>>>;
  roles?: readonly Part['role'][];
  /** Roles that are among them, at any depth. */
  hasRoles?: readonly Part['role'][];
  places?: readonly Part['place'][];
  /** The kinds of its embeds, in their order. */
  embeds?: readonly Kind[];
  embedCount?: number;
  ratio?: number;
  /** With its unit: `560px`. */
  width?: string;
  height?: string;
}
