import { innerText, parseMarkup, setAttribute, type MarkupElement, type MarkupNode } from '../text/index.ts';
import { isTaken, type EditorRules } from './editor-rules.ts';

/** Something of a text that an editor takes out, and where it stands. */
export interface TakenOut {
  what: 'element' | 'attribute' | 'comment' | 'inline-script';
  /** Of the element or attribute. */
  name: string;
  /** The element that it is, or stands on; null for a comment. */
  element: MarkupElement | null;
  /** What goes: of an element whose content stays, its tags. */
  ranges: readonly { start: number; end: number }[];
}

/* With these goes what is in them: it would be shown as text otherwise. */
const whole: ReadonlySet<string> = new Set(['script', 'style', 'template', 'iframe', 'object', 'textarea']);

/**
 * What an editor with these rules takes out of a text, in the order of the text. What stands in an element
 * that goes as a whole is not told of by itself.
 */
export function takenOut(text: string, rules: EditorRules): TakenOut[] {
  const out: TakenOut[] = [];
  const stack: MarkupNode[] = [...parseMarkup(text).roots].reverse();
  for (let node = stack.pop(); node; node = stack.pop()) {
    if (node.kind === 'comment' && !rules.comments)
      out.push({ what: 'comment', name: '', element: null, ranges: [{ start: node.start, end: node.end }] });
    if (node.kind !== 'element') continue;
    const gone = elementTaken(text, node, rules);
    if (gone) out.push(gone);
    if (gone && isWhole(gone)) continue;
    if (!gone) out.push(...attributesTaken(text, node, rules));
    for (let at = node.children.length - 1; at >= 0; at--) stack.push(node.children[at]!);
  }
  return out;
}

const isWhole = ({ ranges }: TakenOut): boolean => ranges.length === 1;

function elementTaken(text: string, element: MarkupElement, rules: EditorRules): TakenOut | null {
  const { name, start, end, startTagEnd, endTagStart } = element;
  const isInline = name === 'script' && innerText(text, element).trim() !== '';
  const all = [{ start, end }];
  if (!isTaken(rules.elements, name))
    return isInline && !rules.inlineScripts ? { what: 'inline-script', name, element, ranges: all } : null;
  const tags =
    endTagStart === null
      ? [{ start, end: startTagEnd }]
      : [
          { start, end: startTagEnd },
          { start: endTagStart, end },
        ];
  return { what: 'element', name, element, ranges: whole.has(name) ? all : tags };
}

const attributesTaken = (text: string, element: MarkupElement, { attributes }: EditorRules): TakenOut[] =>
  element.attributes
    .names()
    .filter((name) => isTaken(attributes, name))
    .flatMap((name): TakenOut[] => {
      const edit = setAttribute(text, element, name, null);
      return edit ? [{ what: 'attribute', name, element, ranges: [edit] }] : [];
    });

/**
 * The text as an editor with these rules publishes it.
 * @example
 * throughEditor('<b id="x">Hear</b>', { ...openEditor, attributes: { which: 'these', names: ['id'] } })
 * // <b>Hear</b>
 */
export const throughEditor = (text: string, rules: EditorRules): string =>
  takenOut(text, rules)
    .flatMap(({ ranges }) => [...ranges])
    .sort((a, b) => b.start - a.start)
    .reduce((left, { start, end }) => left.slice(0, start) + left.slice(end), text);
