import { attribute, innerText, type Markup, type MarkupElement } from '../text/index.ts';
import type { Role } from './reading.ts';

/* What an element is by its name alone. */
const byName = new Map<string, Role>(
  Object.entries({
    iframe: 'frame',
    frame: 'frame',
    object: 'frame',
    embed: 'frame',
    video: 'media',
    audio: 'media',
    form: 'form',
    img: 'image',
    picture: 'image',
    svg: 'image',
    a: 'link',
    area: 'link',
    style: 'style',
    noscript: 'fallback',
    link: 'loader',
    meta: 'setup',
    base: 'setup',
  }),
);

/** What the role of an element depends on beside itself. */
export interface RoleContext {
  markup: Markup;
  /** Whether the code has any script. */
  hasLoader: boolean;
  /** See {@link partHolders}; worked out when it is first asked for. */
  holders: () => ReadonlySet<MarkupElement>;
}

/** The role of an element (see `product.md`’s words); `text` is what visitors read, or nothing at all. */
export function roleOf({ markup, hasLoader, holders }: RoleContext, element: MarkupElement): Role {
  const { name } = element;
  if (name === 'script')
    return attribute(element, 'src') !== null || isBlockedLoader(element) ? 'loader' : 'setup';
  if (
    name === 'a' &&
    hasLoader &&
    hasData(element) &&
    element.children.every((child) => child.kind !== 'element' || child.name !== 'img')
  )
    return 'mount';
  const own = byName.get(name);
  if (own) return own;
  if (name.includes('-')) return 'mount';
  if (isShapeBox(element)) return 'wrapper';
  if (isMount(markup, element, hasLoader)) return 'mount';
  return holders().has(element) ? 'wrapper' : 'text';
}

/**
 * Whether a script element holds data and no program (HTML, section 4.12.1: types other than
 * JavaScript's are data blocks).
 */
export function isDataScript(element: MarkupElement): boolean {
  const type = (attribute(element, 'type') ?? '').trim().toLowerCase();
  return (
    type !== '' &&
    !isBlocked(element) &&
    type !== 'module' &&
    !/^(?:text|application)\/(?:x-)?(?:java|ecma|j)script$/.test(type)
  );
}

/**
 * Whether a consent tool holds a script back under another type, to let it run once people have agreed: it
 * is read as the program that it will be (observed).
 */
export const isBlocked = (element: MarkupElement): boolean =>
  (attribute(element, 'type') ?? '').trim().toLowerCase() === 'text/plain';

const isBlockedLoader = (element: MarkupElement): boolean =>
  isBlocked(element) && ['data-src', 'data-href', 'data-url'].some((name) => attribute(element, name));

/* Nobody's own box around a frame is made of more boxes. */
const deepestBox = 8;

/** A box that holds one frame or player and nothing else that people would see. */
function isShapeBox(element: MarkupElement, depth = 1): boolean {
  let only: MarkupElement | null = null;
  for (const child of element.children) {
    if (child.kind === 'text' && child.value.trim() !== '') return false;
    if (child.kind !== 'element') continue;
    if (only) return false;
    only = child;
  }
  return (
    only !== null &&
    (['iframe', 'video', 'audio', 'object', 'embed'].includes(only.name) ||
      (depth < deepestBox && isShapeBox(only, depth + 1)))
  );
}

const hasData = (element: MarkupElement): boolean =>
  element.attributes.names().some((name) => name.startsWith('data-'));

/* What themes move or unfold is no place to be filled. */
const hasDataForScript = (element: MarkupElement): boolean =>
  element.attributes
    .names()
    .some(
      (name) =>
        name.startsWith('data-') &&
        !/^data-(?:aos|wow|animat|scroll|toggle|target|bs-|reveal|parallax|style|css|cookie|consent|category)/.test(
          name,
        ),
    );

/* Nearly empty: what stands in a place until a script fills it ("Loading…", a link to the same thing). */
const nearlyEmpty = 60;

function isMount(markup: Markup, element: MarkupElement, hasLoader: boolean): boolean {
  const named = isNamed(element);
  if (element.name === 'blockquote' || element.name === 'q')
    return attribute(element, 'cite') !== null || (hasLoader && named);
  if (!named) return false;
  const inner = innerText(markup.text, element);
  // An empty paragraph is a place only where it carries what a script reads.
  if (element.name === 'p') return inner.trim() === '' && hasLoader && hasData(element);
  if (inner.trim() === '') return !['br', 'hr', 'input'].includes(element.name);
  if (!hasLoader) return false;
  // What carries data for a script may hold any words until the script comes.
  if (hasDataForScript(element)) return !holdsDoing(element);
  if (inner.length > 4 * nearlyEmpty) return false;
  return visibleLength(element) <= nearlyEmpty && !holdsDoing(element);
}

const isNamed = (element: MarkupElement): boolean =>
  element.attributes.has('id') || element.attributes.has('class') || hasData(element);

function visibleLength(element: MarkupElement): number {
  return element.children.reduce(
    (sum, child) =>
      sum +
      (child.kind === 'text'
        ? child.value.trim().length
        : child.kind === 'element'
          ? visibleLength(child)
          : 0),
    0,
  );
}

const doing = new Set([
  'iframe',
  'object',
  'embed',
  'video',
  'audio',
  'form',
  'script',
  'style',
  'img',
  'input',
  'svg',
]);
const holdsDoing = (element: MarkupElement): boolean =>
  element.children.some((child) => child.kind === 'element' && (doing.has(child.name) || holdsDoing(child)));

/**
 * The elements that hold what would be a part of its own; one pass over all of them,
 * from the last to the first.
 */
export function partHolders(markup: Markup): ReadonlySet<MarkupElement> {
  const holders = new Set<MarkupElement>();
  for (let i = markup.elements.length - 1; i >= 0; i--) {
    const element = markup.elements[i]!;
    if (element.parent && (holders.has(element) || isPartLike(element))) holders.add(element.parent);
  }
  return holders;
}

const isPartLike = (element: MarkupElement): boolean =>
  byName.has(element.name) ||
  element.name === 'script' ||
  element.name.includes('-') ||
  element.attributes.has('id') ||
  hasData(element);
