import type { Sheet } from '@orbis/core';
import {
  OrbisError,
  RecordUnfit,
  type RecordOf,
  type RecordType,
  type RegisterRecord,
  type RegisterTaken,
} from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { isDuplicate } from '../../database/errors.ts';
import type { Deps } from '../../deps.ts';
import { recordChange } from '../../store/change-log.ts';
import type { Actor } from '../../store/embeds.ts';
import { bareEmbed, isEmpty, settleRegister, takes, type Take } from '../../store/register-file/index.ts';
import { recordsIn, unfit, type NumberedRecord } from './records-in.ts';
import { describeEmbeds } from './describe-embeds.ts';
import { takeSheet } from './take-sheet.ts';

/* So many records of one kind are written at once. */
const together = 500;
/* Or fewer, with so many characters of code. */
const mostText = 4 * 1024 * 1024;

/**
 * Takes a register file in, into a register that is empty: all of it, or nothing.
 * @returns how many lines there were of each kind
 * @throws OrbisError `register-not-empty`, `register-file-invalid` with the line
 */
export async function takeInRegister(
  input: AsyncIterable<Uint8Array>,
  { connection: { db }, reader, sheetRegistry }: Pick<Deps, 'connection' | 'reader' | 'sheetRegistry'>,
  actor: Actor,
): Promise<RegisterTaken> {
  // It is tried once: where something else is written at the same time, the register is not empty any more.
  const lines = await db.transaction(async (tx) => {
    if (!(await isEmpty(tx))) throw new OrbisError('register-not-empty');
    const counts: Partial<Record<RecordType, number>> = {};
    const sheets: Sheet[] = [];
    for await (const batch of batchesOf(recordsIn(input))) {
      const { type } = batch[0]!.record;
      counts[type] = (counts[type] ?? 0) + batch.length;
      await takeBatch(tx, batch, { reader, sheets, actor });
    }
    await settleRegister(tx);
    const bare = await bareEmbed(tx);
    if (bare !== null)
      throw unfit(sum(counts), new RecordUnfit(`the embed “${bare}” has no code, or no revision`));
    const builtIn = sheetRegistry.renderContext().sheets;
    const all = [...sheets, ...builtIn.filter(({ id }) => !sheets.some((own) => own.id === id))];
    await describeEmbeds(tx, { reader, sheets: all });
    const { register: _first, end: _last, ...taken } = counts;
    await recordChange(tx, { facts: { kind: 'register-taken', lines: sum(taken) } }, actor);
    return taken;
  });
  await sheetRegistry.refresh(db);
  return { lines };
}

const sum = (counts: Partial<Record<RecordType, number>>): number =>
  Object.values(counts).reduce((all, each) => all + each, 0);

/* Records of one kind that follow each other. */
async function* batchesOf(records: AsyncIterable<NumberedRecord>): AsyncGenerator<NumberedRecord[]> {
  let batch: NumberedRecord[] = [];
  let text = 0;
  for await (const each of records) {
    const isOther = batch.length > 0 && batch[0]!.record.type !== each.record.type;
    if (isOther || batch.length >= together || text > mostText) {
      yield batch;
      batch = [];
      text = 0;
    }
    batch.push(each);
    text += sizeOf(each.record);
  }
  if (batch.length > 0) yield batch;
}

/* About how many characters of code a record carries. */
function sizeOf(record: RegisterRecord): number {
  if (record.type === 'source') return record.pasted.length + record.base.length;
  if (record.type !== 'delivery') return 0;
  return record.snippets.reduce(
    (all, { runs }) => all + runs.reduce((own, { text }) => own + text.length, 0),
    0,
  );
}

interface Taking {
  reader: Deps['reader'];
  /** Those of the file, as they come. */
  sheets: Sheet[];
  actor: Actor;
}

/* What cannot be written as a whole is written line by line once more, so that the line is known. */
async function takeBatch(tx: Handle, batch: readonly NumberedRecord[], taking: Taking): Promise<void> {
  try {
    await tx.transaction((inner) => takeTogether(inner, batch, taking));
  } catch (error) {
    if (!isUnfit(error)) throw error;
    const [{ line, record }] = batch as [NumberedRecord, ...NumberedRecord[]];
    if (batch.length > 1) for (const each of batch) await takeBatch(tx, [each], taking);
    throw unfit(line, isDuplicate(error) ? new RecordUnfit(`this ${record.type} is there already`) : error);
  }
}

const isUnfit = (error: unknown): error is RecordUnfit => error instanceof RecordUnfit || isDuplicate(error);

async function takeTogether(
  tx: Handle,
  batch: readonly NumberedRecord[],
  { reader, sheets, actor }: Taking,
): Promise<void> {
  const records = batch.map((each) => each.record);
  const { type } = records[0]!;
  if (type === 'register' || type === 'end') return;
  if (type === 'sheet')
    for (const record of records)
      sheets.push(await takeSheet(tx, record as RecordOf<'sheet'>, reader, actor));
  else await (takes[type] as Take<typeof type>)(tx, records as RecordOf<typeof type>[], actor.by);
}
