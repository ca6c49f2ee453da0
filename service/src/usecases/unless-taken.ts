import { OrbisError } from '@orbis/contract';
import { isDuplicate } from '../database/errors.ts';

/**
 * Puts something in that has a key of its own.
 * @throws OrbisError `key-taken` where that is there.
 */
export async function unlessTaken(what: string, key: string, insert: () => Promise<void>): Promise<void> {
  try {
    await insert();
  } catch (error) {
    if (isDuplicate(error)) throw new OrbisError('key-taken', { what, key });
    throw error;
  }
}
