import { changeStyle, oneSentence, parseStyle, setRawAttribute, styleSeams, type Edit, type MarkupElement } from '../text/index.ts';
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
  const element = dressable(code);
  const refuse = (problem: WishProblem): { edits: Edit[]; problems: WishProblem[] } => ({ edits: [], problems: [problem] });
  // Every option is named: whoever drops what does not fit must not be left with the rest of it.
  if (!element) return { edits: [], problems: wished.map((option) => ({ wish: option.name, code: 'nothing-to-dress', facts: {} })) };
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

/** The shape to hold: what the owner says, else what the code says, else the natural shape of the provider's content. */
export function shapeOf(code: Code, wishes: Dress): { width: number; height: number } | null {
  if (wishes.shape) return reduced(wishes.shape);
  const element = dressable(code);
  const style = element?.attributes.get('style');
  const stated = style && parseStyle(code.text.slice(style.valueStart, style.valueEnd)).findLast((d) => d.property === 'aspect-ratio');
  const exact = /^(\d{1,5})\s?\/\s?(\d{1,5})$/.exec(stated?.value ?? '');
  if (exact) return reduced({ width: Number(exact[1]), height: Number(exact[2]) });
  const { width, height, ratio } = code.reading.size;
  if (ratio !== null) {
    const whole = width?.unit === 'px' && height?.unit === 'px' && Number.isInteger(width.value) && Number.isInteger(height.value);
    if (whole && Math.abs(width.value / height.value - ratio) < 0.0001) return reduced({ width: width.value, height: height.value });
    return fraction(ratio);
  }
  return code.sheet?.shape ? reduced(code.sheet.shape) : null;
}

/** The element whose own style makes the dress: the first frame or player. */
const dressable = (code: Code): MarkupElement | undefined => code.markup.elements.find((e) => ['iframe', 'video', 'object', 'embed', 'audio'].includes(e.name));

/* The simplest fraction that is as good as a ratio of four decimals. */
function fraction(ratio: number): { width: number; height: number } {
  for (let height = 1; height <= 200; height++) {
    const width = Math.round(ratio * height);
    if (width > 0 && Math.abs(width / height - ratio) < 0.0006) return { width, height };
  }
  return reduced({ width: Math.round(ratio * 1000), height: 1000 });
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
