import { attribute, parseStyle, type Markup, type MarkupElement } from '../text/index.ts';
import type { StyleFacts } from './style-rules.ts';

const nothing: ReadonlyMap<string, string> = new Map();

/**
 * The declarations that hold for an element, by property: those of the code’s own rules that name it, then
 * its style attribute.
 */
export function declarationsFor(
  markup: Markup,
  element: MarkupElement,
  styles: readonly StyleFacts[],
): ReadonlyMap<string, string> {
  if (styles.length === 0 && !element.attributes.has('style')) return nothing;
  const out = new Map<string, string>();
  if (styles.length > 0) {
    const id = attribute(element, 'id');
    const classes = (attribute(element, 'class') ?? '').split(/\s+/);
    for (const { rules } of styles) {
      for (const rule of rules) {
        const last = rule.selector.split(/[\s>+~]+/).at(-1) ?? '';
        const names = [...last.matchAll(/([#.]?)([\w-]+)/g)];
        const fits =
          names.length > 0 &&
          names.every(([, sign, name]) =>
            sign === '#' ? name === id : sign === '.' ? classes.includes(name!) : name === element.name,
          );
        if (fits) for (const [property, value] of rule.declarations) out.set(property, value);
      }
    }
  }
  const style = element.attributes.get('style');
  if (style)
    for (const { property, value } of parseStyle(markup.text.slice(style.valueStart, style.valueEnd)))
      out.set(property, value.toLowerCase());
  return out;
}
