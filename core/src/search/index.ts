/** In goes a search as people write it; out comes what it asks for, or where it cannot be understood. */
export { parseSearch, searchFields, SearchError, type SearchField, type SearchTerm } from './parse.ts';
