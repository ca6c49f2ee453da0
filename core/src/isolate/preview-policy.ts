import { hostOf } from '../reading/addresses.ts';
import type { Use } from '../reading/reading.ts';
import { isHeldPicture } from '../options/types/index.ts';
import { hostSource, isHost, originSource, writePolicy } from '../text/policy.ts';
import type { PreviewOptions, ShownReading, ShownSheet } from './preview-options.ts';
import { contactSources, inlineScripts, ownScripts, sandboxTokensOf } from '../frame/index.ts';

/** What each directive of a policy lets in. */
class Sources {
  readonly #sources = new Map<string, Set<string>>();

  allow(directive: string | undefined, ...sources: readonly (string | null | undefined)[]): void {
    if (directive === undefined) return;
    const known = this.#sources.get(directive) ?? new Set();
    for (const source of sources) if (source) known.add(source);
    if (known.size > 0) this.#sources.set(directive, known);
  }

  has(directive: string): boolean {
    return this.#sources.has(directive);
  }

  list(): [string, string[]][] {
    return [...this.#sources].map(([name, values]) => [name, [...values]]);
  }
}

/** The policy of a document in which a code is shown: it reaches what the code names, and nothing else. */
export function previewPolicy(
  text: string,
  reading: ShownReading,
  sheet: ShownSheet | null,
  options: PreviewOptions,
): string {
  const { ancestors, pictures = [], relay, page, framed, contacts } = options;
  const own = ownScripts(text, framed?.fills === false);
  const ours = [relay?.src, page?.pointing?.src].filter((src) => src !== undefined);
  const sources = new Sources();
  allowContacts(sources, contacts, reading, sheet);
  sources.allow('script-src', ...inlineScripts(reading, own), ...ours);
  for (const picture of pictures)
    sources.allow('img-src', isHeldPicture(picture) ? 'data:' : originSource(picture));
  // A page looks as it looks by sheets, pictures and fonts from wherever it has them.
  if (page) for (const each of ['style-src', 'img-src', 'font-src']) sources.allow(each, '*', 'data:');
  // Inline styles are what presentation is made of.
  sources.allow('style-src', "'unsafe-inline'");
  const tokens = tokensFor(reading, own.length > 0, ours.length > 0, options);
  if (!contacts) allowMadeForms(sources, tokens, reading, sheet);
  if (!sources.has('form-action')) sources.allow('form-action', "'none'");
  return writePolicy([
    ['sandbox', tokens],
    ['frame-ancestors', ancestors],
    ['default-src', ["'none'"]],
    ...sources.list(),
    ['base-uri', [(page && originSource(page.room.base)) ?? "'none'"]],
    ...(options.reportsTo === undefined ? [] : [['report-uri', [options.reportsTo]] as const]),
  ]);
}

function tokensFor(
  reading: ShownReading,
  hasOwn: boolean,
  isWatched: boolean,
  { ownHost, framed, also = [] }: PreviewOptions,
): string[] {
  const needed = sandboxTokensOf(reading, hasOwn).map(({ token }) => token);
  const tokens = new Set(framed?.sandbox ?? [...needed, ...also]);
  if (isWatched) tokens.add('allow-scripts');
  if (!ownHost) tokens.delete('allow-same-origin');
  return [...tokens];
}

const directiveOf: Partial<Record<Use, string>> = {
  frame: 'frame-src',
  script: 'script-src',
  stylesheet: 'style-src',
  image: 'img-src',
  media: 'media-src',
  form: 'form-action',
  data: 'connect-src',
};

/* As its owner has fixed them, else as its code names them. */
function allowContacts(
  sources: Sources,
  fixed: readonly string[] | undefined,
  reading: ShownReading,
  sheet: ShownSheet | null,
): void {
  if (!fixed) return allowNamed(sources, reading, sheet);
  for (const [name, hosts] of contactSources(fixed)) sources.allow(name, ...hosts);
}

function allowNamed(sources: Sources, reading: ShownReading, sheet: ShownSheet | null): void {
  for (const { use, url } of reading.addresses) {
    const origin = originSource(url);
    sources.allow(directiveOf[use], origin);
    // A script may send what a form would; ours does, where a form is answered in words of its owner’s own.
    if (use === 'form') sources.allow('connect-src', origin);
    // The provider's other hosts serve the same item: a frame may move between them.
    if (sheet && use === 'frame' && origin !== null)
      sources.allow('frame-src', ...sheet.hosts.map((host) => sameSchemeAndPort(origin, host)));
  }
  // Hosts that only a script or a style names: its scheme and port are not known here, so
  // any of the host's will do.
  const named = new Set(reading.addresses.map((address) => hostOf(address.url)));
  for (const { host, uses } of reading.hosts)
    if (!named.has(host)) for (const use of uses) sources.allow(directiveOf[use], hostSource(host));
}

/* A form that a script makes goes to where the script comes from, or to another host of its provider. */
function allowMadeForms(
  sources: Sources,
  tokens: readonly string[],
  reading: ShownReading,
  sheet: ShownSheet | null,
): void {
  if (!tokens.includes('allow-forms') || sources.has('form-action')) return;
  for (const { use, url } of reading.addresses) {
    const origin = use === 'script' ? originSource(url) : null;
    if (origin === null) continue;
    const others = sheet?.hosts.map((host) => sameSchemeAndPort(origin, host)) ?? [];
    sources.allow('form-action', origin, ...others);
  }
}

function sameSchemeAndPort(origin: string, host: string): string | null {
  const { protocol, port } = new URL(origin);
  return isHost(host) ? `${protocol}//${host}${port ? `:${port}` : ''}` : null;
}
