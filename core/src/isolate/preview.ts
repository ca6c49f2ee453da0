import { escapeAttribute, escapeText } from '../text/index.ts';
import { frameDocument } from '../frame/index.ts';
import { liesBehind } from '../compose/apart.ts';
import type { PreviewOptions, ShownReading, ShownSheet } from './preview-options.ts';
import { previewPolicy } from './preview-policy.ts';

/**
 * A document in which foreign code is shown, to its owner or on the owner's page, with the policy that its
 * server must send.
 */
export interface PreviewDocument {
  html: string;
  /** The value of a Content-Security-Policy header (CSP 3). */
  policy: string;
}

const relayTag = (
  { src, to }: NonNullable<PreviewOptions['relay']>,
  sheet: ShownSheet | null,
  isInPage: boolean,
): string => {
  const { member = '', format = 'seconds' } = sheet?.tellsTime ?? {};
  return `<script src="${escapeAttribute(src)}" data-to="${escapeAttribute(to)}" data-member="${escapeAttribute(member)}" data-units="${format === 'seconds' ? 1 : 1000}"${isInPage ? ' data-in-page="yes"' : ''}></script>`;
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
  const script = options.relay ? relayTag(options.relay, sheet, options.page !== undefined) : '';
  const html = options.page
    ? inPage(text, script, options.page)
    : options.framed
      ? frameDocument(text, { ...options.framed, language: options.language, head: linksTo(options) })
      : byItself(text, script, options);
  return { html, policy: previewPolicy(text, reading, sheet, options) };
}

const linksTo = ({ discovery = [], title }: PreviewOptions): string =>
  discovery
    .map(
      ({ type, href }) =>
        `\n<link rel="alternate" type="${escapeAttribute(type)}" href="${escapeAttribute(href)}" title="${escapeAttribute(title)}">`,
    )
    .join('');

function byItself(text: string, script: string, options: PreviewOptions): string {
  return `<!doctype html>
<html lang="${escapeAttribute(options.language)}">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">${script}<title>${escapeText(options.title)}</title>${linksTo(options)}
<style>html{background:${escapeAttribute(options.background ?? '#fff')};color:#222}body{margin:0;${liesBehind(text) ? 'min-height:100vh;' : ''}display:flow-root;font:16px/1.5 sans-serif}</style></head>
<body>
${text}
</body>
</html>
`;
}

/** The two comments between which an embed stands in a page: what is of the page, and what is not. */
export const inPageMarks = ['orbis begins', 'orbis ends'] as const;

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
  return `${start}${head}${upTo}<!--${inPageMarks[0]}-->${text}<!--${inPageMarks[1]}-->${rest}`;
}
