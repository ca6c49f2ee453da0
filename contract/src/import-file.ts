import { TableInvalid, tableIn } from './csv.ts';
import { OrbisError } from './errors.ts';
import type { BodyInput, Routes } from './routes/index.ts';

/** One code of many, as it is handed over. */
export type ImportItem = BodyInput<Routes['imports.create']>['items'][number];

/** A file of codes that is not what it should be; the message names the file and the place in it. */
export class ImportFileInvalid extends OrbisError {
  constructor(problem: string) {
    super('bad-request', { problem });
  }
}

/**
 * The codes in a file: CSV (RFC 4180, also with semicolons or tabs, with a first line that names the columns:
 * name, code, tags, note), or one JSON object a line (NDJSON) with the same members. Tags stand in one field,
 * with commas or semicolons between them.
 * @throws ImportFileInvalid with the row or line.
 */
export function itemsInFile(text: string, file: string): ImportItem[] {
  if (/\.html?$|\.txt$|\.svg$/i.test(file)) return [{ name: nameOfFile(file), text }];
  return /\.csv$/i.test(file) ? fromCsv(text, file) : fromLines(text, file);
}

/** What a file with one code is called: `opening-talk.html` is “opening talk”. */
export const nameOfFile = (file: string): string =>
  (file.split('/').at(-1) ?? file)
    .replace(/\.[a-z]+$/i, '')
    .replaceAll(/[-_]+/g, ' ')
    .trim() || file;

function fromCsv(text: string, file: string): ImportItem[] {
  try {
    return tableIn(text, columns).map((row, i) => itemOf(row, `${file}, row ${i + 2}`));
  } catch (error) {
    if (error instanceof TableInvalid)
      throw new ImportFileInvalid(`“${file}” is no table of codes: ${error.message}.`);
    throw error;
  }
}
const columns = ['name', 'code', 'tags', 'note'];

function fromLines(text: string, file: string): ImportItem[] {
  return text.split(/\r?\n/).flatMap((line, i) => {
    if (line.trim() === '') return [];
    let data: unknown;
    try {
      data = JSON.parse(line);
    } catch {
      throw new ImportFileInvalid(
        `${file}, line ${i + 1} is no JSON: each line is one object, {"name": …, "code": …}.`,
      );
    }
    return [
      itemOf(
        typeof data === 'object' && data !== null ? (data as Record<string, unknown>) : {},
        `${file}, line ${i + 1}`,
      ),
    ];
  });
}

function itemOf(row: Record<string, unknown>, where: string): ImportItem {
  const word = (name: string): string => (typeof row[name] === 'string' ? row[name] : '');
  const code = word('code');
  if (word('name').trim() === '' || code.trim() === '')
    throw new ImportFileInvalid(`${where} needs a name and a code (columns: name, code, tags, note).`);
  const tags = Array.isArray(row['tags']) ? row['tags'].map(String) : word('tags').split(/[;,\n]/);
  return {
    name: word('name'),
    text: code,
    tags: tags.map((tag) => tag.trim()).filter(Boolean),
    notes: word('note'),
  };
}
