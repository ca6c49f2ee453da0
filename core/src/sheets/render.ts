import { parseTemplate } from 'url-template';
import { escapeAttribute } from '../text/index.ts';
import type { SheetMatch } from './match.ts';
import type { FrameCode, KeptThing, Sheet } from './sheet.ts';

/**
 * The code for an item that somebody has only a link to: titled, lazily loaded, with the permissions
 * that the sheet names and no others. Scheme and port are those of the link. `title` is what the item
 * is called, where that is known.
 */
export function codeFromLink({ sheet, id, url }: SheetMatch, title?: string): string {
  const { code } = sheet;
  const given = givenBy({ sheet, id, url });
  if ('parts' in code)
    return code.parts
      .map(({ html }) =>
        html.replace(expressions, (expression) => escapeAttribute(parseTemplate(expression).expand(given))),
      )
      .join('\n');
  return writeTag(
    code,
    parseTemplate(code.address).expand(given),
    title ?? code.title.replaceAll('{name}', nameOf(url)),
  );
}

/** The code for an item of which somebody has only the id, the account's name or the shop's number. */
export const codeFromId = (sheet: Sheet, id: string): string => codeFromLink(matchOfId(sheet, id));

/* Only these are expressions of a template: braces stand for much else in scripts. */
const expressions = /\{[+#./;?&]?(?:id|link|scheme|port)\}/g;

/** Where people can see an item itself; null where the sheet does not say. */
export const directLink = (match: SheetMatch): string | null =>
  match.sheet.direct === undefined ? null : parseTemplate(match.sheet.direct).expand(givenBy(match));

/** A page on which a provider keeps something of an item. */
export interface KeptPage {
  what: KeptThing;
  address: string;
  /** Whether what is changed there shows on pages without a new code. */
  isInstant: boolean;
}

/** Where the provider keeps what belongs to an item, as the sheet says. */
export const keptPages = (match: SheetMatch): KeptPage[] =>
  (match.sheet.keeps ?? []).map(({ what, at, instant = false }) => ({
    what,
    address: parseTemplate(at).expand(givenBy(match)),
    isInstant: instant,
  }));

/** Where the provider answers questions about its links (oEmbed 1.0); null where the sheet does not say. */
export const oembedEndpoint = (match: SheetMatch): string | null =>
  match.sheet.oembed === undefined ? null : parseTemplate(match.sheet.oembed.endpoint).expand(givenBy(match));

/** An item by its id alone, as if there were a link: it is where the provider answers. */
export function matchOfId(sheet: Sheet, id: string): SheetMatch {
  const { scheme, port } = sheet.answers ?? { scheme: 'https' };
  return {
    sheet,
    id,
    url: new URL(`${scheme}://${sheet.hosts[0] ?? 'localhost'}${port === undefined ? '' : `:${port}`}/`),
  };
}

const givenBy = ({ id, url }: SheetMatch): Record<string, string> => ({
  id,
  link: url.href,
  scheme: url.protocol.slice(0, -1),
  port: url.port ? `:${url.port}` : '',
});

function writeTag(
  { element = 'iframe', width, height, allow, attributes = {} }: FrameCode,
  address: string,
  title: string,
): string {
  const lazy = element === 'iframe' || element === 'img';
  const list: [string, string | undefined][] = [
    ['src', address],
    ['width', width?.toString()],
    ['height', height?.toString()],
    [element === 'img' ? 'alt' : 'title', title],
    ['loading', lazy ? 'lazy' : undefined],
    ...Object.entries(attributes),
    ['allow', allow.length > 0 ? allow.join('; ') : undefined],
  ];
  const written = list.flatMap(([name, value]) =>
    value === undefined ? [] : value === '' ? [name] : [`${name}="${escapeAttribute(value)}"`],
  );
  return `<${element} ${written.join(' ')}>${element === 'img' ? '' : `</${element}>`}`;
}

/**
 * What an address is about, as people would write it: a file by what it is called, without its ending; a page
 * without a name by its site.
 */
export function nameOf(url: URL): string {
  const last = url.pathname.split('/').findLast(Boolean) ?? url.hostname;
  let name = last;
  try {
    name = decodeURIComponent(last);
  } catch {
    // What is no escape stays as it is written.
  }
  const words = name
    .replace(/\.[a-z0-9]{1,8}$/i, '')
    .replaceAll(/[-_+\s]+/g, ' ')
    .trim();
  return words === '' ? url.hostname : words.charAt(0).toUpperCase() + words.slice(1);
}
