import { SheetInvalid } from '@orbis/contract';
import type { Sheet } from '@orbis/core';
import { builtInSheets, sheetsIn } from '@orbis/sheets';
import { UsedWrongly } from '../command.ts';

/**
 * The sheets that commands without the service work with: those of a folder, which win over built-in ones of
 * the same id, and the built-in ones.
 * @throws UsedWrongly where the folder or a file in it cannot be read.
 */
export function localSheets(folder: string | undefined): Sheet[] {
  if (folder === undefined) return builtInSheets();
  const own = read(folder);
  return [...own, ...builtInSheets().filter(({ id }) => !own.some((sheet) => sheet.id === id))];
}

function read(folder: string): Sheet[] {
  try {
    return sheetsIn(folder);
  } catch (error) {
    if (error instanceof SheetInvalid)
      throw new UsedWrongly(`A sheet in “${folder}” does not fit:\n${error.message}`);
    throw new UsedWrongly(
      `The sheets in “${folder}” cannot be read: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
}
