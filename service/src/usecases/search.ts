import {
  pageFields,
  parsePlainSearch,
  parseSearch,
  placementFields,
  SearchError,
  type SearchTerm,
} from '@orbis/core';
import { formatSearchProblem, OrbisError, placementStates, type PlacementState } from '@orbis/contract';

/** @throws OrbisError `search-invalid` with the column of what cannot be understood. */
export const searchFor = (text: string): SearchTerm => understood(() => parseSearch(text));

/** What a search of the register asks for. @throws OrbisError `search-invalid` */
export function placementSearch(text: string): {
  state?: PlacementState;
  site?: string;
  page?: string;
  embed?: string;
  host?: string;
} {
  const words = { state: placementStates };
  return understood(() => parsePlainSearch(text, { fields: placementFields, words })) as ReturnType<
    typeof placementSearch
  >;
}

/** What a search of pages asks for. @throws OrbisError `search-invalid` */
export const pageSearch = (text: string): { site?: string } =>
  understood(() => parsePlainSearch(text, { fields: pageFields, words: {} }));

function understood<T>(parse: () => T): T {
  try {
    return parse();
  } catch (error) {
    if (error instanceof SearchError)
      throw new OrbisError('search-invalid', {
        column: error.column,
        problem: formatSearchProblem(error.problem),
      });
    throw error;
  }
}
