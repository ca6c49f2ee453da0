import type { Readable } from 'node:stream';
import { talkTo } from './database-client.ts';
import { oneThatAnswers } from './one-that-answers.ts';

/*
 * One consistent state of all tables, seen from the beginning of the dump to its end, while others go on
 * writing; the rows in the order of their keys, so that the same rows are the same text.
 */
const args = [
  ...['--single-transaction', '--quick', '--order-by-primary', '--hex-blob', '--no-autocommit'],
  ...['--skip-lock-tables', '--skip-add-locks', '--skip-comments', '--skip-triggers', '--no-tablespaces'],
];

/**
 * All tables of a database as SQL.
 * @throws CannotCopy while it is read, or at its end.
 */
export async function* dumped(url: string, signal?: AbortSignal): AsyncGenerator<Buffer> {
  const { child, ended } = talkTo(await oneThatAnswers(url), 'mariadb-dump', args, signal);
  child.stdin.end();
  for await (const chunk of child.stdout as Readable & AsyncIterable<Buffer>) yield chunk;
  await ended;
}

/** Puts chunks together into pieces of about this many bytes. */
export async function* inPieces(chunks: AsyncIterable<Buffer>, bytes: number): AsyncGenerator<Buffer> {
  let held: Buffer[] = [];
  let size = 0;
  for await (const chunk of chunks) {
    held.push(chunk);
    size += chunk.length;
    if (size < bytes) continue;
    yield Buffer.concat(held);
    [held, size] = [[], 0];
  }
  if (size > 0) yield Buffer.concat(held);
}
