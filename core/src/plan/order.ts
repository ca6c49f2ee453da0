/**
 * Puts several lists into one without doubles, each list’s own order kept. What no list puts into an order
 * stands in that of the alphabet, so that the outcome depends on nothing else. Where two lists are against
 * each other, the one that comes first in the alphabet has its way.
 */
export function mergeOrders(lists: readonly (readonly string[])[]): string[] {
  const all = [...new Set(lists.flat())].sort();
  const before = new Map(all.map((item) => [item, new Set<string>()]));
  for (const list of lists)
    list.forEach((item, at) =>
      list.slice(0, at).forEach((earlier) => earlier !== item && before.get(item)!.add(earlier)),
    );
  const out: string[] = [];
  const left = new Set(all);
  while (left.size > 0) {
    const next =
      [...left].find((item) => [...before.get(item)!].every((earlier) => !left.has(earlier))) ??
      [...left][0]!;
    out.push(next);
    left.delete(next);
  }
  return out;
}
