import type { Code } from '../code.ts';
import type { TakenOut } from '../editor/index.ts';
import type { MarkupElement } from '../text/index.ts';
import { listenerTag } from '../visitors/index.ts';

/* Elements of a code that stand around what it shows, and say nothing that it needs. */
const around: ReadonlySet<string> = new Set(
  'div span p br hr center section article aside header footer figure figcaption blockquote noscript b i em strong small h1 h2 h3 h4 h5 h6'.split(
    ' ',
  ),
);
/* What something is shown by, sent to, or asked with. */
const needed: ReadonlySet<string> = new Set(
  'src srcdoc href data action method name type value rel controls'.split(' '),
);

/** Where a lost thing stands: in what was pasted, or in what Orbis put there. */
export interface LossPlace {
  isOurs: boolean;
  code: Pick<Code, 'reading'>;
  /** The whole text. */
  text: string;
}

/**
 * Whether a code no longer does what it is for without this. What is lost otherwise is said: how it looks,
 * what it may do, what it is called.
 */
export function matters(taken: TakenOut, place: LossPlace): boolean {
  if (taken.what === 'comment' || taken.element === null) return false;
  return taken.what === 'attribute'
    ? attributeMatters(taken.name, taken.element, place)
    : elementMatters(taken.element, place);
}

function elementMatters(element: MarkupElement, { isOurs, code, text }: LossPlace): boolean {
  // Without it a frame keeps the height that it has.
  if (text.slice(element.start, element.end) === listenerTag) return false;
  if (isOurs) return ['iframe', 'script', 'a'].includes(element.name);
  return !around.has(element.name) || isNamed(element, code);
}

function attributeMatters(name: string, element: MarkupElement, { isOurs, code }: LossPlace): boolean {
  if (name.startsWith('data-orbis')) return false;
  // What is in the markup itself would be of the page’s own origin without it.
  if (name === 'sandbox' && element.attributes.has('srcdoc')) return true;
  if (isOurs) return needed.has(name);
  if (name === 'style') return /display\s*:\s*none/i.test(element.attributes.value(name) ?? '');
  return needed.has(name) || (isNaming(name) && holdsByNames(code));
}

/* Scripts and styles find their elements by these. */
const isNaming = (name: string): boolean => ['id', 'class', 'for'].includes(name) || name.startsWith('data-');
const isNamed = ({ attributes }: MarkupElement, code: Pick<Code, 'reading'>): boolean =>
  holdsByNames(code) && attributes.names().some(isNaming);
const holdsByNames = ({ reading: { needs, parts } }: Pick<Code, 'reading'>): boolean =>
  needs.scripts || parts.some(({ role }) => role === 'style');
