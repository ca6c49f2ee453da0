import type { Code } from '../code.ts';
import { isOurs } from '../options/change.ts';
import type { MarkupElement, MarkupNode } from '../text/index.ts';
import { frameOf, isPositioned, targetOf } from './target.ts';

/* What shows nothing where it stands. */
const silent: ReadonlySet<string> = new Set(['script', 'style', 'link', 'meta', 'noscript', 'template']);

/**
 * The frame, player or picture of a code, or the provider’s box with it, where the code shows nothing else:
 * then it can be laid over a box of ours. Null where there is more, and for sound, which has no shape.
 */
export function shownAlone(code: Code): MarkupElement | null {
  const frame = frameOf(code);
  const target = targetOf(code);
  if (!frame || frame.name === 'audio' || !target || isOurs(target.element)) return null;
  const { element } = target;
  const others = [...siblings(code, element), ...(element === frame ? [] : siblings(code, frame, element))];
  if (others.some(isShown)) return null;
  for (let outer = element.parent; outer; outer = outer.parent)
    if (isPositioned(code.inside.declarations(outer))) return null;
  return element;
}

/** Whether a code shows a frame and nothing else, so that its height can be that of what is in the frame. */
export const isFrameAlone = (code: Code): boolean =>
  shownAlone(code) !== null && frameOf(code)?.name === 'iframe';

/* Everything beside an element and what holds it, up to another one. */
function siblings({ markup }: Code, from: MarkupElement, to: MarkupElement | null = null): MarkupNode[] {
  const beside: MarkupNode[] = [];
  for (let element: MarkupElement | null = from; element && element !== to; element = element.parent)
    beside.push(...(element.parent?.children ?? markup.roots).filter((node) => node !== element));
  return beside;
}

const isShown = (node: MarkupNode): boolean =>
  node.kind === 'element' ? !silent.has(node.name) : node.kind === 'text' && node.value.trim() !== '';
