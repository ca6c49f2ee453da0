/** A keyset page: one row more than asked for is read, to know whether there is a next one. */
export function keyset<Row extends { id: number }, Item>(
  rows: readonly Row[],
  limit: number,
  tell: (row: Row) => Item,
): { items: Item[]; next: string | null } {
  const kept = rows.slice(0, limit);
  return { items: kept.map(tell), next: rows.length > limit ? String(kept.at(-1)!.id) : null };
}

/** The row after which a page begins; anything that is no such mark begins at the start. */
export const afterId = (after: string | undefined): number | null =>
  after !== undefined && /^\d{1,15}$/.test(after) ? Number(after) : null;
