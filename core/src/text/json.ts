import { findNodeAtLocation, modify, parseTree } from 'jsonc-parser';
import { decodeAttribute } from './entities.ts';

/** What JSON and options can hold for a setting. */
export type PlainValue = string | number | boolean;

/**
 * The raw value of an attribute that holds a JSON object (RFC 8259), with this member in it, or without it
 * (`null`). Everything else in it stays as it is written. Null where what it holds is no JSON object.
 */
export function changeJson(raw: string, path: readonly string[], value: PlainValue | null): string | null {
  const { text, at } = decodeAttribute(raw);
  const root = parseTree(text, [], { disallowComments: true });
  if (root?.type !== 'object') return null;
  const now = findNodeAtLocation(root, [...path]);
  if (now ? now.value === value : value === null) return raw;
  const edits = modify(text, [...path], value ?? undefined, {});
  return edits
    .sort((a, b) => b.offset - a.offset)
    .reduce(
      (result, { offset, length, content }) =>
        result.slice(0, at[offset]) + escapeAs(raw, content) + result.slice(at[offset + length]),
      raw,
    );
}

/** A plain member of the JSON object in an attribute's raw value; null where there is none. */
export function readJson(raw: string, path: readonly string[]): PlainValue | null {
  const root = parseTree(decodeAttribute(raw).text, [], { disallowComments: true });
  return root ? plain(findNodeAtLocation(root, [...path])?.value) : null;
}

/* A value that an option can have. */
const plain = (value: unknown): PlainValue | null =>
  typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? value : null;

/* Quotes as the attribute has them: as references where its own are written so, or where nothing
   says that it may hold them. */
const escapeAs = (raw: string, content: string): string => {
  const safe = content.replaceAll('&', '&amp;');
  return raw.includes('"') ? safe : safe.replaceAll('"', '&quot;');
};

/** Whether an attribute’s raw value is JSON that a member can be written into; an empty or missing one is. */
export const takesMembers = (raw: string): boolean =>
  changeJson(raw === '' ? '{}' : raw, ['\u0000'], null) !== null;
