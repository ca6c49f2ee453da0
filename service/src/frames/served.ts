import { LRUCache } from 'lru-cache';
import {
  classFor,
  documentText,
  effectiveOptions,
  offerOembed,
  originSource,
  previewDocument,
  writeOembed,
  type OembedFormat,
  type OembedRoom,
  type PreviewDocument,
} from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import type { Origins } from '../origins.ts';
import { findLinkedPlacement, type LinkedPlacement } from '../store/linked-placements.ts';
import { compositionOf, type OpenedCode } from '../usecases/codes.ts';
import { askedAt } from '../usecases/asked.ts';
import type { RenderContext } from '../usecases/render-context.ts';

export interface ServedTools {
  db: Handle;
  renderContext: () => Promise<RenderContext>;
  origins: () => Origins;
}

/** What is served for placements whose link was handed out. */
export interface Served {
  /** The document, as its embed is today; only its own site and the console may frame it. Null where there was never one, `over` where there is none any more. */
  document(id: string): Promise<PreviewDocument | 'over' | null>;
  /** The answer about a link of ours (oEmbed 1.0, section 2.3). */
  answer(link: string, format: OembedFormat, room: OembedRoom): Promise<string | 'over' | null>;
}

/** How long a document and an answer hold, in seconds: later changes need no pasting again. */
export const holdsFor = 60;

const types: Record<OembedFormat, string> = { json: 'application/json+oembed', xml: 'text/xml+oembed' };

/* A document of its own takes style rules apart from the code; whose they are does not matter there. */
const classInFrames = classFor('frame');

/* A code with its options fulfilled. */
interface Today {
  code: OpenedCode;
  text: string;
}

/** Keeps what it worked out: the same revision with the same sheets and rules is not worked out twice. */
export function createServed({ db, renderContext, origins }: ServedTools): Served {
  const known = new LRUCache<string, Promise<Today>>({ max: 500 });
  const numbers = new WeakMap<RenderContext, number>();
  let count = 0;
  const numberOf = (made: RenderContext): number => numbers.get(made) ?? numbers.set(made, ++count).get(made)!;
  const today = async (row: LinkedPlacement): Promise<Today> => {
    const { revision, source } = row;
    const made = await renderContext();
    const asked = askedAt(row);
    const key = `${revision.id} ${numberOf(made)} ${JSON.stringify([asked.placement, asked.site])}`;
    const kept = known.get(key);
    if (kept) return kept;
    const fresh = compositionOf({ base: source.base, found: source.found, asked }, made, { apart: classInFrames }).then(({ code, composition }) => ({
      code,
      text: documentText(composition.snippets),
    }));
    known.set(key, fresh);
    fresh.catch(() => known.delete(key));
    return fresh;
  };
  const find = async (id: string): Promise<LinkedPlacement | 'over' | null> => {
    const row = await findLinkedPlacement(db, id);
    return row && (row.isOver ? 'over' : row);
  };
  return {
    document: async (id) => {
      const row = await find(id);
      if (row === null || row === 'over') return row;
      const { code, text } = await today(row);
      const address = origins().placementUrl(id);
      const question = (format: OembedFormat): string => `${new URL('/oembed', address).href}?${new URLSearchParams({ url: address, format }).toString()}`;
      return previewDocument(text, code.reading, code.sheet, {
        title: publicTitle(row, code),
        ancestors: [originSource(row.site.address), origins().console].filter((origin) => origin !== null),
        ownHost: origins().ownHosts,
        language: 'en',
        discovery: (['json', 'xml'] as const).map((format) => ({ type: types[format], href: question(format) })),
      });
    },
    answer: async (link, format, room) => {
      const id = placementIn(link, origins());
      const row = id === null ? null : await find(id);
      if (row === null || row === 'over') return row;
      const { code } = await today(row);
      const item = {
        address: origins().placementUrl(row.publicId),
        title: publicTitle(row, code),
        kind: code.reading.kind,
        size: code.reading.size,
        column: columnOf(row),
        allow: code.permissions,
        provider: { name: new URL(row.site.address).host, url: row.site.address },
        thumbnail: row.source.found?.thumbnail ?? null,
        cacheAge: holdsFor,
      };
      return writeOembed(offerOembed(item, room), format);
    },
  };
}

/* How wide it is at most, on a desktop. */
function columnOf(row: LinkedPlacement): number {
  const asked = effectiveOptions(askedAt(row)).options['max-width'];
  return typeof asked === 'number' ? asked : row.desktop;
}

/* What visitors may read: the owner's own names, of embeds and of sites, are for the console only. */
const publicTitle = ({ revision, source, site }: LinkedPlacement, code: OpenedCode): string =>
  (revision.options['title'] as string | undefined) ?? code.title ?? source.found?.title ?? new URL(site.address).host;

/* The placement of a link, whatever scheme it is written with; the host must be ours. */
function placementIn(link: string, origins: Origins): string | null {
  if (link.length > 500 || !URL.canParse(link)) return null;
  const { hostname, host, pathname } = new URL(link);
  const id = origins.placementName(hostname, pathname);
  return id !== null && new URL(origins.placementUrl(id)).host === host ? id : null;
}
