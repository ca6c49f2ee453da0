import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Response } from 'express';

/* A list of more than this many is sent piece by piece, of so many characters each. */
const [long, piece] = [500, 65_536];

/**
 * Sends data as JSON. What has a long list in it is never one text in memory: thousands of codes with their
 * edits are put into words as they are sent.
 */
export async function sendJson(response: Response, data: unknown): Promise<void> {
  const members =
    typeof data === 'object' && data !== null && !Array.isArray(data)
      ? Object.entries(data).filter(([, value]) => value !== undefined)
      : [];
  if (!members.some(([, value]) => Array.isArray(value) && value.length > long))
    return void response.json(data);
  try {
    await pipeline(
      Readable.from(pieces(members), { objectMode: true, highWaterMark: 1 }),
      response.type('json'),
    );
  } catch (error) {
    // Whoever went away before the end wants no answer any more.
    if ((error as NodeJS.ErrnoException).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
  }
}

function* pieces(members: readonly [string, unknown][]): Generator<string> {
  let waiting = '';
  for (const word of words(members)) {
    waiting += word;
    if (waiting.length < piece) continue;
    yield waiting;
    waiting = '';
  }
  yield waiting;
}

function* words(members: readonly [string, unknown][]): Generator<string> {
  for (const [i, [name, value]] of members.entries()) {
    yield `${i === 0 ? '{' : ','}${JSON.stringify(name)}:`;
    if (!Array.isArray(value)) yield JSON.stringify(value);
    else {
      yield '[';
      for (const [n, item] of value.entries()) yield (n === 0 ? '' : ',') + JSON.stringify(item ?? null);
      yield ']';
    }
  }
  yield '}';
}
