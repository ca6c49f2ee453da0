import { fillMarksIn, type FillFault, type FillMark } from '@orbis/core';
import { spoken } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';
import type { Io } from '../io.ts';

/** A file with places that are Orbis’s to fill. */
export interface MarkedFile {
  path: string;
  text: string;
  marks: FillMark[];
}

/* Pages are smaller than this, in bytes. */
const largest = 8 * 1024 * 1024;

/**
 * The files below these paths that have such places, in the order of their names.
 * @throws UsedWrongly with every comment that cannot be understood
 */
export async function markedFiles(paths: readonly string[], io: Io): Promise<MarkedFile[]> {
  const names: string[] = [];
  for (const path of paths) names.push(...(await io.filesBelow(path)));
  const marked: MarkedFile[] = [];
  const faults: string[] = [];
  for (const path of [...new Set(names)]) {
    const text = await textOf(path, io);
    if (text === null || !text.includes('orbis:')) continue;
    const found = fillMarksIn(text);
    faults.push(...found.faults.map((fault) => sentenceOf(path, fault)));
    if (found.marks.length > 0) marked.push({ path, text, marks: found.marks });
  }
  if (faults.length > 0) throw new UsedWrongly(`${faults.join('\n')}\nNothing was written.`);
  return marked;
}

/* Byte for byte, with its byte order mark; null for pictures and what is far larger than a page. */
async function textOf(path: string, io: Io): Promise<string | null> {
  const file = await io.openFile(path).catch((error: unknown) => {
    throw new UsedWrongly(
      `“${path}” cannot be read: ${error instanceof Error ? error.message : String(error)}.`,
    );
  });
  if (file.length > largest || file.beginning.includes('\0')) return null;
  const bytes = new Uint8Array(await new Response(file.stream()).arrayBuffer());
  try {
    return new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes);
  } catch {
    if (!Buffer.from(bytes).includes('<!-- orbis:')) return null;
    throw new UsedWrongly(`“${path}” is not written in UTF-8: save it so. Nothing was written.`);
  }
}

const sentenceOf = (path: string, { code, line, found }: FillFault): string =>
  `${path}, line ${line}: ${spoken.fillFaults[code](found)}`;
