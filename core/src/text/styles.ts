import type { Declaration } from 'css-tree';
import { parseCss } from './css.ts';
import { decodeAttribute } from './entities.ts';

/** One declaration of a `style` attribute, with its offsets within the raw value. */
export interface StyleDeclaration {
  property: string;
  value: string;
  important: boolean;
  start: number;
  end: number;
}

/**
 * Reads the declarations of a raw `style` attribute value (CSS Style Attributes, section 2).
 * Broken ones are passed over.
 */
export function parseStyle(raw: string): StyleDeclaration[] {
  const { text, at } = decodeAttribute(raw);
  const list = parseCss(text, {
    context: 'declarationList',
    positions: true,
    parseValue: false,
    onParseError: () => {},
  });
  if (list.type !== 'DeclarationList') return [];
  return list.children
    .toArray()
    .filter((node): node is Declaration => node.type === 'Declaration')
    .map((node) => ({
      property: node.property.toLowerCase(),
      value: node.value.type === 'Raw' ? node.value.value.trim() : '',
      important: Boolean(node.important),
      start: at[node.loc!.start.offset]!,
      end: at[Math.min(node.loc!.end.offset, text.length)]!,
    }));
}

/**
 * The raw value with the wanted declarations in it: one that is there with another value is replaced
 * where it stands, the properties in `conflicting` are taken out, the rest is appended. What neither
 * names stays byte for byte.
 */
export function changeStyle(
  raw: string,
  wanted: readonly { property: string; value: string }[],
  conflicting: ReadonlySet<string>,
): { raw: string; replaced: string[] } {
  const now = parseStyle(raw);
  const settled = new Set<string>();
  const replaced: string[] = [];
  let out = raw;
  // From the end, so that the offsets of what comes before still hold.
  for (const declaration of [...now].reverse()) {
    const change = wanted.find((w) => w.property === declaration.property);
    const isLast = change && !settled.has(change.property);
    if (isLast) {
      settled.add(change.property);
      if (sameValue(declaration.value, change.value) && !declaration.important) continue;
      replaced.unshift(`${declaration.property}: ${declaration.value}`);
      out =
        out.slice(0, declaration.start) + `${change.property}:${change.value}` + out.slice(declaration.end);
    } else if (change || conflicting.has(declaration.property)) {
      replaced.unshift(`${declaration.property}: ${declaration.value}`);
      const joint = /^\s*;\s*/.exec(out.slice(declaration.end));
      out = out.slice(0, declaration.start) + out.slice(declaration.end + (joint?.[0].length ?? 0));
    }
  }
  const missing = wanted.filter((w) => !settled.has(w.property)).map((w) => `${w.property}:${w.value}`);
  if (missing.length > 0) {
    const kept = out.trimEnd();
    out = kept + (kept === '' || kept.endsWith(';') ? '' : ';') + missing.join(';');
  }
  return { raw: out, replaced };
}

const sameValue = (a: string, b: string): boolean => squeeze(a) === squeeze(b);
const squeeze = (value: string): string =>
  value
    .toLowerCase()
    .trim()
    .split(/\s+/)
    .join(' ')
    .replace(/ ?([/,]) ?/g, '$1');
