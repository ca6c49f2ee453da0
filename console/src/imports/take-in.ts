import type { ImportAnswer, ImportItem } from '@orbis/contract';
import { OrbisError } from '@orbis/contract/errors';
import { outcomeOf } from '@orbis/contract/events';
import { itemsInFile } from '@orbis/contract/import-file';
import { api } from '../api.ts';

/** The codes in files. @throws OrbisError where one of them cannot be read, or there is no code in any. */
export async function itemsIn(files: readonly File[]): Promise<ImportItem[]> {
  const read = await Promise.all(files.map(async (file) => itemsInFile(await file.text(), file.name)));
  const items = read.flat();
  if (items.length > 0) return items;
  throw new OrbisError('bad-request', {
    problem: 'There is no code in it. A CSV file needs the columns name and code.',
  });
}

/** Takes codes in, or only says what would become of them, telling on the way how many have been read. */
export async function takeIn(
  items: readonly ImportItem[],
  { tags, dryRun, skipRefused }: { tags: readonly string[]; dryRun: boolean; skipRefused: boolean },
  onProgress: (progress: { read: number; of: number }) => void,
): Promise<ImportAnswer> {
  onProgress({ read: 0, of: items.length });
  const withTags = items.map((item) => ({ ...item, tags: [...(item.tags ?? []), ...tags] }));
  const response = await api.open('imports.watch', { body: { items: withTags, dryRun, skipRefused } });
  return outcomeOf<ImportAnswer, { read: number; of: number }>(
    response,
    onProgress,
    'The connection broke off before all was read. Look into the collection to see whether the codes are there.',
  );
}
