import { writePolicy } from '@orbis/core';
import type { Origins } from '../origins.ts';
import type { Encoding, KeptDocument, Source } from './kept-documents.ts';
import { holdsFor } from './served.ts';

/* Of several policies only what all of them allow is allowed (CSP 3, section 4.4). */
const withoutOrigin = writePolicy([['sandbox', ['allow-scripts', 'allow-forms', 'allow-popups']]]);

/* What visitors would be asked for on behalf of the host of the frames: only where the owner lets it
   (Permissions Policy, section 5.1). */
const asking = ['camera', 'microphone', 'geolocation'] as const;

function permissionsPolicy(features: readonly string[]): string {
  return asking.map((feature) => `${feature}=${features.includes(feature) ? '*' : '()'}`).join(', ');
}

/** What every answer of the second origin says, whatever it is. */
export const everywhere = {
  'X-Content-Type-Options': 'nosniff',
  'Cross-Origin-Resource-Policy': 'same-origin',
  // Each host is by itself, also where a browser would put several together (HTML, section 7.1.1.2).
  'Origin-Agent-Cluster': '?1',
  'Permissions-Policy': permissionsPolicy([]),
} as const;

/**
 * The policy of a document. What was made while each had a host of its own is not given that origin where all
 * share one.
 */
export const policyOf = (
  { policy }: { policy: string },
  { ownHosts }: Pick<Origins, 'ownHosts'>,
): string | string[] => (ownHosts ? policy : [policy, withoutOrigin]);

/** As long as a cache may keep anything, without asking again (RFC 8246). */
export const forGood = 'public, max-age=31536000, immutable';

/*
 * For content networks alone (RFC 9213): they hand it out while they ask for a newer one, and for a day where
 * nobody answers (RFC 5861); and which answers are of one placement, to be taken out together (RFC 9875).
 */
const forNetworks = (id: string) => ({
  'CDN-Cache-Control': `max-age=${holdsFor}, stale-while-revalidate=600, stale-if-error=86400`,
  'Cache-Groups': `"${id}"`,
});

/** What is said with the document of a placement, as it goes out in an encoding. */
export const documentHeaders = (
  { id, document, from, left }: { id: string; document: KeptDocument; from: Source; left: number },
  encoding: Encoding,
  origins: Pick<Origins, 'ownHosts' | 'versionPath'>,
): Record<string, string | string[]> => ({
  ...everywhere,
  'Content-Type': 'text/html; charset=utf-8',
  ...(encoding === 'identity' ? {} : { 'Content-Encoding': encoding }),
  'Vary': 'Accept-Encoding',
  'ETag': document.tag(encoding),
  // The same for good, where something between Orbis and visitors keeps it (HTTP, section 8.7).
  'Content-Location': origins.versionPath(id, document.version),
  'Cache-Control': `public, max-age=${holdsFor}`,
  ...forNetworks(id),
  'Cache-Status': cacheStatus(from, left),
  'Permissions-Policy': permissionsPolicy(document.features),
  'Content-Security-Policy': policyOf(document, origins),
  // It is on the page for all to see, and providers may want to know where they are shown.
  'Referrer-Policy': 'strict-origin-when-cross-origin',
});

/**
 * Whether it was kept, where, and how much longer it holds, in seconds: at 0 and below it is past that
 * (RFC 9211).
 */
export function cacheStatus(from: Source, left: number): string {
  if (from === 'database') return 'Orbis; fwd=miss';
  return `Orbis; hit; ttl=${Math.floor(left / 1000)}${from === 'disk' ? '; detail=disk' : ''}`;
}
