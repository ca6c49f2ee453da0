import { en } from './en/index.ts';

/**
 * The language that Orbis speaks to owners. Another one is a folder beside `en/` with the same
 * shape, and is chosen here.
 */
export const spoken = en;
