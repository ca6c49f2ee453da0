import { parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import type { SnippetPosition } from '../options/position.ts';
import { canonical } from './canonical.ts';
import { meaningful } from './meaningful.ts';
import { findUnmarked, type PageSeen } from './scan-page.ts';

type Node = DefaultTreeAdapterTypes.ChildNode;

/** What was handed out for another position of a page than a spot. */
export interface Needed {
  digest: string;
  position: SnippetPosition;
  text: string;
}

/**
 * How often each of these stands on a page, wherever on it: editors have fields of their own for the head and
 * the end of a page, and put them where they think fit. By their digests.
 */
export function timesStanding(
  { roots }: Pick<PageSeen, 'roots'>,
  needed: readonly Needed[],
): Record<string, number> {
  if (needed.length === 0) return {};
  const page = machineryOf(roots);
  return Object.fromEntries(
    needed
      // What says nothing to a browser is nowhere.
      .filter(({ text }) => text.trim() !== '')
      .map(({ digest, position, text }) => [digest, timesOf(text, position, page, roots)]),
  );
}

interface Machinery {
  /** How often each of its elements is there, by what it says. */
  elements: ReadonlyMap<string, number>;
  /** What its scripts and its style elements have in them, with their blanks folded. */
  inside: Readonly<Record<'script' | 'style', readonly string[]>>;
}

const names = new Set(['script', 'style', 'link', 'meta', 'noscript', 'template']);

function machineryOf(roots: readonly Node[]): Machinery {
  const elements = new Map<string, number>();
  const inside = { script: [] as string[], style: [] as string[] };
  const stack: Node[] = [...roots];
  for (let node = stack.pop(); node; node = stack.pop()) {
    if (!('tagName' in node)) continue;
    if (names.has(node.tagName)) {
      const said = canonical([node]);
      elements.set(said, (elements.get(said) ?? 0) + 1);
    }
    if (node.tagName === 'script' || node.tagName === 'style')
      inside[node.tagName].push(
        folded(node.childNodes.map((text) => ('value' in text ? text.value : '')).join('')),
      );
    // One by one: a page may have more of them than a call takes.
    for (const child of node.childNodes) stack.push(child);
  }
  return { elements, inside };
}

function timesOf(
  text: string,
  position: SnippetPosition,
  { elements, inside }: Machinery,
  roots: readonly Node[],
): number {
  if (position === 'page-style' || position === 'page-script') {
    const bare = folded(text);
    return inside[position === 'page-style' ? 'style' : 'script'].filter((each) => each.includes(bare))
      .length;
  }
  const nodes = meaningful(parseFragment(text).childNodes);
  if (nodes.every((node) => names.has(node.nodeName)))
    return nodes.reduce((least, node) => Math.min(least, elements.get(canonical([node])) ?? 0), Infinity);
  return findUnmarked({ roots }, text, new Set()) ? 1 : 0;
}

const folded = (text: string): string => text.replace(/\s+/g, ' ').trim();
