import type { Sheet } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { readRules, usualRules } from '../store/rules.ts';
import { listSheets, sheetRegistryState } from '../store/sheets.ts';
import type { RenderContext } from './render-context.ts';

/**
 * The sheets at hand and the rules for all: read from the database once, and again after each
 * change, whoever made it.
 */
export interface SheetRegistry {
  /** What output is made with now; the same object until something changes. */
  renderContext: () => RenderContext;
  /** The sheets as they would be with this one of the owner's own, or without it. */
  without(id: string): Sheet[];
  with(sheet: Sheet): Sheet[];
  builtIn(id: string): Sheet | null;
  /** Reads them again where another process has changed them: one small question. */
  refresh(db: Handle): Promise<void>;
}

export function createSheetRegistry(
  builtIn: readonly Sheet[],
  { workOut, workOutPage, servedAt, sharesHost }: Omit<RenderContext, 'sheets' | 'rules'>,
): SheetRegistry {
  const tools = { workOut, workOutPage, servedAt, sharesHost };
  let own: readonly Sheet[] = [];
  let state = '';
  let renderContext: RenderContext = { sheets: builtIn, rules: usualRules, ...tools };
  // The owner's own stand before the built-in ones, and in the place of those of the same id.
  const order = (mine: readonly Sheet[]): Sheet[] => [
    ...mine,
    ...builtIn.filter(({ id }) => !mine.some((sheet) => sheet.id === id)),
  ];
  return {
    renderContext: () => renderContext,
    without: (id) => order(own.filter((sheet) => sheet.id !== id)),
    with: (sheet) =>
      order([...own.filter(({ id }) => id !== sheet.id), sheet].sort((a, b) => (a.id < b.id ? -1 : 1))),
    builtIn: (id) => builtIn.find((sheet) => sheet.id === id) ?? null,
    refresh: async (db) => {
      const now = await sheetRegistryState(db);
      if (now === state) return;
      own = (await listSheets(db)).map(({ sheet }) => sheet);
      renderContext = { sheets: order(own), rules: (await readRules(db)).rules, ...tools };
      state = now;
    },
  };
}
