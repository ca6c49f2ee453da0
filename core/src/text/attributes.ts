import { escapeAttribute } from './entities.ts';
import { smallestChange, type Edit, type Seams } from './edit.ts';
import type { MarkupElement } from './markup.ts';

type Place = Pick<Edit, 'start' | 'end' | 'text'>;

/**
 * The edit that gives an element's attribute this raw value (already escaped for its surroundings), or null
 * where it has it. A new attribute is put right behind the tag's name: there it is safe whatever the rest of
 * the tag looks like, and it wins over a broken one of the same name further on (HTML, section 13.2.5.33).
 */
export function setRawAttribute(
  text: string,
  element: MarkupElement,
  name: string,
  raw: string,
  seams?: Seams,
): Place | null {
  const found = element.attributes.get(name);
  if (!found) return { start: element.nameEnd, end: element.nameEnd, text: ` ${name}="${raw}"` };
  if (found.valueStart === found.end && found.quote === '')
    return raw === '' ? null : { start: found.end, end: found.end, text: `="${raw}"` };
  if (found.quote === '' && /[\s"'=<>`]/.test(raw))
    return { start: found.valueStart, end: found.valueEnd, text: `"${raw}"` };
  const safe = found.quote === "'" ? raw.replaceAll("'", '&#39;') : raw;
  return smallestChange(text, found.valueStart, found.valueEnd, safe, seams);
}

/**
 * The edit that gives an element's attribute this value, or takes it out (`null`);
 * null where nothing changes.
 */
export function setAttribute(
  text: string,
  element: MarkupElement,
  name: string,
  value: string | null,
): Place | null {
  const found = element.attributes.get(name);
  if (value === null) {
    if (!found) return null;
    const before = text.slice(element.nameEnd, found.start);
    return { start: found.start - (before.length - before.trimEnd().length), end: found.end, text: '' };
  }
  if (found && found.value === value) return null;
  return setRawAttribute(text, element, name, escapeAttribute(value));
}
