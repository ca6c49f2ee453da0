import { spoken } from '@orbis/contract/language';
import { ruleOf, type Limits, type Option, type Sheet } from '@orbis/core';

/** A value that holds where nothing nearer is asked. */
export interface Inherited {
  value: string;
  /** “in the code”, “from the embed”, “from the site”. */
  from: string;
}

/**
 * An inherited value as it stands in an empty field. Where another level than the code says it, that stands
 * below the field.
 */
export const hintOf = ({ value, from }: Inherited): string =>
  from === spoken.levels.code ? `${value} ${from}` : value;

/**
 * Where the value that holds comes from, as a sentence of its own; undefined for the code’s own
 * and for what is set here.
 */
export const originOf = (inherited: Inherited | null, value: string): string | undefined =>
  inherited === null || inherited.from === spoken.levels.code || value.trim() !== ''
    ? undefined
    : `${inherited.from.charAt(0).toUpperCase()}${inherited.from.slice(1)}.`;

/** What every field of an option is given. */
export interface FieldProps {
  name: string;
  label: string;
  value: string;
  /** What is wrong with it, or why it cannot be. */
  wrong: string | undefined;
  /** What it is for, or what came with it. */
  help: string | undefined;
  example: string;
  /**
   * What holds where nothing is asked here, as people type it, and where that comes from;
   * null where nothing says it.
   */
  inherited: Inherited | null;
  onChange: (value: string) => void;
}

/**
 * The words between which a choice is made: those of the option, or of the provider where each has its own.
 */
export function wordsOf({ name, type }: Option, sheet: Sheet | null): readonly string[] {
  const offered = ruleOf<'choice'>(sheet, name)?.choices;
  return offered ? Object.keys(offered) : (type.limits.words ?? []);
}

/** The bounds that a provider has for a number; null where it is not the provider’s. */
export const boundsOf = (
  { name }: Option,
  sheet: Sheet | null,
): Pick<Limits, 'least' | 'most' | 'whole'> | null => ruleOf<'number'>(sheet, name) ?? null;
