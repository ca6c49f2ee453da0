import type { Database } from '../database/connect.ts';
import { declaredAddresses } from '../store/places.ts';

/* For so long what was asked for holds, in ms: a sweep asks with each page, and there may be many sites. */
const keptFor = 10_000;

/** The addresses of all sites, for a page of one of them. @param address of that one */
export type DeclaredSites = (address: string) => Promise<readonly string[]>;

/** Asks for the addresses of all sites now and then, and at once where one is not among them. */
export function declaredSites(db: Database): DeclaredSites {
  let known: readonly string[] = [];
  let until = 0;
  return async (address) => {
    if (performance.now() < until && known.includes(address)) return known;
    known = await declaredAddresses(db);
    until = performance.now() + keptFor;
    return known;
  };
}
