import { isBlockPath, parsePage, parsePlace, parseSharedSpot } from '@orbis/contract';
import { insertMany } from '../insert-many.ts';
import { nextTimeOf } from '../next-time.ts';
import { page, sharedSpot, site, spot } from '../schema.ts';
import { pagesBy, sitesBy } from './found-rows.ts';
import { date, dateOrNull, type Take } from './take.ts';

/** Sites, with all that holds for them. */
export const takeSites: Take<'site'> = (tx, records, by) =>
  insertMany(
    tx,
    site,
    records.map(({ type: _type, at, goneAt, ...values }) => ({
      ...{ ...values, nextSweepAt: nextTimeOf(values.schedule, new Date()) },
      ...{ goneAt: dateOrNull(goneAt), createdAt: date(at), createdBy: by },
    })),
  );

/** Spots that many pages of a site have. */
export const takeSharedSpots: Take<'sharedSpot'> = async (tx, records, by) => {
  const sites = await sitesBy(
    tx,
    records.map(({ key }) => parseSharedSpot(key).site),
  );
  await insertMany(
    tx,
    sharedSpot,
    records.map(({ key, under, widths, heights, selector, at }) => {
      const { site: of, spot: name } = parseSharedSpot(key);
      const size = { ...widths, heights, selector };
      return { siteId: sites.of(of), name, under, ...size, createdAt: date(at), createdBy: by };
    }),
  );
};

/** Pages of sites. */
export const takePages: Take<'page'> = async (tx, records, by) => {
  const sites = await sitesBy(
    tx,
    records.map(({ key }) => parsePage(key).site),
  );
  await insertMany(
    tx,
    page,
    records.map(({ key, title, block, checkedAt, goneAt, at }) => {
      const { site: of, path } = parsePage(key);
      const gone = dateOrNull(goneAt);
      const times = { checkedAt: dateOrNull(checkedAt), goneAt: gone, createdAt: date(at) };
      const placing = isBlockPath(path)
        ? { under: block?.under ?? null, stands: block?.stands ?? 'after' }
        : { under: null, stands: null };
      return { siteId: sites.of(of), path, title, ...placing, ...times, createdBy: by };
    }),
  );
};

/** Spots on pages. */
export const takeSpots: Take<'spot'> = async (tx, records, by) => {
  const pageOf = (key: string): string => {
    const { site: of, path } = parsePlace(key);
    return `${of}/${path}`;
  };
  const pages = await pagesBy(
    tx,
    records.map(({ key }) => pageOf(key)),
  );
  await insertMany(
    tx,
    spot,
    records.map(({ key, widths, heights, selector, shared, goneAt, at }) => ({
      ...{ pageId: pages.of(pageOf(key)).pageId, name: parsePlace(key).spot },
      ...{ ...widths, heights, selector, shared },
      ...{ goneAt: dateOrNull(goneAt), createdAt: date(at), createdBy: by },
    })),
  );
};
