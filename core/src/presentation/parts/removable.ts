import type { Code } from '../../code.ts';
import type { CodeRange } from '../../options/change.ts';
import { attribute, type MarkupElement, type MarkupNode } from '../../text/index.ts';

/** A part of a code that an owner may do without, or why not. */
export interface Removable {
  /** What it is called: `heading`, `style.2`, `field.phone`. */
  name: string;
  ranges: readonly CodeRange[];
  /** The beginning of the words in it; empty where it has none. */
  words: string;
  /** Why it must stay; null where it may go. */
  needed: 'required-field' | 'robot-trap' | null;
}

/**
 * The parts of a code that owners leave out: headings, notices, links, pictures, style sheets, comments, and
 * fields of a form that need not be filled in. Two of a kind are numbered in the order of the code.
 */
export function removable(code: Code): Removable[] {
  const found = [
    ...code.markup.elements.flatMap((element) => asRemovable(code, element)),
    ...code.reading.parts
      .filter(({ role }) => role === 'comment')
      .map(({ start, end }) => ({ name: 'comment', ranges: [{ start, end }], words: '', needed: null })),
  ];
  return numbered(found);
}

const named: Readonly<Record<string, string>> = {
  style: 'style',
  p: 'notice',
  small: 'notice',
  a: 'link',
  img: 'picture',
  picture: 'picture',
  noscript: 'fallback',
};

function asRemovable(code: Code, element: MarkupElement): Removable[] {
  const one = (name: string): Removable[] => [
    { name, ranges: [element], words: wordsIn(element), needed: null },
  ];
  const isField = ['input', 'select', 'textarea'].includes(element.name);
  if (isField) return asField(code, element);
  if (element.name === 'link')
    return /\bstylesheet\b/i.test(attribute(element, 'rel') ?? '') ? one('style') : [];
  const isHeading = /^h[1-6]$/.test(element.name);
  const name = isHeading ? 'heading' : Object.hasOwn(named, element.name) ? named[element.name]! : null;
  // What is the whole code is no part of it, nor is what holds more than words.
  return name === null || code.markup.elements.length === 1 || holdsWork(element) ? [] : one(name);
}

/* What a code works with, which an owner who does without a notice does not mean. */
const work: ReadonlySet<string> = new Set(
  'input select textarea button script iframe video audio object embed form'.split(' '),
);

const holdsWork = (element: MarkupElement): boolean =>
  element.children.some((child) => child.kind === 'element' && (work.has(child.name) || holdsWork(child)));

/* A field goes with the label that is for it. */
function asField(code: Code, field: MarkupElement): Removable[] {
  const name = attribute(field, 'name');
  const type = attribute(field, 'type')?.toLowerCase() ?? '';
  if (!name || ['submit', 'button', 'image', 'reset'].includes(type)) return [];
  const needed =
    type === 'hidden' || isUnseen(code, field)
      ? 'robot-trap'
      : field.attributes.has('required') || attribute(field, 'aria-required') === 'true'
        ? 'required-field'
        : null;
  const around = labelAround(field);
  const id = attribute(field, 'id');
  const labels = code.markup.elements.filter(
    (element) => element.name === 'label' && id !== null && attribute(element, 'for') === id,
  );
  const ranges = around ? [around] : [...labels, field];
  return [{ name: `field.${name}`, ranges, words: wordsIn(around ?? labels[0] ?? field), needed }];
}

const longest = 60;

/* What stands between its tags, as people see it; of styles nothing is seen. */
function wordsIn(element: MarkupElement): string {
  const text = (node: MarkupNode): string =>
    node.kind === 'text'
      ? node.value
      : node.kind === 'element' && !['style', 'script', 'noscript'].includes(node.name)
        ? node.children.map(text).join(' ')
        : '';
  const words = element.name === 'style' ? '' : text(element).trim().split(/\s+/).join(' ');
  return words.length > longest ? `${words.slice(0, longest).trimEnd()}…` : words;
}

function labelAround(field: MarkupElement): MarkupElement | null {
  for (let outer = field.parent; outer; outer = outer.parent) if (outer.name === 'label') return outer;
  return null;
}

/* What people do not see and robots fill in tells the one from the other. */
function isUnseen({ inside }: Code, field: MarkupElement): boolean {
  for (let element: MarkupElement | null = field; element; element = element.parent) {
    const declared = inside.declarations(element);
    const isAway = /^-\d{3,}/.test(declared.get('left') ?? declared.get('top') ?? '');
    if (
      isAway ||
      declared.get('display') === 'none' ||
      declared.get('visibility') === 'hidden' ||
      element.attributes.has('hidden') ||
      attribute(element, 'aria-hidden') === 'true'
    )
      return true;
  }
  return false;
}

function numbered(found: readonly Removable[]): Removable[] {
  const times = (name: string): number => found.filter((other) => other.name === name).length;
  const seen = new Map<string, number>();
  return found.map((one) => {
    if (times(one.name) === 1) return one;
    const number = (seen.get(one.name) ?? 0) + 1;
    seen.set(one.name, number);
    return { ...one, name: `${one.name}.${number}` };
  });
}
