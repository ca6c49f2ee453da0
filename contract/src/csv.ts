import { parse } from 'csv-parse/browser/esm/sync';

/** A text that is no table; the message is a clause that says where and what is wrong. */
export class TableInvalid extends Error {}

/**
 * The rows of a table (RFC 4180, also with semicolons or tabs) by the names in its first line, in lower case.
 * @param columns - that it may have: by them it is seen what stands between two fields.
 * @throws TableInvalid
 */
export function tableIn(text: string, columns: readonly string[]): Record<string, string>[] {
  try {
    return parse(text, {
      columns: (heads: string[]) => heads.map((head) => head.trim().toLowerCase()),
      bom: true,
      delimiter: delimiterOf(text, columns),
      skip_empty_lines: true,
    });
  } catch (error) {
    throw new TableInvalid(csvProblem(error));
  }
}

/** Whether the first line of a text names at least one of these columns. */
export const hasColumns = (text: string, columns: readonly string[]): boolean =>
  columnsBy(delimiterOf(text, columns), text, columns) > 0;

/* What stands between the names of the columns: a comma, or what spreadsheets put there in many countries. */
const delimiterOf = (text: string, columns: readonly string[]): string =>
  [',', ';', '\t'].reduce((best, each) =>
    columnsBy(each, text, columns) > columnsBy(best, text, columns) ? each : best,
  );

function columnsBy(delimiter: string, text: string, columns: readonly string[]): number {
  const heads = text.replace(/^\uFEFF/, '').split(/\r?\n|\r/, 1)[0]!;
  return heads
    .split(delimiter)
    .filter((head) => columns.includes(head.replaceAll('"', '').trim().toLowerCase())).length;
}

/* In our words: those of the parser are for programmers. */
function csvProblem(error: unknown): string {
  const { code, lines } = error as { code?: string; lines?: number };
  const where = typeof lines === 'number' ? `line ${lines}` : 'the file';
  const problems: Record<string, string> = {
    CSV_QUOTE_NOT_CLOSED: 'a quotation mark is opened and never closed, so a field has no end',
    CSV_INVALID_CLOSING_QUOTE:
      'a quotation mark stands inside a field; a field with quotation marks is put into them, and each in it is doubled',
    CSV_RECORD_INCONSISTENT_COLUMNS: 'a row has more or fewer fields than there are columns',
    CSV_RECORD_INCONSISTENT_FIELDS_LENGTH: 'a row has more or fewer fields than there are columns',
  };
  return `${where}: ${problems[code ?? ''] ?? 'it cannot be read as a table with a first line of names'}`;
}
