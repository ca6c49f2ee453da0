import { escapeAttribute, escapeText } from '../text/index.ts';
import type { Reading, Use } from '../reading/reading.ts';
import type { Sheet } from '../sheets/sheet.ts';
import { hostOf } from '../reading/addresses.ts';
import { isHeldPicture } from '../options/types/index.ts';
import { hasLoader, loadScriptHash } from '../visitors/index.ts';
import type { PageWithRoom } from '../in-page/index.ts';
import { hostSource, isHost, originSource, writePolicy, type Directive } from './policy.ts';
import { sandboxTokensOf } from './sandbox-tokens.ts';

/**
 * A document in which foreign code is shown, to its owner or on the owner's page, with the policy that its
 * server must send.
 */
export interface PreviewDocument {
  html: string;
  /** The value of a Content-Security-Policy header (CSP 3). */
  policy: string;
}

/** What must be known of a code to show it in a document of its own. */
export type ShownReading = Pick<Reading, 'parts' | 'addresses' | 'hosts' | 'needs'>;

/** What must be known of its provider. */
export type ShownSheet = Pick<Sheet, 'hosts' | 'tellsTime'>;

export interface PreviewOptions {
  title: string;
  /** The origins that may frame it. */
  ancestors: readonly string[];
  /**
   * Whether it is on a host of its own; without one it gets no origin at all, whatever its code would need.
   */
  ownHost: boolean;
  /** Where questions about it are answered (oEmbed 1.0, section 4). */
  discovery?: readonly { type: string; href: string }[];
  language: string;
  /** Pictures that it was asked to show beside what its code shows. */
  pictures?: readonly string[];
  /** A script of ours that tells the page around it (an origin) where the player is, and what does not work. */
  relay?: { src: string; to: string };
  /** The colour behind it, as #rrggbb; white without it. */
  background?: string;
  /** The page in which it stands, and a script of ours by which another place on it can be pointed at. */
  page?: { room: ShownPage; pointing: { src: string; to: string } | null };
}

/** A page with nothing of it acting, as the core cuts it, and by what its addresses are read. */
export type ShownPage = Pick<PageWithRoom, 'parts' | 'base'>;

const relayTag = ({ src, to }: NonNullable<PreviewOptions['relay']>, sheet: ShownSheet | null): string => {
  const { member = '', format = 'seconds' } = sheet?.tellsTime ?? {};
  return `<script src="${escapeAttribute(src)}" data-to="${escapeAttribute(to)}" data-member="${escapeAttribute(member)}" data-units="${format === 'seconds' ? 1 : 1000}"></script>`;
};

/**
 * Puts a code into a document of its own. The policy lets it reach what its reading names, and nothing else;
 * only `ancestors` may frame it. `text` is the code as it would be delivered.
 */
export function previewDocument(
  text: string,
  reading: ShownReading,
  sheet: ShownSheet | null,
  options: PreviewOptions,
): PreviewDocument {
  // It stands before all else, to hear of all that goes wrong.
  const script = options.relay ? relayTag(options.relay, sheet) : '';
  const html = options.page ? inPage(text, script, options.page) : byItself(text, script, options);
  return { html, policy: previewPolicy(text, reading, sheet, options) };
}

function byItself(text: string, script: string, options: PreviewOptions): string {
  const links = (options.discovery ?? []).map(
    ({ type, href }) =>
      `\n<link rel="alternate" type="${escapeAttribute(type)}" href="${escapeAttribute(href)}" title="${escapeAttribute(options.title)}">`,
  );
  return `<!doctype html>
<html lang="${escapeAttribute(options.language)}">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">${script}<title>${escapeText(options.title)}</title>${links.join('')}
<style>html{background:${escapeAttribute(options.background ?? '#fff')};color:#222}body{margin:0;display:flow-root;font:16px/1.5 sans-serif}</style></head>
<body>
${text}
</body>
</html>
`;
}

/* Between two comments, by which our script knows what is of the page and what is not. */
function inPage(
  text: string,
  relay: string,
  { room: { parts, base }, pointing }: NonNullable<PreviewOptions['page']>,
): string {
  const [start, upTo, rest] = parts;
  const script =
    pointing &&
    `<script src="${escapeAttribute(pointing.src)}" data-to="${escapeAttribute(pointing.to)}"></script>`;
  const head = `<meta charset="utf-8"><base href="${escapeAttribute(base)}">${relay}${script ?? ''}`;
  return `${start}${head}${upTo}<!--orbis begins-->${text}<!--orbis ends-->${rest}`;
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

function previewPolicy(
  text: string,
  reading: ShownReading,
  sheet: ShownSheet | null,
  { ancestors, ownHost, pictures = [], relay, page }: PreviewOptions,
): string {
  const isWaiting = hasLoader(text);
  const sources = new Map<string, Set<string>>();
  const allow = (directive: string | undefined, source: string | null): void => {
    if (directive === undefined || source === null) return;
    (sources.get(directive) ?? sources.set(directive, new Set()).get(directive)!).add(source);
  };
  for (const { use, url } of reading.addresses) {
    const origin = originSource(url);
    allow(directiveOf[use], origin);
    // The provider's other hosts serve the same item: a frame may move between them.
    if (sheet && use === 'frame' && origin !== null)
      for (const host of sheet.hosts) allow('frame-src', sameSchemeAndPort(origin, host));
  }
  // Hosts that only a script or a style names: its scheme and port are not known here, so
  // any of the host's will do.
  const named = new Set(reading.addresses.map((address) => hostOf(address.url)));
  for (const { host, uses } of reading.hosts)
    if (!named.has(host)) for (const use of uses) allow(directiveOf[use], hostSource(host));
  allow('script-src', inlineScripts(reading, isWaiting));
  const ours = [relay?.src, page?.pointing?.src].filter((src) => src !== undefined);
  for (const src of ours) allow('script-src', src);
  for (const picture of pictures) allow('img-src', isHeldPicture(picture) ? 'data:' : originSource(picture));
  // A page looks as it looks by sheets, pictures and fonts from wherever it has them.
  if (page)
    for (const each of ['style-src', 'img-src', 'font-src'])
      for (const src of ['*', 'data:']) allow(each, src);
  // Inline styles are what presentation is made of.
  allow('style-src', "'unsafe-inline'");
  if (!sources.has('form-action')) allow('form-action', "'none'");
  const tokens = new Set([
    ...sandboxTokensOf(reading, isWaiting).map(({ token }) => token),
    ...(ours.length === 0 ? [] : ['allow-scripts']),
  ]);
  if (!ownHost) tokens.delete('allow-same-origin');
  const directives = [...sources].map(([name, values]): Directive => [name, [...values]]);
  return writePolicy([
    ['sandbox', [...tokens]],
    ['frame-ancestors', ancestors],
    ['default-src', ["'none'"]],
    ...directives,
    ['base-uri', [(page && originSource(page.room.base)) ?? "'none'"]],
  ]);
}

/* Where any script in the code may run, ours may; a digest beside that would shut the others out again
   (CSP 3, section 6.7.3.2). */
const inlineScripts = ({ parts }: ShownReading, isWaiting: boolean): string | null =>
  parts.some(({ role }) => role === 'setup') ? "'unsafe-inline'" : isWaiting ? `'${loadScriptHash}'` : null;

function sameSchemeAndPort(origin: string, host: string): string | null {
  const { protocol, port } = new URL(origin);
  return isHost(host) ? `${protocol}//${host}${port ? `:${port}` : ''}` : null;
}
