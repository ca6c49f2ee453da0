import type { ReadAddress, Use } from '../reading/index.ts';
import { clipOf } from '../sheets/index.ts';

/** What something that an embed loads is for. `oembed` is the answer of a provider about a link. */
export const resourceUses = [
  'frame',
  'script',
  'stylesheet',
  'image',
  'media',
  'captions',
  'link',
  'oembed',
] as const;
export type ResourceUse = (typeof resourceUses)[number];

/** The part of a film or sound that is played, in seconds. */
export interface Clip {
  start: number;
  /** Null for up to its end. */
  end: number | null;
}

/** Something that a code loads or leads to, which can be asked for without doing anything. */
export interface Resource {
  use: ResourceUse;
  /** The whole address, without what only a browser reads (its fragment). */
  address: string;
  /** Of a film or sound, the part that is played where that is said. */
  clip: Clip | null;
}

/* What is asked for of what a code names: not where forms send to, which may do something. */
const asked: readonly Use[] = ['frame', 'script', 'stylesheet', 'image', 'media', 'link'];

/* More than that a code does not load by itself; the rest is left out. */
const most = 60;

/* As long as an address and its host are that are kept (RFC 1035, section 2.3.4, and a port). */
const [longest, longestHost] = [2000, 259];

/** What a code loads and leads to: each address once for each use, in the order of the text. */
export function resourcesIn(text: string, addresses: readonly ReadAddress[]): Resource[] {
  const found = new Map<string, Resource>();
  for (const each of addresses) {
    const use = useOf(text, each);
    const url = use && wholeAddress(each.url);
    if (!url) continue;
    const clip = use === 'media' ? partOf(each) : null;
    url.hash = '';
    const key = `${use} ${url.href}${clip ? ` ${clip.start},${clip.end}` : ''}`;
    if (url.href.length > longest || url.host.length > longestHost) continue;
    if (found.size < most) found.set(key, { use, address: url.href, clip });
  }
  return [...found.values()];
}

/* Captions are files for a script to read, as many others are: they are known by their element. */
function useOf(text: string, { use, start }: ReadAddress): ResourceUse | null {
  if (use === 'data')
    return /^<track\b/i.test(text.slice(text.lastIndexOf('<', start), start)) ? 'captions' : null;
  return asked.includes(use) ? (use as ResourceUse) : null;
}

/* What is written without a scheme is asked for by that of its page, which is https: by now. */
function wholeAddress(url: string): URL | null {
  const full = url.startsWith('//') ? `https:${url}` : url;
  return /^https?:\/\//i.test(full) && URL.canParse(full) ? new URL(full) : null;
}

/* The part of a film that its address names (Media Fragments URI 1.0, section 4.2.1); null for all of it. */
function partOf(address: ReadAddress): Clip | null {
  const { start, end } = clipOf(address, null);
  return start === null && end === null ? null : { start: start ?? 0, end };
}
