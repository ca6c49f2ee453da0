/** In goes a search as people write it; out comes what it asks for, or where it cannot be understood. */
export {
  pageFields,
  placementFields,
  searchFields,
  type SearchField,
  type SearchVocabulary,
} from './fields.ts';
export { parseSearch, SearchError, type SearchTerm } from './parse.ts';
export { parsePlainSearch } from './plain.ts';
