import { attribute, innerText, type Markup, type MarkupElement, type MarkupNode } from '../text/index.ts';
import type { Part, Role } from './reading.ts';

/** The parts of a code, and for each the element that it was read from (null for text and comments). */
export interface PartsRead {
  parts: Part[];
  elements: (MarkupElement | null)[];
}

/**
 * Cuts a code into parts. The top-level parts and the text between them tile the whole input; what the tree builder
 * drops (a stray end tag, `html` and `body` tags) stays in the text part where it stands.
 */
export function readParts(markup: Markup): PartsRead {
  const out: PartsRead = { parts: [], elements: [] };
  let at = 0;
  const gap = (end: number): void => {
    if (end > at) add(out, { role: 'text', start: at, end }, null, null);
  };
  for (const node of markup.roots) {
    if (node.start < at) continue; // moved by the tree builder into what was already read
    if (node.kind === 'text') continue; // belongs to the gap
    gap(node.start);
    readNode(markup, node, null, out);
    at = node.end;
  }
  gap(markup.text.length);
  serve(out);
  return out;
}

function add(out: PartsRead, part: Pick<Part, 'role' | 'start' | 'end'>, element: MarkupElement | null, inside: number | null): number {
  const { role } = part;
  out.parts.push({
    ...part,
    place: role === 'loader' && element?.name === 'link' ? 'head' : 'body',
    repeat: role === 'loader' || role === 'style' ? 'page' : 'placement',
    inside,
    of: [],
  });
  out.elements.push(element);
  return out.parts.length - 1;
}

function readNode(markup: Markup, node: MarkupNode, inside: number | null, out: PartsRead): void {
  if (node.kind !== 'element') {
    if (node.kind === 'comment') add(out, { role: 'comment', start: node.start, end: node.end }, null, inside);
    return;
  }
  const role = roleOf(markup, node);
  const index = add(out, { role, start: node.start, end: node.end }, node, inside);
  if (role === 'frame' || role === 'media') {
    const from = fallbackStart(node);
    const to = node.endTagStart ?? node.end;
    if (from !== null && innerText(markup.text, node).trim() !== '') {
      const fallback = add(out, { role: 'fallback', start: from, end: to }, null, index);
      out.parts[fallback]!.of = [index];
    }
    return;
  }
  if (role === 'form') return;
  for (const child of node.children) {
    if (child.kind === 'element' && (role === 'wrapper' || holdsParts(child) || roleOf(markup, child) !== 'text')) {
      if (child.end <= node.end) readNode(markup, child, index, out);
    }
  }
}

const ownRoles: Record<string, Role> = {
  iframe: 'frame',
  object: 'frame',
  embed: 'frame',
  video: 'media',
  audio: 'media',
  form: 'form',
  img: 'image',
  picture: 'image',
  a: 'link',
  style: 'style',
  noscript: 'fallback',
};

function roleOf(markup: Markup, element: MarkupElement): Role {
  const own = ownRoles[element.name];
  if (own) return own;
  if (element.name === 'script') return attribute(element, 'src') === null ? 'setup' : 'loader';
  if (element.name === 'link') return 'loader';
  if (isShapeBox(markup, element)) return 'wrapper';
  const empty = innerText(markup.text, element).trim() === '';
  const marked = ['id', 'class'].some((name) => element.attributes.has(name)) || [...element.attributes.keys()].some((name) => name.startsWith('data-'));
  if (element.name.includes('-') || (empty && marked)) return 'mount';
  return 'text';
}

/* A box that holds one frame or player and nothing else that people would see. */
function isShapeBox(markup: Markup, element: MarkupElement): boolean {
  const inner = element.children.filter((child) => child.kind === 'element');
  const [only] = inner;
  if (inner.length !== 1 || only?.kind !== 'element') return false;
  const prose = element.children.some((child) => child.kind === 'text' && child.value.trim() !== '');
  if (prose) return false;
  return ['iframe', 'video', 'audio', 'object'].includes(only.name) || isShapeBox(markup, only);
}

const holdsParts = (element: MarkupElement): boolean =>
  element.children.some((child) => child.kind === 'element' && (child.name in ownRoles || child.name === 'script' || holdsParts(child)));

/* `source` and `track` elements feed the player; the fallback is what follows them. */
function fallbackStart(element: MarkupElement): number | null {
  const feeding = element.children.filter((child) => child.kind === 'element' && (child.name === 'source' || child.name === 'track'));
  const rest = element.children.filter((child) => !feeding.includes(child) && !(child.kind === 'text' && child.value.trim() === ''));
  if (rest.length === 0) return null;
  return element.children.length > 0 && feeding.length > 0 ? feeding.at(-1)!.end : element.startTagEnd;
}

/* Loaders serve the mounts of the same code. */
function serve({ parts }: PartsRead): void {
  const mounts = parts.flatMap((part, index) => (part.role === 'mount' ? [index] : []));
  for (const part of parts) if (part.role === 'loader' || part.role === 'setup') part.of = mounts;
}
