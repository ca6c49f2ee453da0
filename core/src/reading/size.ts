import { attribute, type Markup, type MarkupElement } from '../text/index.ts';
import { declarationsFor } from './declarations.ts';
import type { Length, Size } from './reading.ts';
import type { StyleFacts } from './style-rules.ts';

export const noSize: Size = { width: null, height: null, ratio: null };

/**
 * The size that a code states for an element: its inline style wins over the code's own rules,
 * these over its attributes (HTML, section 15.4.3), these over data attributes. A box around it
 * that holds a shape gives the ratio.
 */
export function sizeOf(markup: Markup, shown: MarkupElement, styles: readonly StyleFacts[] = []): Size {
  const element = shown.name === 'picture' ? (imageIn(shown) ?? shown) : shown;
  const declared = declarationsFor(markup, element, styles);
  const pick = (name: 'width' | 'height'): Length | null => {
    const styled = declared.get(name) ?? (name === 'height' ? declared.get('min-height') : undefined);
    return (
      (styled === undefined ? null : cssLength(styled)) ??
      dimension(attribute(element, name)) ??
      dimension(attribute(element, name === 'width' ? 'data-width' : 'data-height'))
    );
  };
  const [width, height] = [pick('width'), pick('height')];
  const ratio =
    aspect(declared.get('aspect-ratio')) ?? boxRatio(markup, element, styles) ?? lengthRatio(width, height);
  return { width, height, ratio: ratio === null ? null : Math.round(ratio * 10_000) / 10_000 };
}

/* Of several forms of a picture, the one that says its size (HTML, section 4.8.1). */
const imageIn = ({ children }: MarkupElement): MarkupElement | undefined =>
  children.find((child): child is MarkupElement => child.kind === 'element' && child.name === 'img');

/**
 * The shape that a provider's own box holds around an element: by `aspect-ratio`, or by padding in per cent.
 */
function boxRatio(markup: Markup, element: MarkupElement, styles: readonly StyleFacts[] = []): number | null {
  for (let box = element.parent; box; box = box.parent) {
    const declared = declarationsFor(markup, box, styles);
    const ratio = aspect(declared.get('aspect-ratio')) ?? paddingRatio(declared);
    if (ratio !== null) return ratio;
  }
  return null;
}

function paddingRatio(declared: ReadonlyMap<string, string>): number | null {
  const short = (declared.get('padding') ?? '').split(/\s+/);
  const vertical = [
    declared.get('padding-bottom') ?? short[2] ?? short[0],
    declared.get('padding-top') ?? short[0],
  ];
  for (const value of vertical) {
    if (value === undefined) continue;
    const found =
      /^(\d{1,4}(?:\.\d{1,6})?)%$/.exec(value) ?? /^calc\(\s?(\d{1,4}(?:\.\d{1,6})?)%/.exec(value);
    // Padding in per cent counts of the width; of a box that is no wider than its height it is rarely
    // anything else than the shape.
    if (found && Number(found[1]) >= 10) return 100 / Number(found[1]);
    const parts = /^calc\(\s?(?:100%\s?\*\s?)?(\d{1,5})\s?\/\s?(\d{1,5})(?:\s?\*\s?100%)?\s?\)$/.exec(value);
    if (parts) return Number(parts[2]) / Number(parts[1]);
  }
  return null;
}

function aspect(value: string | undefined): number | null {
  if (value === undefined) return null;
  const found = /^(?:auto\s)?(\d{1,5}(?:\.\d{1,6})?)(?:\s?\/\s?(\d{1,5}(?:\.\d{1,6})?))?(?:\sauto)?$/.exec(
    value,
  );
  const [width, height] = [Number(found?.[1] ?? 0), Number(found?.[2] ?? 1)];
  return width > 0 && height > 0 ? width / height : null;
}

const lengthRatio = (width: Length | null, height: Length | null): number | null =>
  width && height && width.unit === height.unit && width.unit !== '%' && width.value > 0 && height.value > 0
    ? width.value / height.value
    : null;

/* HTML, section 2.3.4.4: "rules for parsing dimension values": leading digits count, what follows is
   ignored. */
function dimension(value: string | null): Length | null {
  if (value === null) return null;
  const found = /^\s{0,20}\+?(\d{1,7}(?:\.\d{1,6})?)(%?)/.exec(value);
  return found ? { value: Number(found[1]), unit: found[2] === '%' ? '%' : 'px' } : null;
}

function cssLength(value: string): Length | null {
  const found = /^(\d{0,7}(?:\.\d{1,6})?)(px|%|em|rem|vh|vw|pt|cm|mm|in|ch|vmin|vmax)$/i.exec(value.trim());
  return found && found[1] !== ''
    ? { value: Number(found[1]), unit: found[2]!.toLowerCase() as Length['unit'] }
    : null;
}
