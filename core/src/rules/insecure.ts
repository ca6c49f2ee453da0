import { innerText, type Markup } from '../text/index.ts';
import type { Use } from '../reading/reading.ts';
import { replace } from './mends.ts';
import type { CodeRule, Found } from './rule.ts';
import { reason } from '../reason.ts';

export const rule: CodeRule = {
  id: 'insecure',
  level: 'error',
  source:
    'Mixed Content, sections 3 and 4; Secure Contexts, section 3.1 (loopback and *.localhost are trusted)',
  addresses: ({ start, end, url, use }, { markup: { text } }) => {
    if (url.startsWith('https:') || use === 'link' || !isBlockedOn(url)) return null;
    const raw = text.slice(start, end);
    const mend = replace(text, start, end, raw.replace(/^(\s*)http:/i, '$1https:'), reason('use-https'));
    return { start, end, facts: { url, use }, mend };
  },
  code: ({ markup, inner }) =>
    !markup.text.includes('http:')
      ? null
      : [
          ...inner.scripts.flatMap(({ addresses }) => insideOf(markup, 'script', addresses)),
          ...inner.styles.flatMap(({ addresses }) => insideOf(markup, 'style', addresses)),
          ...inStyles(markup),
        ],
};

/* An address that a script or a style loads, where it stands there in one piece: one that is put together may
   be the choice for pages that are not secure themselves. */
function insideOf(
  { text, elements }: Markup,
  name: 'script' | 'style',
  addresses: readonly { url: string; use: Use }[],
): Found[] {
  return addresses.flatMap(({ url, use }) => {
    if (use === 'link' || !isBlockedOn(url)) return [];
    for (const element of elements) {
      if (element.name !== name || element.attributes.has('src')) continue;
      const at = innerText(text, element).indexOf(url);
      if (at >= 0) return [atHttp(text, element.startTagEnd + at, url, use)];
    }
    return [];
  });
}

const inUrl = /url\(\s{0,8}(?:&quot;|["'])?(http:\/\/[^"'()\s&]{1,2000})/gi;

function inStyles({ text, elements }: Markup): Found[] {
  return elements.flatMap((element) => {
    const style = element.attributes.get('style');
    if (!style || !/url\(/i.test(style.value)) return [];
    return [...text.slice(style.valueStart, style.valueEnd).matchAll(inUrl)].flatMap((found) => {
      const url = found[1]!;
      const at = style.valueStart + found.index + found[0].length - url.length;
      return isBlockedOn(url) ? [atHttp(text, at, url, 'image')] : [];
    });
  });
}

const atHttp = (text: string, start: number, url: string, use: Use): Found => ({
  start,
  end: start + url.length,
  facts: { url, use },
  mend: replace(text, start, start + url.length, url.replace(/^http:/i, 'https:'), reason('use-https')),
});

const isBlockedOn = (url: string): boolean =>
  /^http:\/\//i.test(url) && URL.canParse(url) && !trusted(new URL(url).hostname);

const trusted = (host: string): boolean =>
  host === 'localhost' || host.endsWith('.localhost') || host === '[::1]' || /^127\./.test(host);
