import { isNode, LineCounter, parseDocument, stringify, type Document } from 'yaml';
import { z } from './zod.ts';
import type { Sheet } from '@orbis/core';
import { spoken } from './language/spoken.ts';
import { sheetSchema } from './sheet.ts';

/** The text of a sheet's file as it crosses the wire. */
export const sheetText = z
  .string()
  .min(1)
  .max(200_000)
  .meta({ description: 'The sheet’s file: JSON, or YAML 1.2' });

/** One place in a sheet's file that does not fit. */
export interface SheetFault {
  /** Members from the outside in, with slashes; empty for the whole. */
  path: string;
  line: number;
  column: number;
  problem: string;
}

/** A sheet's file that does not follow the schema; the message names the file and every place in it. */
export class SheetInvalid extends Error {
  readonly faults: readonly SheetFault[];
  constructor(file: string, faults: readonly SheetFault[]) {
    super(
      faults
        .map(
          ({ path, line, column, problem }) =>
            `${file}:${line}:${column}: ${path || 'the whole'}: ${problem}`,
        )
        .join('\n'),
    );
    this.faults = faults;
  }
}

/**
 * Reads the text of a sheet's file: JSON, or YAML 1.2 as people write it by hand (every JSON text is one).
 * @throws SheetInvalid with line and column of everything that does not fit.
 */
export function parseSheet(text: string, file: string): Sheet {
  const lines = new LineCounter();
  const document = parseDocument(text, { lineCounter: lines, prettyErrors: false, uniqueKeys: true });
  const at = (offset: number): { line: number; column: number } => {
    const { line, col } = lines.linePos(offset);
    return { line: Math.max(1, line), column: Math.max(1, col) };
  };
  if (document.errors.length > 0)
    throw new SheetInvalid(
      file,
      document.errors.map(({ pos, code }) => ({ path: '', ...at(pos[0]), problem: spoken.yamlFaults[code] })),
    );
  const data = plainData(document, file);
  const parsed = sheetSchema.safeParse(data);
  if (!parsed.success) {
    throw new SheetInvalid(
      file,
      parsed.error.issues.map(({ path, message }) => ({
        path: path.join('/'),
        ...at(offsetOf(document, path)),
        problem: message,
      })),
    );
  }
  // Zod gives the settings back in the schema's order; the file's own order is that of the parameters.
  const { settings } = data as Pick<Sheet, 'settings'>;
  return { ...parsed.data, settings };
}

/* What a document says, with its aliases unfolded: few, as each may stand for many more. */
function plainData(document: Document, file: string): unknown {
  try {
    return document.toJS({ maxAliasCount: 100 });
  } catch (error) {
    if (!(error instanceof ReferenceError)) throw error;
    throw new SheetInvalid(file, [
      {
        path: '',
        line: 1,
        column: 1,
        problem:
          'an alias (*name) names nothing that stands before it, or there are too many of them; write out what they stand for',
      },
    ]);
  }
}

/* Where the innermost thing of a path stands that is in the file at all. */
function offsetOf(document: Document, path: readonly PropertyKey[]): number {
  for (let length = path.length; length >= 0; length--) {
    const node = length === 0 ? document.contents : document.getIn(path.slice(0, length), true);
    if (isNode(node) && node.range) return node.range[0];
  }
  return 0;
}

/** The JSON Schema of a sheet's file (JSON Schema 2020-12). */
export const sheetJsonSchema = (): object => z.toJSONSchema(sheetSchema, { io: 'input' });

/** The text of a sheet's file with another id, and everything else as it is written, comments too. */
export function renameSheet(text: string, id: string): string {
  const document = parseDocument(text);
  const node = document.get('id', true);
  if (!isNode(node) || !node.range) return text;
  const quoted = /^["']/.exec(text.slice(node.range[0]))?.[0] ?? '';
  return text.slice(0, node.range[0]) + quoted + id + quoted + text.slice(node.range[1]);
}

/* The order in which people read a sheet; whatever else it has comes after. */
const reading: readonly string[] = [
  'id',
  'name',
  'version',
  'kind',
  'hosts',
  'links',
  'frames',
  'loaders',
  'mounts',
  'code',
  'shape',
  'settings',
  'options',
];

/** A sheet as a file in YAML, with remarks at its head. */
export function writeSheet(sheet: Sheet, remarks: readonly string[]): string {
  const members: [string, unknown][] = Object.entries(sheet);
  const placeOf = (member: string): number =>
    (reading.indexOf(member) + reading.length + 1) % (reading.length + 1);
  const ordered = Object.fromEntries(
    members.filter(([, value]) => value !== undefined).sort(([a], [b]) => placeOf(a) - placeOf(b)),
  );
  const head = remarks.map((remark) => `# ${remark.replaceAll(/\s+/g, ' ')}\n`).join('');
  return head + stringify(ordered, { lineWidth: 0 });
}
