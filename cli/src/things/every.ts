import { everyItem } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { table } from '../text.ts';

/** As many as an answer holds. */
export const limit = 200;

/** Every item of a list of the interface, page after page. */
export async function every<T>(
  page: (after: string | undefined) => Promise<{ data: { items: T[]; next: string | null } }>,
): Promise<T[]> {
  const items: T[] = [];
  for await (const item of everyItem(async (after) => (await page(after)).data)) items.push(item);
  return items;
}

/** A list as a table; `none` says what to do where it is empty. */
export function tellList<T>(
  tools: Tools,
  items: readonly T[],
  columns: Readonly<Record<string, (item: T) => string>>,
  none: string,
): void {
  tools.tell(items, () =>
    items.length === 0
      ? `${none}\n`
      : table(
          Object.keys(columns),
          items.map((item) => Object.values(columns).map((cell) => cell(item))),
          tools.colours,
        ),
  );
}
