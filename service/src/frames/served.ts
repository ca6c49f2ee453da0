import {
  featureOf,
  offerOembed,
  originSource,
  previewDocument,
  writeOembed,
  type FramedContent,
  type OembedFormat,
  type OembedRoom,
  type PreviewDocument,
} from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { blockedPath, type Origins } from '../origins.ts';
import { addressesOf } from '../store/places.ts';
import { findLinkedPlacement, type LinkedPlacement, type Served as KeptServed } from '../store/served.ts';

export interface ServedTools {
  db: Handle;
  origins: () => Origins;
}

/** A document as it is served, with the features that it may use (Permissions Policy, section 4.1). */
export type ServedDocument = PreviewDocument & {
  features?: readonly string[];
  /** The origins of the site on which it is placed. */
  sites?: readonly string[];
};

/** Where nothing is served. */
export interface NotServed {
  /** There is none any more, or it was not planned yet, which takes a moment. */
  why: 'over' | 'not-yet';
  /** Where visitors find what was shown. */
  content: FramedContent | null;
}

/**
 * What is served for placements whose link was handed out: what was last planned, and
 * nothing is planned for it here.
 */
export interface Served {
  /** The document; only its own site and the console may frame it. Null where there was never one. */
  document(id: string): Promise<ServedDocument | NotServed | null>;
  /** The answer about a link of ours (oEmbed 1.0, section 2.3). */
  answer(link: string, format: OembedFormat, room: OembedRoom): Promise<{ body: string } | NotServed | null>;
}

/** How long a document and an answer hold, in seconds: later changes need no pasting again. */
export const holdsFor = 60;

const types: Record<OembedFormat, string> = { json: 'application/json+oembed', xml: 'text/xml+oembed' };

type Found = LinkedPlacement & { served: KeptServed };

export function createServed({ db, origins }: ServedTools): Served {
  const find = async (id: string): Promise<Found | NotServed | null> => {
    const row = await findLinkedPlacement(db, id);
    if (row === null) return null;
    const { served } = row;
    if (row.isOver) return { why: 'over', content: served && contentIn(served.facts) };
    return served === null ? { why: 'not-yet', content: null } : { ...row, served };
  };
  return {
    document: async (id) => {
      const row = await find(id);
      if (row === null || 'why' in row) return row;
      const { text, facts } = row.served;
      const address = origins().placementUrl(id);
      const question = (format: OembedFormat): string =>
        `${new URL('/oembed', address).href}?${new URLSearchParams({ url: address, format }).toString()}`;
      const sites = addressesOf(row.site)
        .map(originSource)
        .filter((origin) => origin !== null);
      const features = facts.framed?.permissions.map(featureOf) ?? [];
      const document = previewDocument(text, facts.reading, facts.sheet, {
        title: titleOf(row),
        ancestors: [...sites, origins().console],
        ownHost: origins().ownHosts,
        language: facts.language ?? 'en',
        pictures: facts.pictures ?? [],
        ...(facts.framed && { framed: facts.framed }),
        ...(facts.framed?.contacts && {
          contacts: facts.framed.contacts,
          reportsTo: `${blockedPath}?of=${id}`,
        }),
        discovery: (['json', 'xml'] as const).map((format) => ({
          type: types[format],
          href: question(format),
        })),
      });
      return { ...document, features, sites };
    },
    answer: async (link, format, room) => {
      const id = placementIn(link, origins());
      const row = id === null ? null : await find(id);
      if (row === null || 'why' in row) return row;
      const { facts } = row.served;
      const item = {
        address: origins().placementUrl(row.publicId),
        title: titleOf(row),
        kind: facts.reading.kind,
        size: facts.reading.size,
        // How wide it is at most, on a desktop.
        column: facts.maxWidth ?? row.desktop,
        allow: facts.permissions,
        provider: { name: new URL(row.site.address).host, url: row.site.address },
        thumbnail: facts.thumbnail,
        cacheAge: holdsFor,
      };
      return { body: writeOembed(offerOembed(item, room), format) };
    },
  };
}

/* In a tab where the frame on the page lets it. */
const contentIn = ({ content = null, framed }: KeptServed['facts']): FramedContent | null =>
  content && { ...content, inTab: framed?.sandbox.includes('allow-popups') ?? true };

const titleOf = ({ served, site }: Found): string => served.facts.title ?? new URL(site.address).host;

/* The placement of a link, whatever scheme it is written with; the host must be ours. */
function placementIn(link: string, origins: Origins): string | null {
  if (link.length > 500 || !URL.canParse(link)) return null;
  const { hostname, host, pathname } = new URL(link);
  const id = origins.placementName(hostname, pathname);
  return id !== null && new URL(origins.placementUrl(id)).host === host ? id : null;
}
