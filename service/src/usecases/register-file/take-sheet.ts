import type { Sheet } from '@orbis/core';
import { RecordUnfit, type RecordOf } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../../store/embeds.ts';
import { putSheet } from '../../store/sheets.ts';

/** Keeps a provider sheet of a register file, as it was written. @throws RecordUnfit */
export async function takeSheet(
  tx: Handle,
  { id, text, at }: RecordOf<'sheet'>,
  reader: Pick<Deps['reader'], 'sheetFile'>,
  { by }: Actor,
): Promise<Sheet> {
  const read = await reader.sheetFile(text);
  if (!read.ok) throw new RecordUnfit(`the sheet ${id} cannot be read: ${read.faults[0]!.problem}`);
  if (read.sheet.id !== id) throw new RecordUnfit(`the sheet ${id} says that it is ${read.sheet.id}`);
  await putSheet(tx, null, { sheet: read.sheet, text }, { by, now: new Date(at) });
  return read.sheet;
}
