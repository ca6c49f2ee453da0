import {
  codeFromLink,
  codeOfOembed,
  framingOf,
  matchLink,
  oembedAddress,
  oembedEndpoint,
  read,
  withRoom,
  type ListedEndpoint,
  type OembedAnswer,
  type OembedRoom,
  type OembedEndpoint,
  type Options,
  type Sheet,
  type SheetMatch,
} from '@orbis/core';
import { formatLink, OrbisError, type Found } from '@orbis/contract';
import type { Answers } from '../fetching/answers.ts';
import { decodeData, decodePage } from '../fetching/decode.ts';
import type { Fetching } from '../fetching/client.ts';
import { isPage, type Fetched } from '../fetching/hop.ts';
import { totalOf } from '../fetching/total.ts';
import { FetchFailure } from '../fetching/failure.ts';
import type { Reader } from '../reading/reader.ts';
import { openSource } from './codes.ts';
import type { RenderContext } from './render-context.ts';

/** What a link comes to: the code, what the link asks for itself, and what was found out about it. */
export interface FoundLink {
  code: string;
  asked: Options;
  found: Found;
}

interface Tools {
  renderContext: RenderContext;
  fetching: Pick<Fetching, 'get'>;
  reader: Pick<Reader, 'linkedPage' | 'oembedAnswer' | 'fileFacts'>;
  answers: Answers;
  /** How large it may be, where somebody said it. */
  room?: OembedRoom;
  /** Who is known to answer about this link, beside the sheets. */
  listed: Listed;
  /** Addresses of the owner's sites, where the embed will be shown. */
  declared: readonly string[];
  now: Date;
}

/** As much of a file as tells what it is. */
const beginning = 512 * 1024;

/** Who is known to answer about a link, out of lists of oEmbed providers. */
export type Listed = Pick<ListedEndpoint, 'provider' | 'url' | 'formats'> | null;

/** Whom Orbis would ask about a link, and for what, before it does. */
export function asksOf(
  link: string,
  { sheets }: RenderContext,
  listed: Listed,
): { host: string; what: string }[] {
  const match = matchLink(link, sheets);
  const answering = (endpoint: string, name: string): { host: string; what: string }[] => [
    { host: new URL(endpoint).host, what: `what it knows of this link (${name} answers such questions)` },
  ];
  if (match && isProvider(match.sheet)) {
    const endpoint = oembedEndpoint(match);
    return endpoint === null ? [] : answering(endpoint, match.sheet.name);
  }
  if (listed) return answering(listed.url, listed.provider);
  return [
    {
      host: new URL(link).host,
      what: 'the page or file itself; and, if the page names somebody who answers questions about it, that one',
    },
  ];
}

/**
 * Finds out what a link leads to: by its provider's sheet, else by whoever is known to answer about such
 * links (oEmbed), or whom its page names, else as a file by its first bytes, else as a page that may be shown
 * in a frame.
 * @throws OrbisError `link-unreachable`, `link-refuses-frames` or `link-not-shown`; nothing is kept then.
 */
export async function resolveLink(link: string, tools: Tools): Promise<FoundLink> {
  const match = matchLink(link, tools.renderContext.sheets);
  if (!match) throw new OrbisError('link-not-known', { link: link.slice(0, 200) });
  try {
    if (isProvider(match.sheet)) return await byProvider(link, match, tools);
    return tools.listed ? await byList(link, tools.listed, tools) : await byLooking(link, match, tools);
  } catch (error) {
    throw unreachable(error);
  }
}

/**
 * What is told about a link (oEmbed 1.0) by whoever is known to answer, else by whom its page names, and who
 * told it; null where there is nobody.
 * @throws OrbisError `link-unreachable`.
 */
export async function answerFor(
  link: string,
  { listed, ...tools }: Omit<Tools, 'renderContext'>,
): Promise<{ answer: OembedAnswer; endpoint: OembedEndpoint } | null> {
  try {
    if (listed) {
      const format = listed.formats[0] ?? 'json';
      const known = { href: oembedAddress(listed.url, link, { format }), format };
      return { answer: await ask(known, tools), endpoint: known };
    }
    const page = await lookAt(link, tools);
    const type = page.headers.get('content-type') ?? '';
    if (!isPage(type)) return null;
    const {
      endpoints: [endpoint],
    } = await tools.reader.linkedPage({
      html: decodePage(page.body, type),
      linkHeader: page.headers.get('link'),
      base: page.url,
    });
    return endpoint ? { answer: await ask(endpoint, tools), endpoint } : null;
  } catch (error) {
    throw unreachable(error);
  }
}

const unreachable = (error: unknown): unknown =>
  error instanceof FetchFailure
    ? new OrbisError('link-unreachable', { why: error.message, remedy: error.remedy })
    : error;

const lookAt = (
  link: string,
  { fetching, declared }: Omit<Tools, 'renderContext' | 'listed'>,
): Promise<Fetched> =>
  fetching.get(link, {
    declared,
    accept: 'text/html, application/xhtml+xml;q=0.9, */*;q=0.8',
    beginning,
    range: beginning,
  });

const isProvider = ({ files, pages }: Sheet): boolean => !files && !pages;

async function byProvider(link: string, match: SheetMatch, tools: Tools): Promise<FoundLink> {
  const { asked } = read(link, tools.renderContext);
  const endpoint = oembedEndpoint(match);
  if (endpoint === null)
    return {
      code: codeFromLink(match),
      asked,
      found: { ...nothing(link, tools), how: 'sheet', provider: match.sheet.name },
    };
  const format = match.sheet.oembed!.formats?.[0] ?? 'json';
  const address = oembedAddress(endpoint, link, { format, ...tools.room });
  const answer = await ask({ href: address, format }, tools);
  // The sheet knows the provider's code better than a general answer: only its title comes from there.
  const code = codeFromLink(match, answer.title ?? undefined);
  return {
    code,
    asked,
    found: {
      ...told(answer, nothing(link, tools)),
      how: 'sheet',
      provider: answer.provider ?? match.sheet.name,
      endpoint: address,
    },
  };
}

async function byList(
  link: string,
  { provider, url, formats }: NonNullable<Listed>,
  tools: Tools,
): Promise<FoundLink> {
  const format = formats[0] ?? 'json';
  const href = oembedAddress(url, link, { format, ...tools.room });
  const answer = await ask({ href, format }, tools);
  const code = codeOfOembed(answer);
  if (code === null)
    throw new FetchFailure(
      `${provider} says of this link that it is a mere link, and has no code for it.`,
      'Put a link to it on your page instead.',
    );
  const found = told(answer, nothing(link, tools));
  return {
    code,
    asked: await titleWhereMissing(code, answer, tools.renderContext),
    found: { ...found, how: 'oembed', provider: found.provider ?? provider, endpoint: href },
  };
}

async function byLooking(link: string, match: SheetMatch, tools: Tools): Promise<FoundLink> {
  const fetched = await lookAt(link, tools);
  const type = fetched.headers.get('content-type') ?? '';
  return isPage(type)
    ? byPage(link, fetched, decodePage(fetched.body, type), tools)
    : byFile(link, match, fetched, type, tools);
}

async function byPage(link: string, page: Fetched, html: string, tools: Tools): Promise<FoundLink> {
  const { title, endpoints } = await tools.reader.linkedPage({
    html,
    linkHeader: page.headers.get('link'),
    base: page.url,
  });
  const [endpoint] = endpoints;
  const plain = { ...nothing(link, tools), url: page.url, title };
  if (endpoint) {
    const href = withRoom(endpoint.href, tools.room ?? {});
    const answer = await ask({ ...endpoint, href }, tools);
    const code = codeOfOembed(answer);
    if (code !== null)
      return {
        code,
        asked: await titleWhereMissing(code, answer, tools.renderContext),
        found: { ...told(answer, plain), how: 'oembed', endpoint: href },
      };
  }
  const sheet = tools.renderContext.sheets.find(({ pages }) => pages);
  if (!sheet) throw new OrbisError('link-not-known', { link: link.slice(0, 200) });
  const framing = framingOf({
    page: page.url,
    frameOptions: page.headers.get('x-frame-options'),
    policies: [page.headers.get('content-security-policy') ?? ''],
    by: tools.declared.map((address) => new URL(address).origin),
  });
  if (!framing.allowed)
    throw new OrbisError('link-refuses-frames', {
      host: new URL(page.url).host,
      reason: formatLink(framing.reason),
    });
  const code = codeFromLink({ sheet, id: link, url: new URL(link) }, plain.title ?? undefined);
  return { code, asked: {}, found: { ...plain, how: 'page' } };
}

async function byFile(
  link: string,
  match: SheetMatch,
  file: Fetched,
  stated: string,
  tools: Tools,
): Promise<FoundLink> {
  const total = totalOf(file);
  const facts = await tools.reader.fileFacts(file.body, total);
  const sheet = sheetForType(facts.type, match.sheet, tools.renderContext.sheets);
  if (!sheet)
    throw new OrbisError('link-not-shown', {
      host: new URL(file.url).host,
      type: facts.type ?? (stated || 'of no stated type'),
    });
  const { asked } = read(link, tools.renderContext);
  const url = new URL(link);
  return {
    code: codeFromLink({ sheet, id: link, url }),
    asked: sheet.settings['start'] ? asked : {},
    found: {
      ...nothing(link, tools),
      how: 'file',
      url: file.url,
      type: facts.type ?? stated,
      bytes: total,
      ranges: file.status === 206,
      width: facts.width,
      height: facts.height,
      length: facts.length,
    },
  };
}

/* By what its first bytes say; its name decides only where they say the same kind of thing. */
function sheetForType(type: string | null, byName: Sheet, sheets: readonly Sheet[]): Sheet | null {
  const kind =
    type === null
      ? null
      : type === 'application/pdf'
        ? 'document'
        : type.startsWith('image/')
          ? 'image'
          : /^(?:video|audio)\//.test(type)
            ? type.split('/')[0]!
            : null;
  if (kind === null) return null;
  if (byName.files && byName.kind === kind) return byName;
  return sheets.find((sheet) => sheet.files !== undefined && sheet.kind === kind) ?? null;
}

async function ask(
  { href, format }: OembedEndpoint,
  { fetching, declared, answers, reader }: Omit<Tools, 'renderContext' | 'listed'>,
): Promise<OembedAnswer> {
  const kept = answers.get(href);
  if (kept) return kept;
  const { body, headers, url } = await fetching.get(href, {
    declared,
    accept: format === 'json' ? 'application/json' : 'text/xml, application/xml;q=0.9',
    beginning,
  });
  const parsed = await reader.oembedAnswer(decodeData(body, headers.get('content-type') ?? ''), format);
  if (!parsed.ok)
    throw new FetchFailure(
      `${new URL(url).host} was asked about this link, but ${formatLink(parsed.reason)}.`,
      'Copy the provider’s embed code instead of the link.',
    );
  answers.keep(href, parsed.answer);
  return parsed.answer;
}

const nothing = (link: string, { now }: Tools): Found => ({
  how: 'sheet',
  link,
  url: link,
  endpoint: null,
  title: null,
  author: null,
  provider: null,
  thumbnail: null,
  width: null,
  height: null,
  length: null,
  type: null,
  bytes: null,
  ranges: null,
  at: now.toISOString(),
});

const told = ({ title, author, provider, thumbnail, width, height }: OembedAnswer, plain: Found): Found => ({
  ...plain,
  title: title ?? plain.title,
  author,
  provider,
  thumbnail,
  width,
  height,
});

/* A code that does not say what it is gets the title that its provider told. */
async function titleWhereMissing(
  code: string,
  { title }: OembedAnswer,
  renderContext: RenderContext,
): Promise<Options> {
  const untitled = (await openSource({ base: code }, renderContext)).reading.findings.some(
    ({ rule }) => rule === 'no-title',
  );
  return untitled && title !== null ? { title: title.slice(0, 200) } : {};
}
