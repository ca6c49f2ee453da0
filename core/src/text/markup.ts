import { parseFragment, type DefaultTreeAdapterTypes } from 'parse5';

type Node = DefaultTreeAdapterTypes.ChildNode;

/** One attribute, with the exact places of its name and value in the text. */
export interface MarkupAttribute {
  name: string;
  /** The value as a browser understands it. */
  value: string;
  start: number;
  end: number;
  /** The raw value without its quotes; both equal `end` where the attribute has no value. */
  valueStart: number;
  valueEnd: number;
  quote: '"' | "'" | '';
}

/** One element that stands in the text (not one that the tree builder made up). */
export interface MarkupElement {
  kind: 'element';
  name: string;
  start: number;
  end: number;
  /** Right behind the name in the start tag: whatever the tag looks like, an attribute may be put in here. */
  nameEnd: number;
  startTagEnd: number;
  /** Null where the element has no end tag of its own. */
  endTagStart: number | null;
  attributes: Map<string, MarkupAttribute>;
  parent: MarkupElement | null;
  /** Elements and the text between them, by start. */
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
  roots: MarkupNode[];
  /** Every element in the order of the text. */
  elements: MarkupElement[];
  /** Parse errors by the names of the HTML standard (section 13.2.2), with their offsets. */
  errors: { code: string; start: number }[];
}

/**
 * Parses a piece of HTML as it would stand in a page's body, with exact source places. Nothing in it is run, and it is
 * never printed again: it is read only, to know where edits belong.
 */
export function parseMarkup(text: string): Markup {
  const errors: Markup['errors'] = [];
  const fragment = parseFragment(text, {
    sourceCodeLocationInfo: true,
    onParseError: (error) => errors.push({ code: error.code, start: error.startOffset }),
  });
  const elements: MarkupElement[] = [];
  const roots = convert(text, fragment.childNodes, null, elements);
  elements.sort((a, b) => a.start - b.start);
  return { text, roots, elements, errors };
}

/** The attribute's value, or null where the element has no such attribute. */
export function attribute(element: MarkupElement, name: string): string | null {
  return element.attributes.get(name)?.value ?? null;
}

/** The source text between an element's tags. */
export function innerText(text: string, element: MarkupElement): string {
  return text.slice(element.startTagEnd, element.endTagStart ?? element.end);
}

/* Nesting is limited before this is called (see the limits of the reading), so recursion is safe. */
function convert(text: string, nodes: readonly Node[], parent: MarkupElement | null, elements: MarkupElement[]): MarkupNode[] {
  const out: MarkupNode[] = [];
  for (const node of nodes) {
    if ('tagName' in node) {
      const place = node.sourceCodeLocation;
      const tag = place?.startTag;
      const children = 'content' in node ? node.content.childNodes : node.childNodes;
      if (!place || !tag) {
        // Made up by the tree builder (a tbody, say): what it holds stands in the text all the same.
        out.push(...convert(text, children, parent, elements));
        continue;
      }
      const element: MarkupElement = {
        kind: 'element',
        name: node.tagName,
        start: place.startOffset,
        // An element that is never closed ends where the text or its parent does; parse5 may say less of a template.
        end: Math.min(text.length, Math.max(place.endOffset, tag.endOffset)),
        nameEnd: tag.startOffset + 1 + node.tagName.length,
        startTagEnd: tag.endOffset,
        endTagStart: place.endTag?.startOffset ?? null,
        attributes: new Map(),
        parent,
        children: [],
      };
      for (const { name, prefix, value } of node.attrs) {
        const key = prefix ? `${prefix}:${name}` : name;
        const where = place.attrs?.[key.toLowerCase()] ?? place.attrs?.[key];
        if (where) element.attributes.set(key.toLowerCase(), locate(text, key.toLowerCase(), value, where.startOffset, where.endOffset));
      }
      elements.push(element);
      element.children = convert(text, children, element, elements);
      out.push(element);
      continue;
    }
    const place = node.sourceCodeLocation;
    if (!place) continue;
    const end = Math.min(text.length, place.endOffset); // parse5 counts the end of the text as one more character
    if ('value' in node) out.push({ kind: 'text', start: place.startOffset, end, value: node.value });
    else if ('data' in node) out.push({ kind: 'comment', start: place.startOffset, end, value: node.data });
  }
  // The tree builder may move nodes (foster parenting); in the text they stand where they stand.
  return out.sort((a, b) => a.start - b.start || b.end - a.end);
}

function locate(text: string, name: string, value: string, start: number, end: number): MarkupAttribute {
  const raw = text.slice(start, end);
  const equals = /^[^=]+=[\t\n\f\r ]*/.exec(raw.slice(0, 1) === '=' ? ' ' + raw.slice(1) : raw);
  if (!equals) return { name, value, start, end, valueStart: end, valueEnd: end, quote: '' };
  const first = raw[equals[0].length];
  const quote = first === '"' || first === "'" ? first : '';
  const valueStart = start + equals[0].length + quote.length;
  return { name, value, start, end, valueStart, valueEnd: end - quote.length, quote };
}
