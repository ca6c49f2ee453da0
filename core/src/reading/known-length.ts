import { attribute, innerText, type Markup } from '../text/index.ts';

/**
 * How long the content of a code is, in seconds, where the code itself tells: in linked data (schema.org
 * `duration`, ISO 8601) or in a data attribute that counts seconds. Null where it does not, or where several
 * say different things.
 */
export function lengthIn(markup: Markup): number | null {
  const told = new Set<number>();
  for (const element of markup.elements) {
    if (element.name === 'script') {
      if (attribute(element, 'type')?.trim().toLowerCase() !== 'application/ld+json') continue;
      for (const found of innerText(markup.text, element).matchAll(
        /"duration"\s{0,9}:\s{0,9}"(P[^"]{1,40})"/g,
      ))
        told.add(isoSeconds(found[1]!) ?? 0);
      continue;
    }
    if (element.attributes.size === 0) continue;
    const stated = attribute(element, 'data-duration') ?? attribute(element, 'data-length');
    if (stated && /^\d{1,7}(?:\.\d{1,3})?$/.test(stated)) told.add(Number(stated));
  }
  told.delete(0);
  return told.size === 1 ? [...told][0]! : null;
}

/* ISO 8601-1, section 5.5.2.2, without years and months, which have no fixed length. */
function isoSeconds(text: string): number | null {
  const found = /^P(?:(\d{1,4})D)?(?:T(?:(\d{1,4})H)?(?:(\d{1,6})M)?(?:(\d{1,8}(?:\.\d{1,3})?)S)?)?$/.exec(
    text,
  );
  if (!found) return null;
  const [days, hours, minutes, seconds] = found
    .slice(1)
    .map((digits: string | undefined) => Number(digits ?? 0));
  return ((days! * 24 + hours!) * 60 + minutes!) * 60 + seconds!;
}
