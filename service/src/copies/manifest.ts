import { z } from 'zod';

const digest = z.string().regex(/^[0-9a-f]{64}$/);

const tables = z.record(z.string(), z.object({ rows: z.number().int().min(0), digest }));
/** How many rows each table has, and the digest of them. */
export type Tables = z.infer<typeof tables>;

/** What a copy says of itself: the last file in it. */
export const manifestSchema = z.object({
  /** The form of copies; one that is not known here is of a newer version. */
  copy: z.literal(1),
  /** Of Orbis. */
  version: z.string(),
  madeAt: z.iso.datetime(),
  tables,
  /** The newest change in it, by its row, to tell what came later. */
  lastChange: z.number().int().min(0),
  files: z.array(z.object({ path: z.string(), bytes: z.number().int().min(0), digest })),
});
export type Manifest = z.infer<typeof manifestSchema>;

/** How many rows there are in all. */
export const rowsIn = (tables: Tables): number =>
  Object.values(tables).reduce((sum, { rows }) => sum + rows, 0);

/** The tables in which two registers differ; those that one of them does not have, too. */
export function differingTables(a: Tables, b: Tables): string[] {
  const names = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...names].filter((name) => a[name]?.digest !== b[name]?.digest).sort();
}
