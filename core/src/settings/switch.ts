import type { Parsed } from './setting.ts';

const on = new Set(['on', 'yes', 'true', '1']);
const off = new Set(['off', 'no', 'false', '0']);

/** Reads a switch as people say it: on, off, yes, no, true, false, 1, 0. */
export function parseSwitch(text: string): Parsed<boolean> {
  const said = text.trim().toLowerCase();
  if (on.has(said)) return { ok: true, value: true };
  if (off.has(said)) return { ok: true, value: false };
  return { ok: false, expected: 'on or off' };
}

export const saySwitch = (value: boolean): string => (value ? 'on' : 'off');
