import { reason, type Facts, type Reason } from '../reason.ts';
import { ofEmbeds, type SearchField, type SearchVocabulary } from './fields.ts';

/**
 * A search as a tree: all of, any of, not, a field with one of some values, or a word in name, notes or tags.
 */
export type SearchTerm<F extends string = SearchField> =
  | { all: SearchTerm<F>[] }
  | { any: SearchTerm<F>[] }
  | { not: SearchTerm<F> }
  | { field: F; values: string[] }
  | { word: string };

/** A search that cannot be understood: where (from 1), and what would do. */
export class SearchError extends Error {
  readonly column: number;
  readonly problem: Reason;
  constructor(code: string, offset: number, facts: Facts = {}) {
    super(code);
    this.problem = reason(code, facts);
    this.column = offset + 1;
  }
}

interface Token {
  kind: 'word' | 'text' | '(' | ')' | 'not' | 'or' | 'and' | '=' | '!=' | ',';
  text: string;
  at: number;
}

/* How deep brackets may nest, and how long a search may be. */
const deepest = 20;
const longest = 2000;

/**
 * Reads a search: terms with blanks or `and` between them must all hold; `or` between terms, brackets around
 * them, `-` before one that must not hold. A term is `field=value`, `field=one,other` (any of them),
 * `field!=value`, a word, or words in quotes. An empty search asks for nothing and finds everything.
 * @throws SearchError with the column of what cannot be understood.
 */
export function parseSearch(text: string): SearchTerm;
/** The same about something else than embeds. */
export function parseSearch<F extends string>(text: string, vocabulary: SearchVocabulary<F>): SearchTerm<F>;
export function parseSearch(
  text: string,
  vocabulary: SearchVocabulary<string> = ofEmbeds,
): SearchTerm<string> {
  if (text.length > longest) throw new SearchError('search-too-long', longest, { most: longest });
  return termOf(withoutAnd(tokensOf(text), text.length), text.length, vocabulary);
}

/* What tokens come to; the search ends at `end`. */
function termOf(
  tokens: readonly Token[],
  end: number,
  vocabulary: SearchVocabulary<string>,
): SearchTerm<string> {
  let i = 0;
  const peek = (): Token | undefined => tokens[i];

  const anyOf = (depth: number): SearchTerm<string> => {
    const terms = [allOf(depth)];
    while (peek()?.kind === 'or') {
      i++;
      terms.push(allOf(depth));
    }
    return terms.length === 1 ? terms[0]! : { any: terms };
  };
  const allOf = (depth: number): SearchTerm<string> => {
    const terms: SearchTerm<string>[] = [];
    for (let next = peek(); next && next.kind !== 'or' && next.kind !== ')'; next = peek())
      terms.push(one(depth));
    if (terms.length === 0) throw new SearchError('term-missing', peek()?.at ?? end);
    return terms.length === 1 ? terms[0]! : { all: terms };
  };
  const one = (depth: number): SearchTerm<string> => {
    const token = tokens[i++]!;
    if (token.kind === 'not') {
      if (!peek()) throw new SearchError('nothing-behind-minus', token.at);
      return { not: one(depth) };
    }
    if (token.kind === '(') return bracketed(depth, token.at);
    if (token.kind === 'text') return { word: token.text };
    if (token.kind !== 'word') throw new SearchError('cannot-stand-here', token.at, { found: token.text });
    const sign = peek();
    if (sign?.kind !== '=' && sign?.kind !== '!=') return { word: token.text };
    i++;
    const field = fieldNamed(token, vocabulary);
    const values = [value(sign)];
    while (peek()?.kind === ',') values.push(value(tokens[i++]!));
    const term = checked({ field, values }, sign.at + sign.text.length, vocabulary);
    return sign.kind === '!=' ? { not: term } : term;
  };
  const bracketed = (depth: number, at: number): SearchTerm<string> => {
    if (depth >= deepest) throw new SearchError('brackets-too-deep', at, { most: deepest });
    const inner = anyOf(depth + 1);
    if (peek()?.kind !== ')') throw new SearchError('bracket-not-closed', at);
    i++;
    return inner;
  };
  const value = (before: Token): string => {
    const token = peek();
    if (token?.kind !== 'word' && token?.kind !== 'text')
      throw new SearchError('value-missing', before.at + before.text.length);
    i++;
    return token.text;
  };

  if (tokens.length === 0) return { all: [] };
  const whole = anyOf(0);
  if (i < tokens.length) throw new SearchError('bracket-not-opened', tokens[i]!.at);
  return whole;
}

/* `and` says what blanks say; it needs a term before it and one behind it. */
function withoutAnd(tokens: readonly Token[], end: number): Token[] {
  const before = new Set<Token['kind'] | undefined>([undefined, '(', 'or', 'and', 'not']);
  const behind = new Set<Token['kind'] | undefined>([undefined, ')', 'or']);
  for (const [i, { kind, text, at }] of tokens.entries()) {
    if (kind !== 'and') continue;
    if (before.has(tokens[i - 1]?.kind)) throw new SearchError('cannot-stand-here', at, { found: text });
    if (behind.has(tokens[i + 1]?.kind)) throw new SearchError('term-missing', tokens[i + 1]?.at ?? end);
  }
  return tokens.filter(({ kind }) => kind !== 'and');
}

function fieldNamed({ text, at }: Token, { fields }: SearchVocabulary<string>): string {
  const field = text.toLowerCase();
  if (Object.hasOwn(fields, field)) return field;
  throw new SearchError('field-unknown', at, { found: text, known: Object.keys(fields).join(', ') });
}

function checked(
  term: { field: string; values: string[] },
  at: number,
  { words }: SearchVocabulary<string>,
): SearchTerm<string> {
  const known = words[term.field];
  const wrong = known && term.values.find((value) => !known.includes(value.toLowerCase()));
  if (wrong !== undefined)
    throw new SearchError('no-such-value', at, { found: wrong, field: term.field, known: known!.join(', ') });
  return known ? { ...term, values: term.values.map((value) => value.toLowerCase()) } : term;
}

/* What a piece of a search is, the first that fits; a minus stands before what must not hold. */
const pieces: readonly [RegExp, Token['kind'] | 'blank'][] = [
  [/^\s+/, 'blank'],
  [/^"((?:[^"\\]|\\.)*)"/, 'text'],
  [/^!=/, '!='],
  [/^=/, '='],
  [/^\(/, '('],
  [/^\)/, ')'],
  [/^,/, ','],
  [/^-/, 'not'],
  [/^[^\s"(),=!]+(?:![^\s"(),=!]+)*/, 'word'],
];

function tokensOf(text: string): Token[] {
  const tokens: Token[] = [];
  for (let at = 0; at < text.length;) {
    const rest = text.slice(at);
    const { found, kind } = pieceAt(rest, at);
    if (kind === 'text') tokens.push({ kind, text: found[1]!.replaceAll(/\\(.)/g, '$1'), at });
    else if (kind === 'word' && /^(?:or|and)$/i.test(found[0]))
      tokens.push({ kind: found[0].toLowerCase() as 'or' | 'and', text: found[0], at });
    else if (kind !== 'blank') tokens.push({ kind, text: found[0], at });
    at += found[0].length;
  }
  return tokens;
}

function pieceAt(rest: string, at: number): { found: RegExpExecArray; kind: Token['kind'] | 'blank' } {
  for (const [pattern, kind] of pieces) {
    const found = pattern.exec(rest);
    if (found) return { found, kind };
  }
  if (rest.startsWith('"')) throw new SearchError('quotes-not-closed', at);
  throw new SearchError('cannot-stand-here', at, { found: rest[0]! });
}
