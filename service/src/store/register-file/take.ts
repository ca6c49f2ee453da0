import type { RecordOf, RecordType } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';

/**
 * Writes records of one kind down, as somebody’s. Call it in a transaction.
 * @throws RecordUnfit where one names what is not there
 */
export type Take<T extends RecordType> = (
  tx: Handle,
  records: readonly RecordOf<T>[],
  by: number,
) => Promise<void>;

/** A time as a row has it. */
export const date = (at: string): Date => new Date(at);

/** The same of one that may be missing. */
export const dateOrNull = (at: string | null): Date | null => (at === null ? null : new Date(at));
