import { Tokenizer, TokenizerMode, type Token } from 'parse5';
import { AttributeList } from './attribute-list.ts';
import { SelfClosed } from './self-closed.ts';
import { closedBy, deepest, pageTags, rawTextElements, voidElements } from './nesting.ts';

export type { MarkupAttribute } from './attribute-list.ts';

/** One element as its tags stand in the text. */
export interface MarkupElement {
  kind: 'element';
  /** In lower case. */
  name: string;
  start: number;
  end: number;
  /** Right behind the name in the start tag: whatever the tag looks like, an attribute may be put in here. */
  nameEnd: number;
  startTagEnd: number;
  /** Null where the element has no end tag of its own. */
  endTagStart: number | null;
  attributes: AttributeList;
  parent: MarkupElement | null;
  children: MarkupNode[];
}

export interface MarkupText {
  kind: 'text' | 'comment';
  start: number;
  end: number;
  /** The text as a browser understands it. */
  value: string;
}

export type MarkupNode = MarkupElement | MarkupText;

export interface Markup {
  text: string;
  /** By start; the text between is none of markup: blanks, and tags that stand for nothing here. */
  roots: MarkupNode[];
  /** Every element in the order of the text. */
  elements: MarkupElement[];
  /** Where the text ends inside a tag, a comment or a declaration: where that begins. */
  openAt: number | null;
  /** Where elements begin to nest deeper than browsers go ({@link deepest}): what follows was not read. */
  tooDeepAt: number | null;
  /** Whether it brings tags of a page of its own (`html`, `head`, `body`). */
  isPage: boolean;
}

/**
 * Reads a piece of HTML from its token stream (HTML, section 13.2.5), with exact source places. Elements nest
 * as their tags say: one that is never closed ends with what holds it, of two that cross the inner one ends
 * first, and a stray end tag stands for nothing. What is written as if it closed itself, and has no end tag,
 * is taken as meant. Nothing in it is run, and it is never printed again.
 */
export function parseMarkup(text: string): Markup {
  const reader = new Reader(text);
  const tokenizer = new Tokenizer({ sourceCodeLocationInfo: true }, reader);
  reader.tokenizer = tokenizer;
  try {
    tokenizer.write(text, true);
  } catch (error) {
    if (error !== tooDeep) throw error;
  }
  return reader.finish();
}

/** The attribute's value, or null where the element has no such attribute. */
export function attribute(element: MarkupElement, name: string): string | null {
  return element.attributes.value(name);
}

/** The source text between an element's tags. */
export function innerText(text: string, element: MarkupElement): string {
  return text.slice(element.startTagEnd, element.endTagStart ?? element.end);
}

const unfinished = new Set([
  'eof-in-tag',
  'eof-in-comment',
  'eof-in-doctype',
  'eof-in-cdata',
  'eof-before-tag-name',
]);

/* Stops the tokenizer: nobody who nests so deep means it. */
const tooDeep = new Error('nested too deep');

class Reader {
  tokenizer!: Tokenizer;
  readonly #text: string;
  readonly #roots: MarkupNode[] = [];
  readonly #elements: MarkupElement[] = [];
  readonly #open: MarkupElement[] = [];
  #foreign = 0;
  #selfClosed: SelfClosed | null = null;
  #openAt: number | null = null;
  #tooDeepAt: number | null = null;
  #isPage = false;

  constructor(text: string) {
    this.#text = text;
  }

  onStartTag(token: Token.TagToken): void {
    const name = token.tagName;
    const { startOffset, endOffset } = token.location!;
    if (pageTags.has(name)) {
      this.#isPage = true;
      return;
    }
    const closes = this.#foreign > 0 ? -1 : closedBy(name, this.#open);
    if (closes >= 0) this.#close(closes, startOffset, null);
    if (this.#open.length === deepest) {
      this.#tooDeepAt = startOffset;
      throw tooDeep;
    }
    const parent = this.#open.at(-1) ?? null;
    const element: MarkupElement = {
      kind: 'element',
      name,
      start: startOffset,
      end: endOffset,
      nameEnd: startOffset + 1 + name.length,
      startTagEnd: endOffset,
      endTagStart: null,
      attributes: new AttributeList(this.#text, token),
      parent,
      children: [],
    };
    (parent ? parent.children : this.#roots).push(element);
    this.#elements.push(element);
    const isForeign = name === 'svg' || name === 'math';
    if (voidElements.has(name) || (token.selfClosing && this.#closesItself(name, endOffset))) return;
    if (isForeign) this.#foreign++;
    this.#open.push(element);
    this.tokenizer.inForeignNode = this.#foreign > 0;
    if (this.#foreign === 0) this.#switchState(name);
  }

  #closesItself(name: string, end: number): boolean {
    if (name === 'svg' || name === 'math' || this.#foreign > 0) return true;
    this.#selfClosed ??= new SelfClosed(this.#text);
    return this.#selfClosed.isMeantClosed(name, end);
  }

  onEndTag(token: Token.TagToken): void {
    for (let i = this.#open.length - 1; i >= 0; i--) {
      if (this.#open[i]!.name !== token.tagName) continue;
      this.#close(i, token.location!.endOffset, token.location!.startOffset);
      return;
    }
    if (pageTags.has(token.tagName)) this.#isPage = true;
  }

  onComment(token: Token.CommentToken): void {
    this.#add('comment', token.location!, token.data);
  }

  onCharacter(token: Token.CharacterToken): void {
    this.#add('text', token.location!, token.chars);
  }

  onNullCharacter(token: Token.CharacterToken): void {
    this.#add('text', token.location!, token.chars);
  }

  onDoctype(): void {
    this.#isPage = true;
  }

  onWhitespaceCharacter(): void {}

  onEof(): void {}

  onParseError(error: { code: string }): void {
    if (unfinished.has(error.code)) this.#openAt = Math.max(0, this.#text.lastIndexOf('<'));
  }

  finish(): Markup {
    this.#close(0, this.#text.length, null);
    return {
      text: this.#text,
      roots: this.#roots,
      elements: this.#elements,
      openAt: this.#openAt,
      tooDeepAt: this.#tooDeepAt,
      isPage: this.#isPage,
    };
  }

  #add(kind: MarkupText['kind'], place: Token.Location, value: string): void {
    const parent = this.#open.at(-1);
    // parse5 counts the end of the text as one more character.
    (parent ? parent.children : this.#roots).push({
      kind,
      start: place.startOffset,
      end: Math.min(place.endOffset, this.#text.length),
      value,
    });
  }

  /* Closes the open elements from this one inwards; only this one may have an end tag of its own. */
  #close(index: number, end: number, endTagStart: number | null): void {
    for (let i = this.#open.length - 1; i >= index; i--) {
      const element = this.#open[i]!;
      element.end = i === index ? end : (endTagStart ?? end);
      if (i === index) element.endTagStart = endTagStart;
      if (element.name === 'svg' || element.name === 'math') this.#foreign--;
    }
    this.#open.length = Math.min(index, this.#open.length);
    this.tokenizer.inForeignNode = this.#foreign > 0;
  }

  #switchState(name: string): void {
    if (!rawTextElements.has(name) && name !== 'plaintext') return;
    if (name === 'script') this.tokenizer.state = TokenizerMode.SCRIPT_DATA;
    else if (name === 'textarea' || name === 'title') this.tokenizer.state = TokenizerMode.RCDATA;
    else if (name === 'plaintext') this.tokenizer.state = TokenizerMode.PLAINTEXT;
    else this.tokenizer.state = TokenizerMode.RAWTEXT;
  }
}
