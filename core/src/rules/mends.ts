import {
  addressSeams,
  changeAddress,
  parseAddress,
  setAttribute,
  smallestChange,
  type Markup,
  type MarkupElement,
  type ParameterChange,
} from '../text/index.ts';
import type { Mend, ReadAddress } from '../reading/reading.ts';
import type { Reason } from '../reason.ts';
import type { SwitchSetting } from '../sheets/sheet.ts';

/** The edit that gives an element's attribute a value, or takes it out (`null`). */
export function mendAttribute(
  { text }: Markup,
  element: MarkupElement,
  name: string,
  value: string | null,
  why: Reason,
): Mend[] {
  const edit = setAttribute(text, element, name, value);
  return edit ? [{ ...edit, reason: why }] : [];
}

/** The edit that puts an attribute of presence into a start tag. */
export const mendPresence = (element: MarkupElement, name: string, why: Reason): Mend[] => [
  { start: element.nameEnd, end: element.nameEnd, text: ` ${name}`, reason: why },
];

/**
 * The edit that makes these changes in an address; none where the address is not in one piece (in a style, a
 * set of pictures).
 */
export function mendAddress(
  { text }: Markup,
  address: ReadAddress,
  changes: readonly ParameterChange[],
  why: Reason,
): Mend[] {
  const raw = text.slice(address.start, address.end);
  return replace(text, address.start, address.end, changeAddress(parseAddress(raw), changes), why);
}

/** The smallest edit that puts this raw text in the place of an address. */
export function replace(text: string, start: number, end: number, wanted: string, why: Reason): Mend[] {
  const edit = smallestChange(text, start, end, wanted, addressSeams);
  return edit ? [{ ...edit, reason: why }] : [];
}

/** What switches a provider's switch on or off in an address; none where it is an attribute. */
export function switchChange(setting: SwitchSetting | undefined, on: boolean): ParameterChange[] {
  if (!setting || (setting.in !== 'query' && setting.in !== 'fragment')) return [];
  const value = on ? setting.on : setting.off;
  const written = value === false ? 'false' : value;
  return [
    { in: setting.in, name: setting.name, value: written === true ? '' : written, bare: written === true },
  ];
}
