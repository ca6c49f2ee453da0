import { neutralMark, specimen, specimenWord } from '@orbis/core';
import { OrbisError, serializeSpecimen, type Specimen, type SpecimenReading } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import { digest } from '../digest.ts';
import { pageUrl } from '../serializers/places.ts';
import type { SiteRow } from '../store/places.ts';
import { findSpecimenSeen, keepSpecimenSeen } from '../store/specimens.ts';
import { siteByKey } from './places.ts';
import { readPage } from './read-page.ts';

type Tools = Pick<Deps, 'connection' | 'origins'>;

/* The same for a site each time, so that nothing needs to be kept of it. */
const placeOf = (site: Pick<SiteRow, 'id' | 'key'>, { origins }: Pick<Deps, 'origins'>) => ({
  token: digest(`specimen ${site.id} ${site.key}`).slice(0, 8),
  address: origins().placementUrl(neutralMark.placement),
});

/** The text that a site’s editor is learned by, with the lines that it wants, and what it showed last. */
export async function specimenFor(key: string, tools: Tools): Promise<Specimen> {
  const site = await siteByKey(tools.connection.db, key);
  const place = placeOf(site, tools);
  const { firstLine, lastLine } = site.editor;
  const last = await findSpecimenSeen(tools.connection.db, site.id);
  return {
    text: specimen({ ...place, firstLine, lastLine }),
    begins: specimenWord(place.token, 1),
    last: last && { at: last.at.toISOString(), ...serializeSpecimen(last.page, last.seen) },
  };
}

/**
 * Reads what became of the specimen on a page of a site, and keeps that as evidence.
 * @param path that of the page; the first one where it is empty.
 * @throws OrbisError `page-unreadable`, `specimen-missing`
 */
export async function learnEditorOf(
  key: string,
  path: string,
  tools: Tools & Pick<Deps, 'fetching' | 'reader' | 'now'>,
): Promise<SpecimenReading> {
  const site = await siteByKey(tools.connection.db, key);
  const address = pageUrl(site, { path: path.replace(/^\//, '') });
  const { url, text } = await readPage(address, tools);
  const seen = await tools.reader.specimenSeen(text, placeOf(site, tools));
  if (seen === null) throw new OrbisError('specimen-missing', { page: url, delay: site.editor.delay });
  const evidence = { siteId: site.id, page: url.slice(0, 1000), seen, at: tools.now() };
  await keepSpecimenSeen(tools.connection.db, evidence);
  return serializeSpecimen(url, seen);
}
