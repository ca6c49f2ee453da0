import { escapeAttribute, escapeText } from '../text/index.ts';
import type { ReadAddress, Reading, Use } from '../reading/reading.ts';
import type { Sheet } from '../sheets/sheet.ts';
import { hostOf } from '../reading/addresses.ts';
import { powersOf } from './powers.ts';

/** A document in which foreign code is shown, to its owner or on the owner's page, with the policy that its server must send. */
export interface PreviewDocument {
  html: string;
  /** The value of a Content-Security-Policy header (CSP 3). */
  policy: string;
}

export interface PreviewOptions {
  title: string;
  /** The origins that may frame it, with blanks between them. */
  ancestors: string;
  /** Where questions about it are answered (oEmbed 1.0, section 4). */
  discovery?: readonly { type: string; href: string }[];
  language: string;
  /** The address of a script of ours that tells the page around it where the player is. */
  relay?: string;
}

/* A player of our own tells its time by itself, a provider's where its sheet says how. */
const tellsTime = ({ parts }: Reading, sheet: Sheet | null): boolean => sheet?.tellsTime !== undefined || parts.some(({ role }) => role === 'media');

const relayTag = (src: string, sheet: Sheet | null, to: string): string => {
  const { member = '', format = 'seconds' } = sheet?.tellsTime ?? {};
  return `<script src="${escapeAttribute(src)}" data-to="${escapeAttribute(to)}" data-member="${escapeAttribute(member)}" data-units="${format === 'seconds' ? 1 : 1000}"></script>`;
};

/**
 * Puts a code into a document of its own. The policy lets it reach what its reading names, and nothing else; only
 * `ancestors` (an origin) may frame it. `text` is the code as it would be delivered.
 */
export function previewDocument(text: string, reading: Reading, sheet: Sheet | null, options: PreviewOptions): PreviewDocument {
  const relay = tellsTime(reading, sheet) ? (options.relay ?? null) : null;
  const links = (options.discovery ?? []).map(
    ({ type, href }) => `\n<link rel="alternate" type="${escapeAttribute(type)}" href="${escapeAttribute(href)}" title="${escapeAttribute(options.title)}">`,
  );
  const html = `<!doctype html>
<html lang="${escapeAttribute(options.language)}">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${escapeText(options.title)}</title>${links.join('')}
<style>html{background:#fff;color:#222}body{margin:0;display:flow-root;font:16px/1.5 sans-serif}</style></head>
<body>
${text}${relay === null ? '' : `\n${relayTag(relay, sheet, options.ancestors)}`}
</body>
</html>
`;
  return { html, policy: previewPolicy(reading, sheet, options.ancestors, relay) };
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

function previewPolicy(reading: Reading, sheet: Sheet | null, ancestors: string, relay: string | null): string {
  const sources = new Map<string, Set<string>>();
  const allow = (directive: string, source: string): void => void (sources.get(directive) ?? sources.set(directive, new Set()).get(directive)!).add(source);
  for (const address of reading.addresses) {
    const directive = directiveOf[address.use];
    const origin = originOf(address);
    if (!directive || !origin) continue;
    allow(directive, origin);
    // The provider's other hosts serve the same item: a frame may move between them.
    if (sheet && address.use === 'frame') for (const host of sheet.hosts) allow(directive, sameSchemeAndPort(origin, host));
  }
  // Hosts that only a script or a style names: its scheme and port are not known here, so any of the host's will do.
  const named = new Set(reading.addresses.map((address) => hostOf(address.url)));
  for (const { host, uses } of reading.hosts) {
    if (named.has(host) || !/^[a-z0-9.-]+$/i.test(host)) continue;
    for (const use of uses) if (directiveOf[use]) allow(directiveOf[use], `${host}:*`);
  }
  if (reading.parts.some((part) => part.role === 'setup')) allow('script-src', "'unsafe-inline'");
  if (relay !== null) allow('script-src', relay);
  // Inline styles are what dress is made of.
  allow('style-src', "'unsafe-inline'");
  const list = [...sources].map(([directive, values]) => `${directive} ${[...values].join(' ')}`);
  const tokens = [...new Set([...powersOf(reading).map((power) => power.token), ...(relay === null ? [] : ['allow-scripts'])])];
  if (!sources.has('form-action')) list.push("form-action 'none'");
  return ["default-src 'none'", ...list, "base-uri 'none'", `frame-ancestors ${ancestors}`, `sandbox ${tokens.join(' ')}`.trim()].join('; ');
}

function originOf({ url }: ReadAddress): string | null {
  const full = url.startsWith('//') ? `https:${url}` : url;
  return URL.canParse(full) && /^https?:$/.test(new URL(full).protocol) ? new URL(full).origin : null;
}

function sameSchemeAndPort(origin: string, host: string): string {
  const { protocol, port } = new URL(origin);
  return `${protocol}//${host}${port ? `:${port}` : ''}`;
}
