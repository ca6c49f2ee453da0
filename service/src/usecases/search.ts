import { parseSearch, SearchError, type SearchTerm } from '@orbis/core';
import { formatSearchProblem, OrbisError } from '@orbis/contract';

/** @throws OrbisError `search-invalid` with the column of what cannot be understood. */
export function searchFor(text: string): SearchTerm {
  try {
    return parseSearch(text);
  } catch (error) {
    if (error instanceof SearchError)
      throw new OrbisError('search-invalid', {
        column: error.column,
        problem: formatSearchProblem(error.problem),
      });
    throw error;
  }
}
