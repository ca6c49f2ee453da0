import { attribute, parseAddress, parseMarkup, type Markup, type MarkupElement } from '../text/index.ts';
import type { Reading } from '../reading/reading.ts';
import { alone, isMountOf, matchFrame, sheetOfLoader } from './match.ts';
import type { Sheet } from './sheet.ts';

/** The id of the item that a code shows, as its provider's sheet finds it; null where it does not. */
export function itemOf(
  code: { reading: Pick<Reading, 'addresses'>; markup: Pick<Markup, 'elements'> },
  sheet: Sheet,
): string | null {
  for (const { use, url } of code.reading.addresses) {
    const match = use === 'frame' ? matchFrame(url, alone(sheet)) : null;
    if (match) return match.id;
  }
  if (!('parts' in sheet.code)) return null;
  for (const { html } of sheet.code.parts) {
    // The template is a code itself: where it says {id}, a code of this provider has the id.
    for (const element of parseMarkup(html).elements) {
      for (const { name, value } of element.attributes.entries) {
        if (!value.includes('{id}') || name === 'id') continue;
        const found = code.markup.elements
          .filter((other) => isSame(other, element, sheet))
          .map((other) => idIn(attribute(other, name), value));
        const id = found.find((one) => one !== null);
        if (id !== undefined) return id;
      }
    }
  }
  return null;
}

/* An element of a code that stands for one of a template: what the sheet knows it by, and called the same. */
function isSame(element: MarkupElement, template: MarkupElement, sheet: Sheet): boolean {
  if (element.name !== template.name) return false;
  const source = attribute(element, 'src');
  if (element.name === 'script' && source !== null) return sheetOfLoader(source, alone(sheet)) !== null;
  return isMountOf(element, sheet) || !isMountOf(template, sheet);
}

function idIn(value: string | null, template: string): string | null {
  // Longer ones are nobody's: each part of a template that is left open takes its time with all of it.
  if (value === null || value.length > 4096) return null;
  const parameter = parseAddress(template, { plain: true }).parameters.find((p) => p.value === '{id}');
  if (parameter)
    return (
      parseAddress(value, { plain: true }).parameters.find(
        ({ name, in: place }) => name === parameter.name && place === parameter.in,
      )?.value || null
    );
  const pattern = template
    .split(/(\{[^{}]*\})/)
    .map((piece) =>
      piece === '{id}'
        ? '(.+?)'
        : piece.startsWith('{')
          ? '.*?'
          : piece.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&'),
    )
    .join('');
  const address = /\/\//.test(template);
  // Whatever an address carries beyond its path says nothing of the item, unless the template has it.
  const [plain = ''] = address && !template.includes('?') ? value.split(/[?#]/, 1) : [value];
  const id = new RegExp(`^${pattern}$`, 's').exec(plain)?.[1];
  return id === undefined ? null : address ? decoded(id) : id;
}

function decoded(id: string): string {
  try {
    return decodeURIComponent(id);
  } catch {
    return id;
  }
}
