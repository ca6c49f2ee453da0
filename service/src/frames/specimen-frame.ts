import type { RequestHandler } from 'express';
import { escapeAttribute, neutralMark, offerOembed, writeOembed, type OembedFormat } from '@orbis/core';
import type { Origins } from '../origins.ts';

const id = neutralMark.placement;

/* Nothing in it does anything, so every page may show it. */
const harmless = "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors *";

/**
 * What the frames, links and scripts of specimens name: a document that does nothing, and a script without
 * anything in it.
 */
export const specimenDocuments =
  (origins: () => Origins): RequestHandler =>
  ({ hostname, path }, response, next) => {
    const below = path.endsWith(script) ? path.slice(0, -script.length) || '/' : path;
    if (origins().placementName(hostname, below) !== id) return next();
    if (below !== path) {
      response.set('Cross-Origin-Resource-Policy', 'cross-origin').type('js').send('');
      return;
    }
    response
      .set('Content-Security-Policy', harmless)
      .type('html')
      .send(document(questionAt(origins())));
  };

/** What editors are told about that link, as about every other one (oEmbed 1.0). */
export const specimenAnswers =
  (origins: () => Origins): RequestHandler =>
  ({ query }, response, next) => {
    const format = formats.find((known) => known === (query['format'] ?? 'json'));
    const address = origins().placementUrl(id);
    if (format === undefined || query['url'] !== address) return next();
    response
      .set('Access-Control-Allow-Origin', '*')
      .type(format === 'json' ? 'application/json' : 'text/xml')
      .send(writeOembed(offerOembed({ ...item, address }, {}), format));
  };

const formats: readonly OembedFormat[] = ['json', 'xml'];
const script = '/specimen.js';

const item = {
  title: 'Specimen',
  kind: 'document',
  size: { width: null, height: null, ratio: null },
  column: 320,
  allow: [],
  provider: { name: 'Specimen', url: '' },
  thumbnail: null,
  cacheAge: 60,
} as const;

function questionAt(origins: Origins): string {
  const address = origins.placementUrl(id);
  return `${new URL('/oembed', address).href}?${new URLSearchParams({ url: address, format: 'json' }).toString()}`;
}

const document = (question: string): string => `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>Specimen</title>
<link rel="alternate" type="application/json+oembed" href="${escapeAttribute(question)}"></head>
<body><p>A specimen: it does nothing, and can be taken out again.</p></body>
</html>
`;
