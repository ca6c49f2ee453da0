import { XMLParser } from 'fast-xml-parser';
import { SyntaxValidator } from 'fast-xml-validator';

/**
 * The elements of a foreign XML document, by their names without prefixes; attributes do not count. Null
 * where it is not well-formed, or brings entities of its own: they could make a small document a very large
 * one.
 *
 * @param lists - elements that may stand several times, and are lists also where there is one.
 */
export function readXml(text: string, lists: readonly string[] = []): Record<string, unknown> | null {
  if (/<!DOCTYPE|<!ENTITY/i.test(text) || !isWellFormed(text)) return null;
  return new XMLParser({
    ignoreAttributes: true,
    parseTagValue: false,
    trimValues: true,
    removeNSPrefix: true,
    isArray: (name) => lists.includes(name),
  }).parse(text) as Record<string, unknown>;
}

function isWellFormed(xml: string): boolean {
  try {
    return SyntaxValidator.validate(xml);
  } catch {
    // It throws at the first thing that is wrong.
    return false;
  }
}
