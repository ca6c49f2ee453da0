import { createHash, type Hash } from 'node:crypto';
import type { Tables } from './manifest.ts';

/** Counts the rows of a dump, and works out a digest of each table’s. */
export interface Tally {
  add(chunk: Buffer): void;
  tables(): Tables;
}

const lineEnd = 0x0a;
const parenthesis = 0x28;
const begins = [/^CREATE TABLE `([^`]+)`/, /^INSERT INTO `([^`]+)` VALUES$/] as const;

/**
 * Reads a dump as `mariadb-dump` writes it, piece by piece: each row in a line of its own behind its
 * `INSERT`, in the order of the primary key. What parts rows into statements is no part of the digest, so two
 * dumps of the same rows have the same one.
 */
export function createTally(): Tally {
  const tables = new Map<string, { rows: number; hash: Hash }>();
  let inserting: string | null = null;
  let rest: Buffer[] = [];
  const line = (text: Buffer): void => {
    if (inserting !== null && text[0] === parenthesis) {
      const table = tables.get(inserting)!;
      table.rows++;
      // Without the comma or semicolon behind it.
      table.hash.update(text.subarray(0, -1)).update('\n');
      return;
    }
    inserting = null;
    if (text.length > longestBegin) return;
    const [created, insert] = begins.map((begin) => begin.exec(text.toString('utf8'))?.[1]);
    if (created !== undefined) tables.set(created, { rows: 0, hash: createHash('sha256') });
    if (insert !== undefined && tables.has(insert)) inserting = insert;
  };
  return {
    add: (chunk) => {
      let from = 0;
      for (let end = chunk.indexOf(lineEnd); end >= 0; end = chunk.indexOf(lineEnd, from)) {
        const text = chunk.subarray(from, end);
        line(rest.length === 0 ? text : Buffer.concat([...rest, text]));
        rest = [];
        from = end + 1;
      }
      if (from < chunk.length) rest.push(chunk.subarray(from));
    },
    tables: () =>
      Object.fromEntries(
        [...tables].map(([name, { rows, hash }]) => [name, { rows, digest: hash.copy().digest('hex') }]),
      ),
  };
}

/* A table’s name has 64 characters at most. */
const longestBegin = 400;
