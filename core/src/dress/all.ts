import { option as align } from './align.ts';
import { option as fit } from './fit.ts';
import { option as maxWidth } from './max-width.ts';
import { option as shape } from './shape.ts';
import { option as share } from './share.ts';
import type { Dress, DressOption } from './option.ts';

/** Every option of dress, in the order in which people are shown them. */
export const dressOptions = [fit, shape, share, maxWidth, align] as readonly DressOption[];

export const dressNames = dressOptions.map((option) => option.name);

/** The definition of an option by its name, or null. */
export function dressNamed(name: string): DressOption | null {
  return dressOptions.find((option) => option.name === name) ?? null;
}

export type { Dress };
