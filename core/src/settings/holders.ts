import { attribute, type MarkupElement } from '../text/index.ts';
import type { Code } from '../code.ts';
import type { ReadAddress } from '../reading/reading.ts';
import { isMountOf, sheetOfFrame, sheetOfLoader } from '../sheets/match.ts';
import type { SettingHolder, Sheet } from '../sheets/sheet.ts';

/** What a setting changes: an address, the element that it stands in, or an element with attributes of its own. */
export interface Holder {
  element: MarkupElement;
  /** Null for an element without an address. */
  address: ReadAddress | null;
}

const shown = new Set(['iframe', 'video', 'audio', 'object', 'embed']);

/** The frame or player that a code shows; null where it has none. */
export function shownElement({ markup }: Code): MarkupElement | null {
  return markup.elements.find((element) => shown.has(element.name)) ?? null;
}

/** Finds whose address or attribute a setting goes to; null where this code has no such part. */
export function holderOf(code: Code, sheet: Sheet, of: SettingHolder): Holder | null {
  const { markup, reading } = code;
  if (of === 'mount') {
    const element = markup.elements.find((e) => isMountOf(e, sheet));
    return element ? { element, address: null } : null;
  }
  const address =
    of === 'loader'
      ? reading.addresses.find(({ use, url }) => use === 'script' && sheetOfLoader(url, [sheet]))
      : reading.addresses.find(({ use, url }) => use === 'frame' && sheetOfFrame(url, [sheet]) !== null);
  const element = address && markup.elements.find((e) => e.start < address.start && e.startTagEnd > address.start);
  return element ? { element, address } : null;
}

/** The permissions that a frame's `allow` names (Permissions Policy, section 5.2), each as it is written there. */
export const permissionsOf = (element: MarkupElement): string[] =>
  (attribute(element, 'allow') ?? '')
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean);
