/* As many rows as one statement takes well. */
const size = 500;

/** Items in parts, each small enough for one statement. */
export function* chunks<T>(items: readonly T[]): Generator<T[]> {
  for (let from = 0; from < items.length; from += size) yield items.slice(from, from + size);
}
