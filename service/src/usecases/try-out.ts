import {
  classFor,
  defaultsFor,
  documentText,
  hasLoader,
  picturesOf,
  previewDocument,
  sandboxTokensOf,
  withoutOptions,
  type Beside,
  type Circumstances,
  type Kind,
  type Options,
  type PreviewDocument,
  type SandboxToken,
  type ShownPage,
} from '@orbis/core';
import { OrbisError, refuseProblems } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import { pointingPath, relayPath } from '../origins.ts';
import { newPublicId } from '../store/ids.ts';
import type { PageOfRegister } from '../store/placements.ts';
import { commonToSites } from '../store/places.ts';
import type { Actor } from '../store/embeds.ts';
import { insertPreview, type KeptPreview } from '../store/previews.ts';
import { askedAt } from './asked.ts';
import { compositionOf, type CodeSource } from './codes.ts';
import { ingest } from './collect.ts';
import { embedByKey } from './embeds.ts';
import { roomOn, type RoomOnPage } from './in-page.ts';
import { pastedAt } from './page-plan.ts';
import { placementById } from './placements.ts';

/** Options that are tried out on an embed, on one of its placements, or on a code that nobody has kept. */
export interface Trial {
  embed?: string | undefined;
  placement?: string | undefined;
  text?: string | undefined;
  options: Options;
  /** Which options hold, at whatever level they are asked; all of them where nothing is said. */
  keep?: (option: string) => boolean;
}

/** How a trial is shown, which changes nothing of what is handed out. */
export interface View {
  /** As it was pasted, with nothing that is asked of it. */
  asPasted?: boolean;
  /** The colour behind it, as #rrggbb, where it is shown by itself. */
  background?: string | undefined;
  /** The published page in which it is shown. */
  on?: { page: string; beside?: Beside | undefined } | undefined;
}

export type TrialTools = Pick<Deps, 'connection' | 'renderContext' | 'reader' | 'origins' | 'fetching'>;
export type Tried = Awaited<ReturnType<typeof compositionOf>>;

/** Composes a trial as it would come out where it stands; keeps nothing. */
export async function tryOut(
  { form, ...trial }: Trial & { form?: 'inline' | 'apart' | undefined },
  tools: TrialTools,
): Promise<{ base: string; tried: Tried }> {
  const { placement } = trial;
  const source = await sourceOf(trial, tools);
  const row = placement === undefined ? null : await placementById(tools.connection.db, placement);
  const circumstances = {
    ...(row && { ...pastedAt(row), servedAt: tools.renderContext().servedAt() }),
    ...(form !== undefined && inForm[form]),
  };
  const placed = row ? { ...source, editor: row.site.editor } : source;
  return { base: source.base, tried: await compositionOf(placed, tools.renderContext(), circumstances) };
}

/* Where what is not the code itself stands. */
const inForm = {
  inline: { apart: null, loader: 'here', listener: 'here' },
  apart: { apart: classFor('bare'), loader: 'head', listener: 'head' },
} as const satisfies Record<string, Circumstances>;

/** A preview that can be framed by the console, and until when. */
export interface Preview {
  url: string;
  expiresAt: Date;
  /** The page in which it is shown. */
  page: RoomOnPage | null;
  sandboxTokens: ReturnType<typeof sandboxTokensOf>;
}

/**
 * Keeps a trial for a while as a document on a host of its own.
 * @param policies - instead of those that let it contact only whom it names.
 * @throws OrbisError of the options that it cannot have.
 */
export async function preview(
  trial: Trial & View,
  tools: TrialTools,
  actor: Actor,
  policies: Partial<Omit<KeptPreview, 'html'>> = {},
): Promise<Preview> {
  const { tried, document: made, page } = await viewed({ ...trial, watched: true }, tools);
  const { name, url, document, text } = made;
  const kept = { reportOnly: null, ...document, ...policies };
  const expiresAt = await insertPreview(tools.connection.db, name, kept, actor);
  return { url, expiresAt, page, sandboxTokens: tokensOf(tried, text) };
}

/* Those of the code, and of a frame of ours in it. */
function tokensOf({ code, composition }: Tried, text: string): SandboxToken[] {
  const own = sandboxTokensOf(code.reading, hasLoader(text));
  const framed = composition.framed?.sandboxTokens ?? [];
  return [...own, ...framed.filter(({ token }) => !own.some((each) => each.token === token))];
}

/**
 * The document of a trial as it is to be seen.
 * @throws OrbisError of the options that it cannot have, and of the page in which it is shown.
 */
export async function viewed(
  { asPasted = false, background, on, watched = false, ...trial }: Trial & View & { watched?: boolean },
  tools: TrialTools,
): Promise<{ tried: Tried; document: ReturnType<typeof documentOf>; page: RoomOnPage | null }> {
  const page = on
    ? await roomOn(
        { page: on.page, beside: on.beside ?? null },
        ({ placement, embed }) => placement === trial.placement || embed === trial.embed,
        tools,
      )
    : null;
  const { tried, language } = await asPreviewed(trial, tools, page?.site);
  refuseProblems(tried.composition.problems);
  const document = documentOf(asPasted ? pasted(tried) : composed(tried), tools, {
    title: trial.embed,
    language,
    background,
    page: page?.room,
    watched,
  });
  return { tried, document, page };
}

/** Composes a trial as it is shown by itself, or for a site, in the language of the site where it stands. */
export async function asPreviewed(
  trial: Trial,
  tools: TrialTools,
  site?: PageOfRegister['site'],
): Promise<{ tried: Tried; language: string }> {
  const source = withOnly(await sourceOf(trial, tools, site), trial.keep);
  const { db } = tools.connection;
  const { placement } = trial;
  const of =
    site ?? (placement === undefined ? await commonToSites(db) : (await placementById(db, placement)).site);
  const { language, frameStyle } = { language: of.language ?? 'en', frameStyle: of.frameStyle ?? '' };
  // What would be served stands in the preview itself, which has a host of its own as well.
  const circumstances = { apart: classFor('preview'), language, frameStyle, servedAt: 'held' };
  return { tried: await compositionOf(source, tools.renderContext(), circumstances), language };
}

function withOnly(source: CodeSource, keep: Trial['keep']): CodeSource {
  if (keep === undefined) return source;
  const kept = (options: Options): Options =>
    withoutOptions(
      options,
      Object.keys(options).filter((name) => !keep(name)),
    );
  const asked = Object.fromEntries(
    Object.entries(source.asked).map(([level, options]) => [level, kept(options)]),
  );
  return { ...source, asked };
}

/** A code as it is shown: its text, and the pictures that it brings beside what the code shows itself. */
export interface ToShow {
  code: Pick<Tried['code'], 'reading' | 'sheet'>;
  text: string;
  pictures: readonly string[];
  /** What its frame is let do, where it stands in one of ours. */
  also?: readonly string[];
  /** The hosts that it may contact, where its owner has fixed them. */
  contacts?: readonly string[] | null;
}

/** What a trial comes to, to be shown. */
export const composed = ({ code, composition }: Tried): ToShow => ({
  code,
  text: documentText(composition.snippets),
  pictures: picturesOf(composition.effective),
  also: composition.framed?.sandboxTokens.map(({ token }) => token) ?? [],
  contacts: composition.framed?.contacts ?? null,
});

/** The code of a trial as it was pasted, without what rules and sites ask of it. */
export const pasted = ({ code }: Pick<Tried, 'code'>): ToShow => ({ code, text: code.text, pictures: [] });

/** The document in which a code is shown, at an address that nobody can guess. */
export function documentOf(
  { code: { reading, sheet }, text, pictures, also = [], contacts = null }: ToShow,
  { origins }: Pick<TrialTools, 'origins'>,
  {
    title = 'Preview',
    language,
    background,
    page,
    watched = false,
  }: {
    title?: string | undefined;
    language: string;
    background?: string | undefined;
    page?: ShownPage | undefined;
    /** Whether the console looks at it, and hears of it what scripts of ours tell. */
    watched?: boolean;
  },
): { name: string; url: string; text: string; document: PreviewDocument } {
  const { console, previewUrl, ownHosts } = origins();
  const name = newPublicId() + newPublicId();
  const url = previewUrl(name);
  const document = previewDocument(text, reading, sheet, {
    title,
    ancestors: [console],
    ownHost: ownHosts,
    language,
    pictures,
    also,
    ...(contacts && { contacts }),
    ...(watched && { relay: { src: new URL(relayPath, url).href, to: console } }),
    ...(background !== undefined && { background }),
    ...(page && {
      page: {
        room: page,
        pointing: watched ? { src: new URL(pointingPath, url).href, to: console } : null,
      },
    }),
  });
  return { name, url, text, document };
}

/** The picture that the provider of a trial named when its link was collected; null where there was none. */
export async function namedPicture(
  { embed, placement }: Trial,
  { connection: { db } }: Pick<TrialTools, 'connection'>,
): Promise<string | null> {
  if (placement !== undefined)
    return (await placementById(db, placement)).source.found?.thumbnail?.url ?? null;
  return embed === undefined ? null : ((await embedByKey(db, embed)).source.found?.thumbnail?.url ?? null);
}

/* The code, and what is asked of it: of an embed itself, or of a placement beside what its embed asks. */
async function sourceOf(
  { embed, text, placement, options }: Trial,
  tools: TrialTools,
  site?: PageOfRegister['site'],
): Promise<CodeSource> {
  const { db } = tools.connection;
  if (placement !== undefined) {
    const row = await placementById(db, placement);
    const { base, found } = row.source;
    return { base, found, asked: { ...askedAt(row), placement: options } };
  }
  const asked = { embed: options };
  if (embed !== undefined) {
    const row = await embedByKey(db, embed);
    const { base, found } = row.source;
    return {
      base,
      found,
      asked: site ? { ...asked, site: defaultsFor(site.defaults, row.embed.kind as Kind) } : asked,
    };
  }
  if (text === undefined) throw new OrbisError('bad-request', { problem: 'Name an embed, or give a text.' });
  return { base: (await ingest(db, text, tools)).code.text, asked };
}
