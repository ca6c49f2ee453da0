import { decodeAttribute, undecoded, type DecodedText } from './entities.ts';

export type ParameterPlace = 'query' | 'fragment';

/** One parameter of an address, decoded, with the raw places of the whole item. */
export interface AddressParameter {
  name: string;
  /** Null where the parameter stands alone, without `=`. */
  value: string | null;
  in: ParameterPlace;
  /** Offsets within the raw text of the address. */
  start: number;
  end: number;
  valueStart: number;
  valueEnd: number;
}

/** An address as it stands in an attribute: raw, so that it can be changed byte for byte. */
export interface Address {
  raw: string;
  /** Character references decoded, and blanks around it taken off as the URL standard does (section 4.4). */
  url: string;
  parameters: AddressParameter[];
  /** How parameters are joined in this code: `&amp;` or a bare `&`. */
  joint: '&amp;' | '&';
}

/** What shall become of a parameter: a value, standing alone (`''` with `bare`), or gone (`null`). */
export interface ParameterChange {
  in: ParameterPlace;
  name: string;
  value: string | null;
  bare?: boolean;
}

/**
 * Reads an address out of a raw attribute value. Items are split as the URL standard does for
 * `application/x-www-form-urlencoded` (section 5.1); a fragment is split the same way where it has a `=`. A
 * `plain` one stands in no attribute: nothing in it is a character reference.
 */
export function parseAddress(raw: string, { plain = false }: { plain?: boolean } = {}): Address {
  return parseDecoded(raw, plain ? undecoded(raw) : decodeAttribute(raw));
}

function parseDecoded(raw: string, { text, at }: DecodedText): Address {
  const hash = text.indexOf('#');
  const queryEnd = hash < 0 ? text.length : hash;
  const first = text.indexOf('?');
  const mark = first < queryEnd ? first : -1;
  const parameters: AddressParameter[] = [];
  const trimmedEnd = text.trimEnd().length;
  const items = (from: number, to: number, place: ParameterPlace): void => {
    let start = from;
    const end = Math.min(to, Math.max(from, trimmedEnd));
    while (start <= end) {
      const joint = text.indexOf('&', start);
      const stop = joint < 0 || joint > end ? end : joint;
      if (stop > start) {
        const equals = text.indexOf('=', start);
        const split = equals < 0 || equals > stop ? stop : equals;
        parameters.push({
          name: formDecode(text.slice(start, split)),
          value: split === stop ? null : formDecode(text.slice(split + 1, stop)),
          in: place,
          start: at[start]!,
          end: at[stop]!,
          valueStart: at[Math.min(split + 1, stop)]!,
          valueEnd: at[stop]!,
        });
      }
      start = stop + 1;
    }
  };
  if (mark >= 0) items(mark + 1, queryEnd, 'query');
  if (hash >= 0 && text.indexOf('=', hash) >= 0) items(hash + 1, text.length, 'fragment');
  const query = mark < 0 ? '' : raw.slice(at[mark], at[queryEnd]);
  return {
    raw,
    url: text.trim(),
    parameters,
    joint: query.includes('&') && /&(?!amp;|#38;|#x26;)/i.test(query) ? '&' : '&amp;',
  };
}

/**
 * The raw address with the changes made, in their order. What no change names stays byte for
 * byte; a parameter that already has the wanted value is left as it is written; a second one of
 * the same name is taken out.
 */
export function changeAddress(
  address: Pick<Address, 'raw' | 'joint'>,
  changes: readonly ParameterChange[],
): string {
  let { raw } = address;
  for (const change of changes) raw = changeOne(raw, change, address.joint);
  return raw;
}

/** The raw address with another host where it has this one; ports and everything else stay. */
export function changeHost(raw: string, from: string, to: string): string {
  const found = /^(\s*(?:https?:)?\/\/)([^/?#:\s]+)/i.exec(raw);
  return found && found[2]!.toLowerCase() === from ? found[1]! + to + raw.slice(found[0].length) : raw;
}

function changeOne(raw: string, change: ParameterChange, joint: string): string {
  const decoded = decodeAttribute(raw);
  const same = parseDecoded(raw, decoded).parameters.filter(
    (p) => p.in === change.in && p.name === change.name,
  );
  const [first, ...others] = same;
  if (change.value === null) return [...same].reverse().reduce((text, p) => takeOut(text, p, change.in), raw);
  const kept = [...others].reverse().reduce((text, p) => takeOut(text, p, change.in), raw);
  const name = percentEncode(change.name);
  const written = change.bare ? name : `${name}=${percentEncode(change.value)}`;
  if (!first) return append(raw, decoded, written, { place: change.in, joint });
  if (first.value === change.value || (change.bare && first.value === null)) return kept;
  if (first.value === null || change.bare)
    return kept.slice(0, first.start) + written + kept.slice(first.end);
  return kept.slice(0, first.valueStart) + percentEncode(change.value) + kept.slice(first.valueEnd);
}

function takeOut(raw: string, item: { start: number; end: number }, place: ParameterPlace): string {
  const after = /^(?:&amp;|&#38;|&#x26;|&)/i.exec(raw.slice(item.end));
  if (after) return raw.slice(0, item.start) + raw.slice(item.end + after[0].length);
  const opener = place === 'query' ? '\\?' : '#';
  const before = new RegExp(`(?:&amp;|&#38;|&#x26;|&|${opener})$`, 'i').exec(
    raw.slice(Math.max(0, item.start - 6), item.start),
  );
  return raw.slice(0, item.start - (before?.[0].length ?? 0)) + raw.slice(item.end);
}

function append(
  raw: string,
  { text, at }: DecodedText,
  written: string,
  { place, joint }: { place: ParameterPlace; joint: string },
): string {
  const hash = text.indexOf('#');
  const blankFree = text.trimEnd().length;
  if (place === 'fragment') {
    const end = at[blankFree]!;
    const lead = hash < 0 ? '#' : hash === blankFree - 1 ? '' : joint;
    return raw.slice(0, end) + lead + written + raw.slice(end);
  }
  const stop = hash < 0 ? blankFree : hash;
  const mark = text.slice(0, stop).indexOf('?');
  const last = text[stop - 1];
  const lead = mark < 0 ? '?' : last === '?' || last === '&' ? '' : joint;
  const end = at[stop]!;
  return raw.slice(0, end) + lead + written + raw.slice(end);
}

/** Escapes what a query may not hold (URL standard, query percent-encode set, and what separates items). */
function percentEncode(text: string): string {
  // Most names and values are plain.
  if (/^[\w.~-]*$/.test(text)) return text;
  return encodeURIComponent(text)
    .replace(/%(?:3A|2F|2C|40|3B)/g, (escape) => decodeURIComponent(escape))
    .replaceAll("'", '%27');
}

function formDecode(text: string): string {
  if (!text.includes('%') && !text.includes('+')) return text;
  const spaced = text.replaceAll('+', ' ');
  try {
    return decodeURIComponent(spaced);
  } catch {
    // A stray `%`: the URL standard leaves such bytes as they are.
    return spaced;
  }
}
