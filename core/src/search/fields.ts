import { kinds } from '../reading/reading.ts';

/** What can be asked of an embed, each with an example; what it means stands in the language file. */
export const searchFields = {
  kind: 'kind=video',
  provider: 'provider=kinorill',
  host: 'host=play.kinorill.localhost',
  tag: 'tag=talks',
  name: 'name="opening talk"',
  key: 'key=opening-talk',
  level: 'level=error',
  option: 'option=autoplay',
  placed: 'placed=no',
  retired: 'retired=no',
} as const;
export type SearchField = keyof typeof searchFields;

/** What can be asked of a placement. */
export const placementFields = {
  state: 'state=out-of-date',
  site: 'site=hollinfell',
  page: 'page=hollinfell/talks',
  embed: 'embed=opening-talk',
  host: 'host=play.kinorill.localhost',
} as const;

/** What can be asked of a page. */
export const pageFields = { site: 'site=hollinfell' } as const;

/** What a search is about: its fields, and the values of those that have only some. */
export interface SearchVocabulary<F extends string> {
  fields: Readonly<Record<F, string>>;
  words: Readonly<Partial<Record<F, readonly string[]>>>;
}

/** What a search of embeds is about. */
export const ofEmbeds: SearchVocabulary<SearchField> = {
  fields: searchFields,
  words: {
    placed: ['yes', 'no'],
    retired: ['yes', 'no'],
    level: ['error', 'warning', 'note'],
    kind: kinds,
  },
};
