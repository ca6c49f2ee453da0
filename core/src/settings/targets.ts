import { attribute, type MarkupElement } from '../text/index.ts';
import type { Code } from '../code.ts';
import type { ReadAddress, Reading } from '../reading/reading.ts';
import { alone, isMountOf, sheetOfFrame, sheetOfLoader } from '../sheets/match.ts';
import type { SettingTarget, Sheet, SheetSetting } from '../sheets/sheet.ts';

/**
 * What a setting changes: an element, and the addresses that stand in it (a player can have several files).
 */
export interface Target {
  element: MarkupElement;
  addresses: readonly ReadAddress[];
}

const shown = new Set(['iframe', 'video', 'audio', 'object', 'embed']);

/** The frame or player that a code shows, else its picture; null where it has none. */
export function shownElement({ markup }: Pick<Code, 'markup'>): MarkupElement | null {
  return (
    markup.elements.find((element) => shown.has(element.name)) ??
    markup.elements.find((element) => element.name === 'img') ??
    null
  );
}

/** Whether a reading, where there is one, has a frame, a player or a picture. */
export const showsSomething = (reading: Pick<Reading, 'parts'> | null): boolean =>
  reading === null ||
  reading.parts.some(({ role }) => role === 'frame' || role === 'media' || role === 'image');

/** Finds whose address or attribute a setting goes to; null where this code has no such part. */
export function targetOf(code: Code, sheet: Sheet, rule: Pick<SheetSetting, 'of' | 'call'>): Target | null {
  const of: SettingTarget = rule.of ?? 'frame';
  const { markup, reading, inside } = code;
  switch (of) {
    case 'mount': {
      const element = markup.elements.find((e) => isMountOf(e, sheet));
      return element ? { element, addresses: [] } : null;
    }
    case 'setup': {
      const element = markup.elements.find(
        (e) => e.name === 'script' && !e.attributes.has('src') && inside.handsOptionsTo(e, rule.call ?? ''),
      );
      return element ? { element, addresses: [] } : null;
    }
    case 'media': {
      const element = markup.elements.find((e) => e.name === 'video' || e.name === 'audio');
      return element
        ? {
            element,
            addresses: reading.addresses.filter(
              (a) => a.use === 'media' && a.start > element.start && a.end <= element.end,
            ),
          }
        : null;
    }
    case 'loader':
      return atAddress(
        code,
        reading.addresses.find(
          ({ use, url }) => use === 'script' && sheetOfLoader(url, alone(sheet)) !== null,
        ),
      );
    case 'frame':
      return atAddress(
        code,
        reading.addresses.find(
          ({ use, url }) =>
            use === 'frame' && (sheet.files !== undefined || sheetOfFrame(url, alone(sheet)) !== null),
        ),
      );
  }
}

/** The frame, player or script that an address stands in. */
function atAddress({ markup }: Code, address: ReadAddress | undefined): Target | null {
  const element =
    address && markup.elements.find((e) => e.start < address.start && e.startTagEnd > address.start);
  return element ? { element, addresses: [address] } : null;
}

/** Where parameters that are set by hand go: the address of what is shown, else that of the first script. */
export function mainAddresses(code: Code): readonly ReadAddress[] {
  const { addresses } = code.reading;
  const frame = addresses.find(({ use }) => use === 'frame');
  if (frame) return [frame];
  const media = addresses.filter(({ use }) => use === 'media');
  return media.length > 0
    ? media
    : addresses.filter(({ use }) => use === 'script' || use === 'image').slice(0, 1);
}

/**
 * The permissions that a frame's `allow` names (Permissions Policy, section 5.2),
 * each as it is written there.
 */
export const permissionsOf = (element: MarkupElement): string[] =>
  (attribute(element, 'allow') ?? '')
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean);

/** What stands in an attribute, as it is written; empty where there is none. */
export function rawAttribute({ text }: Pick<Code, 'text'>, element: MarkupElement, name: string): string {
  const found = element.attributes.get(name);
  return found ? text.slice(found.valueStart, found.valueEnd) : '';
}
