import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { parseSheet } from '@orbis/contract';
import type { Sheet } from '@orbis/core';

/* Beside this package, wherever this code itself was put: the command line is bundled. */
const folder = new URL(
  'built-in/',
  pathToFileURL(createRequire(import.meta.url).resolve('@orbis/sheets/package.json')),
);

/**
 * The provider sheets in a folder of files (`.json`, `.yaml`, `.yml`), in alphabetical order.
 * @throws SheetInvalid when a file does not follow the schema, and the system's error when
 * the folder cannot be read.
 */
export function sheetsIn(directory: string | URL): Sheet[] {
  const base = typeof directory === 'string' ? pathToFileURL(`${directory}/`) : directory;
  return readdirSync(base)
    .filter((name) => /\.(?:json|ya?ml)$/.test(name))
    .sort()
    .map((name) => parseSheet(readFileSync(new URL(encodeURIComponent(name), base), 'utf8'), name));
}

/**
 * The provider sheets that Orbis ships, in alphabetical order. They are files of data beside this package.
 * @throws SheetInvalid when a file does not follow the schema.
 */
export const builtInSheets = (): Sheet[] => sheetsIn(folder);
