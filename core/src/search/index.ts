/** In goes a search as people write it; out comes what it asks for, or where it cannot be understood. */
export {
  pageFields,
  parsePlainSearch,
  parseSearch,
  placementFields,
  searchFields,
  SearchError,
  type SearchField,
  type SearchTerm,
  type SearchVocabulary,
} from './parse.ts';
