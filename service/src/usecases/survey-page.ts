import { OrbisError, type PageSurvey } from '@orbis/contract';
import { survey } from '../browser/survey.ts';
import type { Deps } from '../deps.ts';
import { pageUrl } from '../serializers/places.ts';
import { declaredAddresses } from '../store/places.ts';
import { spotsOf } from '../store/spots.ts';
import { pageShowing } from './page-showing.ts';
import { pageByKey } from './places.ts';
import { readPage } from './read-page.ts';

/**
 * Looks at a published page with a browser: what it looks like, which of its elements spots can be in, and
 * where those spots are that say it.
 * @param selector the one element that is asked for; without it, all that can hold an embed.
 * @throws OrbisError `not-found`, `nothing-to-sweep`, `page-unreadable`, `selector-finds-nothing`, and of the
 * browser
 */
export async function surveyPage(
  { page: key, selector }: { page: string; selector?: string | undefined },
  tools: Pick<Deps, 'browser' | 'connection' | 'fetching' | 'now'>,
  signal: AbortSignal,
): Promise<PageSurvey> {
  const { db } = tools.connection;
  const row = await pageByKey(db, key);
  const shown = await pageShowing(db, row);
  const url = pageUrl(shown.site, shown.page);
  // It says why where a page cannot be read, which a browser does not.
  await readPage(url, tools);
  const spots = (await spotsOf(db, [row.page])).get(row.page.id) ?? [];
  const known = spots.filter((spot) => spot.selector !== null);
  const selectors = [...(selector === undefined ? [] : [selector]), ...known.map((spot) => spot.selector!)];
  const found = await tools.browser.work(
    (tab) => survey(tab, url, { selectors, offers: selector === undefined }),
    { declared: await declaredAddresses(db), signal },
  );
  const [asked, ofSpots] =
    selector === undefined ? [null, found.asked] : [found.asked[0]!, found.asked.slice(1)];
  if (selector !== undefined && !isShown(asked))
    throw new OrbisError('selector-finds-nothing', { page: key, selector });
  const { png, width, height } = found.picture;
  return {
    at: tools.now().toISOString(),
    url,
    picture: { type: 'image/png', width, height, data: png.toString('base64') },
    areas: asked ? [asked] : found.offered.filter(isShown),
    spots: known.map(({ name }, i) => ({ key: `${key}#${name}`, area: ofSpots[i] ?? null })),
  };
}

/* Whether there is room in it on any device. */
const isShown = (area: PageSurvey['areas'][number] | null): boolean =>
  area !== null && Object.values(area.widths).some((width) => width !== null);
