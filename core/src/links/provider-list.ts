import { reason, type Reason } from '../reason.ts';
import type { OembedFormat } from './oembed.ts';

/** Where a provider answers questions about its links, and about which (oEmbed 1.0, section 2.1). */
export interface ListedEndpoint {
  provider: string;
  /** Where the provider itself is. */
  site: string;
  /** With `{format}` where the format stands in the path. */
  url: string;
  /** Patterns of its links, with `*`. */
  schemes: string[];
  formats: OembedFormat[];
}

/** Something in a list that cannot be used, and why. */
export interface Unusable {
  /** Which entry it is in, from 1. */
  entry: number;
  provider: string;
  what: string;
  reason: Reason;
}

export type ProviderList =
  | { ok: true; entries: number; endpoints: ListedEndpoint[]; unusable: Unusable[] }
  | { ok: false; reason: Reason };

/* Says what of an entry cannot be used. */
type Refuse = (what: string, why: Reason) => void;

const longest = { provider: 120, address: 500, schemes: 400 };

/**
 * Reads a list of providers in the format in which they are published: a JSON array of objects with
 * `provider_name`, `provider_url` and `endpoints`, of which each has a `url` and may have `schemes`,
 * `formats` and `discovery`. What cannot be used is told and left out; everything else of the list stands.
 */
export function readProviderList(text: string): ProviderList {
  let data: unknown;
  try {
    data = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return { ok: false, reason: reason('list-no-json') };
  }
  if (!Array.isArray(data)) return { ok: false, reason: reason('list-no-array') };
  const endpoints = new Map<string, ListedEndpoint>();
  const unusable: Unusable[] = [];
  (data as unknown[]).forEach((item, i) => {
    const entry = isObject(item) ? item : {};
    const provider = typeof entry['provider_name'] === 'string' ? entry['provider_name'].trim() : '';
    const refuse: Refuse = (what, why) =>
      void unusable.push({ entry: i + 1, provider, what: what.slice(0, longest.address), reason: why });
    if (!isObject(item)) return refuse('entry', reason('entry-no-object'));
    if (provider === '' || provider.length > longest.provider)
      return refuse(
        'provider_name',
        provider === ''
          ? reason('entry-without-name')
          : reason('entry-name-long', { most: longest.provider }),
      );
    const site = address(entry['provider_url']) ?? '';
    if (!Array.isArray(entry['endpoints']) || entry['endpoints'].length === 0)
      return refuse('endpoints', reason('entry-without-endpoints'));
    for (const given of entry['endpoints'] as unknown[]) {
      const read = readEndpoint(given, { provider, site }, refuse);
      if (!read) continue;
      // The same endpoint in two entries is one, with the links of both.
      const known = endpoints.get(`${provider}\n${read.url}`);
      if (known) known.schemes = [...new Set([...known.schemes, ...read.schemes])];
      else endpoints.set(`${provider}\n${read.url}`, read);
    }
  });
  return { ok: true, entries: data.length, endpoints: [...endpoints.values()], unusable };
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function address(value: unknown): string | null {
  return typeof value === 'string' &&
    value.length <= longest.address &&
    /^https?:\/\//i.test(value) &&
    URL.canParse(value)
    ? value
    : null;
}

function readEndpoint(
  given: unknown,
  { provider, site }: Pick<ListedEndpoint, 'provider' | 'site'>,
  refuse: Refuse,
): ListedEndpoint | null {
  const endpoint = isObject(given) ? given : {};
  const url = address(endpoint['url']);
  if (url === null)
    return (
      refuse(typeof endpoint['url'] === 'string' ? endpoint['url'] : 'url', reason('endpoint-no-address')),
      null
    );
  const formats = (Array.isArray(endpoint['formats']) ? endpoint['formats'] : []).map((format) =>
    String(format).toLowerCase(),
  );
  const spoken = (['json', 'xml'] as const).filter((format) => formats.includes(format));
  if (formats.length > 0 && spoken.length === 0)
    return (refuse(url, reason('endpoint-formats', { formats: formats.join(', ') })), null);
  const ending = /\.(json|xml)$/.exec(new URL(url).pathname)?.[1];
  const all = Array.isArray(endpoint['schemes'])
    ? (endpoint['schemes'] as unknown[]).map((scheme) => (typeof scheme === 'string' ? scheme : ''))
    : [];
  const schemes: string[] = [];
  for (const scheme of all.slice(0, longest.schemes)) {
    const why = schemeProblem(scheme);
    if (why === null) schemes.push(scheme);
    else refuse(scheme, why);
  }
  if (all.length === 0) return (refuse(url, reason('endpoint-without-links')), null);
  if (schemes.length === 0) return null;
  // What says nothing of formats has it in its ending, or speaks JSON, as nearly all do.
  const own: OembedFormat[] = spoken.length > 0 ? [...spoken] : ending === 'xml' ? ['xml'] : ['json'];
  return { provider, site, url, schemes: [...new Set(schemes)], formats: own };
}

/* Stars stand in the path, or for hosts below one (oEmbed 1.0, section 2.1). */
function schemeProblem(scheme: string): Reason | null {
  if (scheme === '' || scheme.length > longest.address) return reason('scheme-no-pattern');
  const found = /^https?:\/\/([^/?#]*)/i.exec(scheme);
  if (!found) return reason('scheme-not-web');
  if (!/^(?:\*\.)?[a-z0-9-]+(?:\.[a-z0-9-]+)*(?::\d{1,5})?$/i.test(found[1]!))
    return reason('scheme-star-in-host');
  if (/^\*\.[a-z0-9-]+$/i.test(found[1]!)) return reason('scheme-too-wide');
  return null;
}

/** The host of a pattern of links: itself, or `*.` and what it ends with. */
export const schemeHost = (scheme: string): string =>
  (/^https?:\/\/([^/?#:]*)/i.exec(scheme)?.[1] ?? '').toLowerCase();

/** Every host, as {@link schemeHost} gives it, whose patterns can be for links of this host. */
export function hostsFor(hostname: string): string[] {
  const labels = hostname.toLowerCase().split('.');
  return [labels.join('.'), ...labels.slice(1).map((_, i) => `*.${labels.slice(i + 1).join('.')}`)];
}

/** Whether a link fits a pattern: `*` stands for anything, and http and https are the same. */
export function fitsScheme(link: string, scheme: string): boolean {
  if (!URL.canParse(link)) return false;
  const { host, protocol, pathname, search, hash } = new URL(link);
  const wanted = /^https?:\/\/([^/?#]*)([/?#].*)?$/is.exec(scheme);
  if (!wanted || !/^https?:$/.test(protocol)) return false;
  const [, name = '', path = ''] = wanted;
  const named = name.startsWith('*.')
    ? host.endsWith(name.slice(1).toLowerCase()) && host.length > name.length - 1
    : host === name.toLowerCase();
  return named && fitsStars(pathname + search + hash, path === '' ? '/' : path);
}

/* A star is for as little as will do, from the left to the right: no pattern makes this slow. */
function fitsStars(text: string, pattern: string): boolean {
  const pieces = pattern.split('*');
  const [first, ...rest] = pieces as [string, ...string[]];
  if (rest.length === 0) return text === first;
  const last = rest.pop()!;
  if (!text.startsWith(first) || text.length < first.length + last.length || !text.endsWith(last))
    return false;
  let at = first.length;
  const end = text.length - last.length;
  for (const piece of rest) {
    const found = text.indexOf(piece, at);
    if (found < 0 || found + piece.length > end) return false;
    at = found + piece.length;
  }
  return true;
}
