import type { OptionValue } from '../../options/values.ts';

/** The same picture in another type, under the same name. */
export interface StillBeside {
  type: 'image/avif' | 'image/webp';
  address: string;
}

/* The last step of a path with an ending. */
const ending = /\.[a-z\d]{2,5}(?=$|\?|#)/i;

/**
 * Where the same picture stands in other types, the smallest first.
 * @param also as the option says it; nothing where it is not asked for, or the address has no ending.
 */
export function stillsBeside(address: string, also: OptionValue | undefined): StillBeside[] {
  if (typeof also !== 'string' || !/^https?:/i.test(address)) return [];
  const { pathname } = new URL(address);
  if (!/\.[a-z\d]{2,5}$/i.test(pathname)) return [];
  return (['avif', 'webp'] as const)
    .filter((type) => also.split('-').includes(type))
    .map((type) => ({ type: `image/${type}`, address: address.replace(ending, `.${type}`) }));
}
