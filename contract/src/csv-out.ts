import { stringify } from 'csv-stringify/browser/esm/sync';

/** Rows as a table (RFC 4180); what a spreadsheet would take for a formula is a text. */
export const tableText = (rows: readonly (readonly (string | number)[])[]): string =>
  stringify([...rows], { record_delimiter: '\r\n', escape_formulas: true });
