/** Puts items under their keys, each group in the order of the items. */
export function groupBy<T, K>(items: Iterable<T>, keyOf: (item: T) => K): Map<K, T[]> {
  const out = new Map<K, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    const group = out.get(key);
    if (group) group.push(item);
    else out.set(key, [item]);
  }
  return out;
}
