import { offerOembed, permissionsOf, previewDocument, shownElement, writeOembed, type OembedFormat, type OembedRoom, type PreviewDocument } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import type { Origins } from '../origins.ts';
import { findPlacement, type StoredPlacement } from '../store/placements.ts';
import { outcomeOf } from '../work/codes.ts';
import type { Making } from '../work/making.ts';

interface Tools {
  db: Handle;
  making: Making;
  origins: Origins;
}

/** How long a document and an answer hold, in seconds: later changes need no pasting again. */
export const holdsFor = 60;

const types: Record<OembedFormat, string> = { json: 'application/json+oembed', xml: 'text/xml+oembed' };

/** The document of a placement, as its embed is today; only its own site and the console may frame it. Null where there is none. */
export async function servedDocument(id: string, { db, making, origins }: Tools): Promise<PreviewDocument | null> {
  const row = await findPlacement(db, id);
  if (!row) return null;
  const { code, outcome } = outcomeToday(row, making);
  const address = origins.placementUrl(id);
  const question = (format: OembedFormat): string => `${new URL('/oembed', address).href}?${new URLSearchParams({ url: address, format }).toString()}`;
  return previewDocument(outcome.text, code.reading, code.sheet, {
    title: row.embed.name,
    ancestors: `${new URL(row.site.address).origin} ${origins.console}`,
    language: 'en',
    discovery: (['json', 'xml'] as const).map((format) => ({ type: types[format], href: question(format) })),
  });
}

/** The answer about a link of ours (oEmbed 1.0, section 2.3); null where it is none. */
export async function answerAbout(link: string, format: OembedFormat, room: OembedRoom, { db, making, origins }: Tools): Promise<string | null> {
  const id = placementIn(link, origins);
  const row = id === null ? null : await findPlacement(db, id);
  if (!row) return null;
  const { code } = outcomeToday(row, making);
  const shown = shownElement(code);
  const item = {
    address: origins.placementUrl(row.placement.publicId),
    title: row.embed.name,
    kind: code.reading.kind,
    size: code.reading.size,
    column: row.revision.dress['max-width'] ?? row.spot.desktop,
    allow: shown?.name === 'iframe' ? permissionsOf(shown) : [],
    provider: { name: row.site.name, url: row.site.address },
    thumbnail: row.source.found?.thumbnail ?? null,
    cacheAge: holdsFor,
  };
  return writeOembed(offerOembed(item, room), format);
}

const outcomeToday = (row: StoredPlacement, making: Making) => {
  const { settings, dress } = row.revision;
  return outcomeOf({ base: row.source.base, found: row.source.found, wishes: { settings, dress } }, making, null);
};

/* The placement of a link, whatever scheme it is written with; the host must be ours. */
function placementIn(link: string, origins: Origins): string | null {
  if (!URL.canParse(link)) return null;
  const { hostname, host, pathname } = new URL(link);
  const id = origins.placementName(hostname, pathname);
  return id !== null && new URL(origins.placementUrl(id)).host === host ? id : null;
}
