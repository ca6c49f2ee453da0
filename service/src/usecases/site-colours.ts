import { formatColourPlace, type ColoursFound } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import { FetchFailure } from '../fetching/failure.ts';
import { pageUrl } from '../serializers/places.ts';
import { declaredAddresses } from '../store/places.ts';
import { siteByKey } from './places.ts';
import { readPage } from './read-page.ts';

/* More a page of people has not; and each is as long as it may be to be looked at. */
const [mostSheets, longestSheet] = [12, 500_000];

/**
 * Reads the colours that stand most often in the styles of a page, and its font: in styles that stand in it,
 * and in its style sheets. What these import is not read.
 * @param path that of the page; the first one where it is empty.
 * @throws OrbisError `page-unreadable`
 */
export async function coloursOfSite(
  key: string,
  path: string,
  tools: Pick<Deps, 'connection' | 'fetching' | 'reader'>,
): Promise<ColoursFound> {
  const { fetching, reader } = tools;
  const { db } = tools.connection;
  const declared = await declaredAddresses(db);
  const address = pageUrl(await siteByKey(db, key), { path: path.replace(/^\//, '') });
  const { url, text } = await readPage(address, tools);
  const styles = await reader.pageStyles({ html: text, address: url });
  const unread: ColoursFound['unread'] = [];
  const read = await Promise.all(
    styles.sheets.slice(0, mostSheets).map(async (sheet) => {
      try {
        const { body } = await fetching.get(sheet, { declared, accept: 'text/css', beginning: longestSheet });
        return [new TextDecoder().decode(body)];
      } catch (error) {
        if (!(error instanceof FetchFailure)) throw error;
        unread.push({ sheet, why: error.message });
        return [];
      }
    }),
  );
  const sheets = read.flat();
  const all = [...sheets, ...styles.inside];
  const { colours, font } = await reader.look(all);
  return {
    colours: colours.map(({ colour, uses, where }) => ({
      colour,
      uses,
      where: [...new Set(where.map((place) => formatColourPlace(place)))],
    })),
    font,
    page: url,
    sheets: sheets.length,
    unread,
  };
}
