/* Elements that hold something until their end tag, whatever stands in their start tag (HTML, section
   13.2.5.40: a self-closing flag on them means nothing). */
const tags: Readonly<Record<string, RegExp>> = {
  iframe: /<(\/?)iframe(?=[\s/>])/gi,
  script: /<(\/?)script(?=[\s/>])/gi,
  textarea: /<(\/?)textarea(?=[\s/>])/gi,
  video: /<(\/?)video(?=[\s/>])/gi,
  audio: /<(\/?)audio(?=[\s/>])/gi,
  object: /<(\/?)object(?=[\s/>])/gi,
  form: /<(\/?)form(?=[\s/>])/gi,
  div: /<(\/?)div(?=[\s/>])/gi,
};

interface Next {
  from: number;
  at: number;
  isEnd: boolean;
}

/**
 * Tells of elements that are written as if they closed themselves (`<iframe … />`) whether their end tag
 * follows all the same. Where it does not, a browser swallows what follows; whoever wrote it meant it closed.
 */
export class SelfClosed {
  readonly #text: string;
  readonly #known = new Map<string, Next>();

  constructor(text: string) {
    this.#text = text;
  }

  /** Whether no end tag follows before the next start tag of the same name. */
  isMeantClosed(name: string, from: number): boolean {
    const tag = tags[name];
    if (!tag) return false;
    let next = this.#known.get(name);
    if (!next || from < next.from || from > next.at) {
      tag.lastIndex = from;
      const found = tag.exec(this.#text);
      next = { from, at: found?.index ?? Infinity, isEnd: found?.[1] === '/' };
      this.#known.set(name, next);
    }
    return !next.isEnd;
  }
}
