/** What can be asked of an embed, each with its meaning and an example. */
export const searchFields = {
  kind: { meaning: 'What it is: video, map, form …', example: 'kind=video' },
  provider: { meaning: 'The id of its provider’s sheet', example: 'provider=kinorill' },
  host: { meaning: 'A host that its code contacts', example: 'host=play.kinorill.localhost' },
  tag: { meaning: 'A tag of its', example: 'tag=talks' },
  name: { meaning: 'A piece of its name', example: 'name="opening talk"' },
  key: { meaning: 'Its key', example: 'key=opening-talk' },
  level: { meaning: 'The worst that was found: error, warning, note', example: 'level=error' },
  option: { meaning: 'An option that is asked of it', example: 'option=autoplay' },
  placed: { meaning: 'Whether it is placed anywhere: yes or no', example: 'placed=no' },
  retired: { meaning: 'Whether it is retired: yes or no; without it, retired ones are found too', example: 'retired=no' },
} as const;
export type SearchField = keyof typeof searchFields;

/** A search as a tree: all of, any of, not, a field with one of some values, or a word in name, notes or tags. */
export type SearchTerm = { all: SearchTerm[] } | { any: SearchTerm[] } | { not: SearchTerm } | { field: SearchField; values: string[] } | { word: string };

/** A search that cannot be understood: where (from 1), and what would do. */
export class SearchError extends Error {
  readonly column: number;
  constructor(problem: string, offset: number) {
    super(problem);
    this.column = offset + 1;
  }
}

interface Token {
  kind: 'word' | 'text' | '(' | ')' | 'not' | 'or' | '=' | '!=' | ',';
  text: string;
  at: number;
}

/* How deep brackets may nest, and how long a search may be. */
const deepest = 20;
const longest = 2000;

/**
 * Reads a search: terms with blanks between them must all hold; `or` between terms, brackets around them, `-` before one
 * that must not hold. A term is `field=value`, `field=one,other` (any of them), `field!=value`, a word, or words in
 * quotes. An empty search asks for nothing and finds everything.
 * @throws SearchError with the column of what cannot be understood.
 */
export function parseSearch(text: string): SearchTerm {
  if (text.length > longest) throw new SearchError(`A search has at most ${longest} characters.`, longest);
  const tokens = tokensOf(text);
  let i = 0;
  const peek = (): Token | undefined => tokens[i];
  const end = text.length;

  const anyOf = (depth: number): SearchTerm => {
    const terms = [allOf(depth)];
    while (peek()?.kind === 'or') {
      i++;
      terms.push(allOf(depth));
    }
    return terms.length === 1 ? terms[0]! : { any: terms };
  };
  const allOf = (depth: number): SearchTerm => {
    const terms: SearchTerm[] = [];
    for (let next = peek(); next && next.kind !== 'or' && next.kind !== ')'; next = peek()) terms.push(one(depth));
    if (terms.length === 0) throw new SearchError('Something to look for is missing here.', peek()?.at ?? end);
    return terms.length === 1 ? terms[0]! : { all: terms };
  };
  const one = (depth: number): SearchTerm => {
    const token = tokens[i++]!;
    if (token.kind === 'not') {
      if (!peek()) throw new SearchError('What must not hold is missing behind the “-”.', token.at);
      return { not: one(depth) };
    }
    if (token.kind === '(') {
      if (depth >= deepest) throw new SearchError(`Brackets nest at most ${deepest} deep.`, token.at);
      const inner = anyOf(depth + 1);
      if (peek()?.kind !== ')') throw new SearchError('The bracket that opens here is never closed.', token.at);
      i++;
      return inner;
    }
    if (token.kind === 'text') return { word: token.text };
    if (token.kind !== 'word') throw new SearchError(`“${token.text}” cannot stand here.`, token.at);
    const sign = peek();
    if (sign?.kind !== '=' && sign?.kind !== '!=') return { word: token.text };
    i++;
    const field = token.text.toLowerCase();
    if (!Object.hasOwn(searchFields, field)) throw new SearchError(`There is no field “${token.text}”. There are: ${Object.keys(searchFields).join(', ')}.`, token.at);
    const values = [value(sign)];
    while (peek()?.kind === ',') values.push(value(tokens[i++]!));
    const term = checked({ field: field as SearchField, values }, sign.at + sign.text.length);
    return sign.kind === '!=' ? { not: term } : term;
  };
  const value = (before: Token): string => {
    const token = peek();
    if (token?.kind !== 'word' && token?.kind !== 'text') throw new SearchError('A value is missing here. Put one with blanks into quotes.', before.at + before.text.length);
    i++;
    return token.text;
  };

  if (tokens.length === 0) return { all: [] };
  const whole = anyOf(0);
  if (i < tokens.length) throw new SearchError('This bracket was never opened.', tokens[i]!.at);
  return whole;
}

function checked(term: { field: SearchField; values: string[] }, at: number): SearchTerm {
  const words: Partial<Record<SearchField, readonly string[]>> = { placed: ['yes', 'no'], retired: ['yes', 'no'], level: ['error', 'warning', 'note'] };
  const known = words[term.field];
  const wrong = known && term.values.find((value) => !known.includes(value.toLowerCase()));
  if (wrong !== undefined) throw new SearchError(`“${wrong}” is no value for ${term.field}; there are: ${known!.join(', ')}.`, at);
  return known ? { ...term, values: term.values.map((value) => value.toLowerCase()) } : term;
}

function tokensOf(text: string): Token[] {
  const tokens: Token[] = [];
  for (let at = 0; at < text.length;) {
    const rest = text.slice(at);
    const blank = /^\s+/.exec(rest)?.[0];
    if (blank) {
      at += blank.length;
      continue;
    }
    const quoted = /^"((?:[^"\\]|\\.)*)"/.exec(rest);
    const sign = /^(?:!=|[(),=])/.exec(rest)?.[0] as Token['kind'] | undefined;
    const word = /^[^\s"(),=!]+(?:![^\s"(),=!]+)*/.exec(rest)?.[0];
    if (quoted) tokens.push({ kind: 'text', text: quoted[1]!.replaceAll(/\\(.)/g, '$1'), at });
    else if (rest.startsWith('"')) throw new SearchError('The quotes that open here are never closed.', at);
    else if (sign) tokens.push({ kind: sign, text: sign, at });
    else if (word === '-' || (word?.startsWith('-') && word.length > 1)) {
      tokens.push({ kind: 'not', text: '-', at });
      at += 1;
      continue;
    } else if (word?.toLowerCase() === 'or') tokens.push({ kind: 'or', text: word, at });
    else if (word) tokens.push({ kind: 'word', text: word, at });
    else throw new SearchError(`“${rest[0]!}” cannot stand here.`, at);
    at += quoted?.[0].length ?? sign?.length ?? word!.length;
  }
  return tokens;
}
