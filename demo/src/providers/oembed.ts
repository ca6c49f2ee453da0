import type { Request, RequestHandler, Response } from 'express';
import { escapeHtml } from '../html.ts';

/** What a stand-in tells of one of its links (oEmbed 1.0, section 2.3.4). */
export interface OembedItem {
  type: 'video' | 'rich';
  title: string;
  author_name?: string;
  provider_name: string;
  html: string;
  width: number;
  height: number;
  cache_age?: number;
  thumbnail_url?: string;
  thumbnail_width?: number;
  thumbnail_height?: number;
}

export type OembedFormat = 'json' | 'xml';

/**
 * Answers as an oEmbed provider does: 404 where it has no such item, 501 where it does not speak the format,
 * and never larger than it is asked for. `find` gets the link and the size that there is room for.
 */
export const oembed =
  (
    formats: readonly OembedFormat[],
    find: (link: URL, request: Request) => OembedItem | null,
  ): RequestHandler =>
  (request, response) => {
    const format = typeof request.query['format'] === 'string' ? request.query['format'] : formats[0]!;
    if (!formats.includes(format as OembedFormat))
      return void response.status(501).type('text/plain').send('Not in this format.\n');
    const link =
      typeof request.query['url'] === 'string' && URL.canParse(request.query['url'])
        ? new URL(request.query['url'])
        : null;
    const item = link && find(link, request);
    if (!item) return void response.status(404).type('text/plain').send('No such item.\n');
    answer(response, format as OembedFormat, { version: '1.0', ...fitted(item, request) });
  };

/** The elements by which a page says where its oEmbed answer is (oEmbed 1.0, section 4). */
export const discovery = (endpoint: string, link: string, formats: readonly OembedFormat[]): string =>
  formats
    .map((format) => {
      const href = `${endpoint}?${new URLSearchParams({ url: link, format }).toString()}`;
      return `<link rel="alternate" type="${format === 'json' ? 'application/json' : 'text/xml'}+oembed" href="${escapeHtml(href)}" title="oEmbed">\n`;
    })
    .join('');

function fitted(item: OembedItem, request: Request): OembedItem {
  const most = (name: string): number => Number(request.query[name]) || Infinity;
  const scale = Math.min(1, most('maxwidth') / item.width, most('maxheight') / item.height);
  const [width, height] = [Math.floor(item.width * scale), Math.floor(item.height * scale)];
  const html = item.html
    .replace(`width="${item.width}"`, `width="${width}"`)
    .replace(`height="${item.height}"`, `height="${height}"`);
  return { ...item, width, height, html };
}

function answer(response: Response, format: OembedFormat, data: Record<string, unknown>): void {
  if (format === 'json') return void response.json(data);
  const elements = Object.entries(data).map(
    ([name, value]) => `  <${name}>${escapeHtml(String(value))}</${name}>`,
  );
  response
    .type('text/xml')
    .send(
      `<?xml version="1.0" encoding="utf-8" standalone="yes"?>\n<oembed>\n${elements.join('\n')}\n</oembed>\n`,
    );
}
