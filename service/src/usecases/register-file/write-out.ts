import { PassThrough, Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Database, Handle } from '../../database/connect.ts';
import { recordsOf } from '../../store/register-file/index.ts';

/**
 * The whole register as it was at one moment, as lines of JSON (see `registerRecords` of the contract). It is
 * read as it is taken: of a register of any size little is in memory.
 */
export function writeOutRegister(
  db: Database,
  about: { orbis: string; now: Date },
): AsyncIterable<Uint8Array> {
  const out = new PassThrough();
  db.transaction((tx) => pipeline(Readable.from(linesOf(tx, about)), out), {
    isolationLevel: 'repeatable read',
    withConsistentSnapshot: true,
  }).catch((error: unknown) => out.destroy(error as Error));
  return out;
}

async function* linesOf(tx: Handle, about: { orbis: string; now: Date }): AsyncGenerator<string> {
  for await (const record of recordsOf(tx, about)) yield `${JSON.stringify(record)}\n`;
}
