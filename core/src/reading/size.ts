import { attribute, parseStyle, type Markup, type MarkupElement } from '../text/index.ts';
import type { Length, Size } from './reading.ts';

/** The size that an element states: its inline style wins over its attributes (HTML, section 15.4.3). */
export function sizeOf(markup: Markup, element: MarkupElement): Size {
  const style = element.attributes.get('style');
  const declared = style ? parseStyle(markup.text.slice(style.valueStart, style.valueEnd)) : [];
  const pick = (name: 'width' | 'height'): Length | null => {
    const styled = declared.findLast((d) => d.property === name)?.value;
    return (styled === undefined ? null : cssLength(styled)) ?? dimension(attribute(element, name));
  };
  return sized(pick('width'), pick('height'));
}

/** A size with its ratio, which is only told by two lengths of one unit in px. */
export function sized(width: Length | null, height: Length | null): Size {
  const plain = width?.unit === 'px' && height?.unit === 'px' && width.value > 0 && height.value > 0;
  return { width, height, ratio: plain ? Math.round((width.value / height.value) * 10_000) / 10_000 : null };
}

export const noSize: Size = { width: null, height: null, ratio: null };

/* HTML, section 2.3.4.4: "rules for parsing dimension values": leading digits count, what follows is ignored. */
function dimension(value: string | null): Length | null {
  const found = /^\s*\+?(\d+(?:\.\d+)?)(%?)/.exec(value ?? '');
  return found ? { value: Number(found[1]), unit: found[2] === '%' ? '%' : 'px' } : null;
}

function cssLength(value: string): Length | null {
  const found = /^(\d+(?:\.\d+)?)(px|%)$/i.exec(value.trim());
  return found ? { value: Number(found[1]), unit: found[2] === '%' ? '%' : 'px' } : null;
}
