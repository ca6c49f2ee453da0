import { readdirSync, readFileSync } from 'node:fs';
import { parseSheet } from '@orbis/contract';
import type { Sheet } from '@orbis/core';

const folder = new URL('../built-in/', import.meta.url);

/**
 * The provider sheets that Orbis ships, in alphabetical order. They are files of data beside this package.
 * @throws SheetInvalid when a file does not follow the schema.
 */
export function builtInSheets(): Sheet[] {
  return readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .sort()
    .map((name) => parseSheet(readFileSync(new URL(name, folder), 'utf8'), name));
}
