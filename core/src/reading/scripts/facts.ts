import type { Use } from '../reading.ts';

/** What an inline script shows of itself, without being run. */
export interface ScriptFacts {
  /** False where it was too long or could not be parsed, and only its tokens were read. */
  whole: boolean;
  /** Addresses in its strings, also put together from constant pieces. */
  addresses: { url: string; use: Use; when: 'load' | 'use' }[];
  /** Ids that it looks for. */
  ids: string[];
  /** Classes that it looks for. */
  classes: string[];
  /** Form fields that it looks for by name. */
  fields: string[];
  /** Names that it makes global; shared where a second copy gets on with what is there (`x = x || []`). */
  globals: { name: string; shared: boolean }[];
  /** Events that it listens to on the window or the document. */
  listeners: string[];
  /** Elements that it creates by name. */
  creates: string[];
  /** Calls of methods on queues or providers' objects: `q.push(…)`, `Prov.load(…)`. */
  calls: string[];
  /** Names of members of the objects that it writes out, as options are given to libraries. */
  keys: string[];
  writesDocument: boolean;
  /** Whether it plays a medium by itself. */
  plays: boolean;
  opensWindows: boolean;
  storesData: boolean;
}

export const noScriptFacts = (): ScriptFacts => ({
  whole: true,
  addresses: [],
  ids: [],
  classes: [],
  fields: [],
  globals: [],
  listeners: [],
  creates: [],
  calls: [],
  keys: [],
  writesDocument: false,
  plays: false,
  opensWindows: false,
  storesData: false,
});

/** An absolute or protocol-relative address (http, https, ws, wss) at the beginning of a constant string. */
export const looksLikeAddress = (text: string): boolean =>
  /^(?:(?:https?|wss?):)?\/\/[a-z0-9.[\]_-]+(?::\d+)?(?:[/?#]|$)/i.test(text);

/**
 * Whether an address only names a vocabulary, and is never fetched (Namespaces in XML, section 2.1; RDF).
 */
export const isNameOnly = (url: string): boolean =>
  /^https?:\/\/(?:www\.w3\.org\/(?:\d{4}|XML|TR)|purl\.org\/|xmlns\.com\/)/i.test(url);

/** The addresses that stand inside a longer text, such as markup that a script writes. */
export function addressesIn(text: string): string[] {
  const out: string[] = [];
  const pattern = /(?:(?:https?|wss?):)?\/\/[a-z0-9._-]+(?::\d+)?(?:\/[^\s"'<>`)\\]*)?/gi;
  for (let found = pattern.exec(text); found; found = pattern.exec(text))
    if (/\.|localhost/i.test(found[0]) && !isNameOnly(found[0])) out.push(found[0]);
  return out;
}
