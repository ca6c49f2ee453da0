import type { SearchVocabulary } from './fields.ts';
import { parseSearch, SearchError } from './parse.ts';

/**
 * Reads a search that one index answers: `field=value`, each field once, with blanks or `and` between them.
 * @throws SearchError as `parseSearch` does, and where it asks for more than that.
 */
export function parsePlainSearch<F extends string>(
  text: string,
  vocabulary: SearchVocabulary<F>,
): Partial<Record<F, string>> {
  const term = parseSearch(text, vocabulary);
  const terms = 'all' in term ? term.all : [term];
  const found: Partial<Record<F, string>> = {};
  for (const each of terms) {
    const isPlain = 'field' in each && each.values.length === 1 && found[each.field] === undefined;
    if (!isPlain)
      throw new SearchError('only-plain', 0, { fields: Object.values(vocabulary.fields).join(', ') });
    found[each.field] = each.values[0]!;
  }
  return found;
}
