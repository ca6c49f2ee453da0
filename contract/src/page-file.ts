import { hasColumns, TableInvalid, tableIn } from './csv.ts';
import { OrbisError } from './errors.ts';
import { pageTitle, pathOnSite, titleOfPath, type NoPage } from './page-address.ts';

/** A list of pages that is not what it should be; the message names the line. */
export class PageListInvalid extends OrbisError {
  constructor(problem: string) {
    super('bad-request', { problem });
  }
}

/** A page of a list. */
export interface ListedPage {
  path: string;
  title: string;
}

/** So many pages are found and added at once. */
export const mostPages = 5000;

const columns = ['address', 'path', 'page', 'url', 'title', 'name'];

/**
 * The pages in a list: an address or a path with its slash in each line, or CSV (RFC 4180, also with
 * semicolons or tabs) with a first line that names the columns: address or path, and title. Lines that are
 * empty, or begin with `#`, do not count; of several with one path the first one does.
 *
 * @param site - whose pages they are: its addresses, and what its home page is called.
 * @throws PageListInvalid with the line.
 */
export function pagesInList(
  text: string,
  site: { address: string; furtherAddresses?: readonly string[]; name: string },
): ListedPage[] {
  const rows = hasColumns(text, columns) ? fromTable(text) : fromLines(text);
  const found = new Map<string, ListedPage>();
  for (const { address, title, where } of rows) {
    const place = pathOnSite(address, [site.address, ...(site.furtherAddresses ?? [])]);
    if ('why' in place) throw new PageListInvalid(`${where}: ${refusals[place.why](address, site.address)}`);
    if (!found.has(place.path))
      found.set(place.path, {
        path: place.path,
        title: pageTitle(title) || titleOfPath(place.path, site.name),
      });
  }
  return [...found.values()];
}

const refusals: Record<NoPage, (address: string, site: string) => string> = {
  elsewhere: (address, site) => `“${shown(address)}” is no page of ${site}.`,
  question: (address) =>
    `“${shown(address)}” has a question mark: a page is known by what stands before it. Take out what stands behind.`,
  odd: (address) =>
    `“${shown(address)}” is no address: write it as https://…, or as a path with its slash, such as /talks.`,
};
const shown = (text: string): string => text.trim().slice(0, 100);

interface Row {
  address: string;
  title: string;
  where: string;
}

function fromTable(text: string): Row[] {
  try {
    return tableIn(text, columns).map((row, i) => ({
      address: row['address'] ?? row['url'] ?? row['path'] ?? row['page'] ?? '',
      title: row['title'] ?? row['name'] ?? '',
      where: `Row ${i + 2}`,
    }));
  } catch (error) {
    if (error instanceof TableInvalid)
      throw new PageListInvalid(`This is no table of pages: ${error.message}.`);
    throw error;
  }
}

const fromLines = (text: string): Row[] =>
  text
    .replace(/^\uFEFF/, '')
    .split(/\r?\n|\r/)
    .map((line, i) => ({ address: line.trim(), title: '', where: `Line ${i + 1}` }))
    .filter(({ address }) => address !== '' && !address.startsWith('#'));
