import { changeStyle, oneSentence, setRawAttribute, styleSeams, type Edit, type MarkupElement } from '../text/index.ts';
import type { Code, WishProblem } from '../code.ts';
import { dressOptions } from './all.ts';
import type { Declaration, Dress, DressContext } from './option.ts';

/* The order in which declarations are written, whatever the order of the options. */
const order = ['display', 'width', 'max-width', 'height', 'aspect-ratio', 'margin', 'border', 'align-self'];

/**
 * Turns the dress into one edit of the frame's (or player's) own `style` attribute: declarations are appended, and
 * conflicting ones replaced, with the reasons. No option makes no edit; a code that is dressed so already gets none.
 */
export function dress(code: Code, wishes: Dress): { edits: Edit[]; problems: WishProblem[] } {
  const wished = dressOptions.filter((option) => wishes[option.name] !== undefined);
  if (wished.length === 0) return { edits: [], problems: [] };
  const element = code.markup.elements.find((e) => ['iframe', 'video', 'object', 'embed', 'audio'].includes(e.name));
  const refuse = (problem: WishProblem): { edits: Edit[]; problems: WishProblem[] } => ({ edits: [], problems: [problem] });
  if (!element) return refuse({ wish: wished[0]!.name, code: 'nothing-to-dress', facts: {} });
  if (wishes.fit && element.parent) return refuse({ wish: 'fit', code: 'own-wrapper', facts: { element: element.parent.name } });
  const context: DressContext = { dress: wishes, shape: shapeOf(code, wishes) };
  if (wishes.fit && !context.shape) return refuse({ wish: 'fit', code: 'shape-unknown', facts: {} });

  const declared = new Map<string, Declaration & { wish: string }>();
  const conflicts = new Set<string>();
  for (const option of wished) {
    const value = wishes[option.name]!;
    for (const d of option.declarations(value as never, context)) if (!declared.has(d.property)) declared.set(d.property, { ...d, wish: option.name });
    for (const property of option.conflicts) conflicts.add(property);
  }
  const wanted = [...declared.values()].sort((a, b) => order.indexOf(a.property) - order.indexOf(b.property));
  if (wanted.length === 0) return { edits: [], problems: [] };
  const { edit, replaced } = styleEdit(code, element, wanted, conflicts);
  if (!edit) return { edits: [], problems: [] };
  const reasons = oneSentence(wanted.map((d) => `${d.reason} (${d.property})`));
  const instead = replaced.length > 0 ? ` The code’s own ${replaced.join(', ')} had to give way.` : '';
  return { edits: [{ ...edit, stage: 'dress', wishes: [...new Set(wanted.map((d) => d.wish))], reason: reasons + instead }], problems: [] };
}

/** The shape to hold: what the owner says, else the size in the code, else the natural shape of the provider's content. */
export function shapeOf(code: Code, wishes: Dress): { width: number; height: number } | null {
  if (wishes.shape) return reduced(wishes.shape);
  const { width, height, ratio } = code.reading.size;
  if (ratio !== null && width && height && Number.isInteger(width.value) && Number.isInteger(height.value)) {
    return reduced({ width: width.value, height: height.value });
  }
  return code.sheet ? reduced(code.sheet.shape) : null;
}

function styleEdit(code: Code, element: MarkupElement, wanted: readonly Declaration[], conflicts: ReadonlySet<string>) {
  const found = element.attributes.get('style');
  const raw = found ? code.text.slice(found.valueStart, found.valueEnd) : '';
  const changed = changeStyle(raw, wanted, conflicts);
  return { edit: changed.raw === raw ? null : setRawAttribute(code.text, element, 'style', changed.raw, styleSeams), replaced: changed.replaced };
}

function reduced({ width, height }: { width: number; height: number }): { width: number; height: number } {
  const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));
  const by = divisor(width, height);
  return { width: width / by, height: height / by };
}
