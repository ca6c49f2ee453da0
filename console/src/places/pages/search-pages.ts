import type { FoundPages } from '@orbis/contract';
import { outcomeOf } from '@orbis/contract/events';
import { mostPages } from '@orbis/contract/page-file';
import { api } from '../../api.ts';

/** A page that can be added. */
export interface NewPage {
  key: string;
  path: string;
  title: string;
}

/** Looks for the pages of a site, telling on the way how many were found. */
export async function searchPages(
  site: string,
  by: 'sitemap' | 'links',
  { signal, onFound }: { signal: AbortSignal; onFound: (found: number) => void },
): Promise<FoundPages> {
  const response = await api.open('pageSearches.create', { params: { site }, body: { by }, signal });
  return outcomeOf<FoundPages, { found: number }>(
    response,
    ({ found }) => onFound(found),
    'The connection broke off before all was read. Nothing was kept; try again.',
  );
}

/** Adds pages to a site, as many at a time as the service takes. */
export async function addPages(site: string, pages: readonly NewPage[]): Promise<number> {
  let sum = 0;
  for (let from = 0; from < pages.length; from += mostPages) {
    const part = pages.slice(from, from + mostPages).map(({ path, title }) => ({ path, title }));
    const { data } = await api.call('pageImports.create', { params: { site }, body: { pages: part } });
    sum += data.added;
  }
  return sum;
}
