import {
  OrbisError,
  RecordUnfit,
  recordTypes,
  registerFormat,
  registerRecord,
  type RegisterRecord,
} from '@orbis/contract';
import { deepest, depthOf } from '../../json-depth.ts';
import { linesIn, type NumberedLine } from './lines-in.ts';

/** A record with the number of its line. */
export interface NumberedRecord {
  line: number;
  record: RegisterRecord;
}

/**
 * The records of a register file as it comes in, each as it must be: the first says what the file is, the
 * last that it is whole.
 * @throws OrbisError `register-file-invalid` with the line
 */
export async function* recordsIn(input: AsyncIterable<Uint8Array>): AsyncGenerator<NumberedRecord> {
  let [last, ended] = [0, false];
  try {
    for await (const line of linesIn(input)) {
      if (ended) throw new RecordUnfit('it stands behind the last line');
      last = line.number;
      const record = recordIn(line);
      if ((last === 1) !== (record.type === 'register'))
        throw new RecordUnfit(
          'a register file begins with one line that says what it is, as “orbis export” writes it',
        );
      if (record.type === 'end' && record.lines !== last - 1)
        throw new RecordUnfit(`there should be ${record.lines} lines before it, and there are ${last - 1}`);
      ended = record.type === 'end';
      yield { line: last, record };
    }
    if (!ended) throw new RecordUnfit('the file breaks off: its last line is missing');
  } catch (error) {
    throw error instanceof RecordUnfit ? unfit(last, error) : error;
  }
}

/** That a line cannot be taken in, in words. */
export const unfit = (line: number, { message }: RecordUnfit): OrbisError =>
  new OrbisError('register-file-invalid', { line, problem: message });

function recordIn({ bytes }: NumberedLine): RegisterRecord {
  if (depthOf(bytes) > deepest) throw new RecordUnfit('it nests deeper than any record does');
  const value = jsonIn(bytes);
  const type = typeof value === 'object' && value !== null && 'type' in value ? value.type : undefined;
  if (!recordTypes.some((known) => known === type))
    throw new RecordUnfit(`its type should be one of ${recordTypes.join(', ')}`);
  if (
    type === 'register' &&
    'format' in (value as object) &&
    (value as { format: unknown }).format !== registerFormat
  )
    throw new RecordUnfit('another Orbis wrote this file in a form that this one does not know');
  const read = registerRecord.safeParse(value);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  const where = issue!.path.map(String).join('/');
  throw new RecordUnfit(`${where === '' ? 'the record' : `“${where}”`}: ${issue!.message}`);
}

function jsonIn(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    throw new RecordUnfit('it is no JSON text in UTF-8');
  }
}
