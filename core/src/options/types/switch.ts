import { notUnderstood, type Parsed } from '../values.ts';
import type { OptionType } from './type.ts';

const on = new Set(['on', 'yes', 'true', '1']);
const off = new Set(['off', 'no', 'false', '0']);

/** Reads a switch as people write it: on, off, yes, no, true, false, 1, 0. */
export function parseSwitch(text: string): Parsed<boolean> {
  const said = text.trim().toLowerCase();
  if (on.has(said)) return { ok: true, value: true };
  if (off.has(said)) return { ok: true, value: false };
  return notUnderstood('switch');
}

/** Something that is on or off. */
export const switchType: OptionType<boolean> = {
  name: 'switch',
  limits: {},
  parse: parseSwitch,
  format: (value) => (value ? 'on' : 'off'),
};
