/**
 * Does something for each of these, one after the other; one that fails does not keep the others from it.
 * @throws what failed first, once all were done.
 */
export async function eachOf<T>(items: readonly T[], work: (item: T) => Promise<void>): Promise<void> {
  const failures: unknown[] = [];
  for (const item of items) await work(item).catch((error: unknown) => failures.push(error));
  if (failures.length > 0) throw failures[0];
}
