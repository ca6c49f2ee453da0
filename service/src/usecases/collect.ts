import { linkIn, nameOfAddress, readMark, type Options } from '@orbis/core';
import { OrbisError, serializeFinding, type Found } from '@orbis/contract';
import type { Summary } from '../reading/worker.ts';
import type { FoundLink } from './resolve-link.ts';
import { openSource, type OpenedCode } from './codes.ts';
import type { Deps } from '../deps.ts';
import type { Handle } from '../database/connect.ts';
import type { NewSource } from '../store/embeds.ts';
import { embedOfMark } from '../store/placements.ts';

/** What a code is taken in with. */
export type IngestTools = Pick<Deps, 'renderContext' | 'reader'>;

/** What was pasted, and the code that edits will count in. */
export interface Collected {
  pasted: string;
  code: OpenedCode;
  /** What a link asks for beside the item. */
  asked: Options;
  /** What was found out about a link; null where nobody was asked. */
  found: Found | null;
}

/**
 * Takes in a code or a link; with `mend`, as the mendings that its findings carry would have it: all, or
 * those of the rules named. Of a link, the provider's sheet makes a code.
 * @throws OrbisError when there is nothing in it that could be placed, or when Orbis handed it out itself.
 */
export async function ingest(
  db: Handle,
  pasted: string,
  { renderContext, reader }: IngestTools,
  {
    mend: wanted = false,
    follow,
  }: { mend?: boolean | readonly string[]; follow?: (link: string) => Promise<FoundLink> } = {},
): Promise<Collected> {
  const context = { sheets: renderContext().sheets };
  const text =
    wanted === false
      ? pasted
      : (await reader.mendTexts([pasted], context, wanted === true ? undefined : wanted))[0]!.text;
  const reading = (await reader.summariseTexts([text], context))[0]!;
  const base = codeTextOf(reading, text);
  const mark = reading.mark === null ? null : readMark(reading.mark);
  const known = mark && (await embedOfMark(db, mark.placement));
  if (known) throw new OrbisError('marked-code', { embed: known });
  if (reading.input === 'link' && follow) {
    const { code, asked, found } = await follow(pasted.trim());
    return { pasted, code: await openSource({ base: code, found }, renderContext()), asked, found };
  }
  return { pasted, code: await openSource({ base }, renderContext()), asked: reading.asked, found: null };
}

/**
 * The code that a text is kept as: itself, or what is made of a link or an id.
 * @throws OrbisError when there is nothing in it that could be placed.
 */
export function codeTextOf(
  { input, generated, links, excess }: Pick<Summary, 'input' | 'generated' | 'links' | 'excess'>,
  text: string,
): string {
  if (excess) {
    const { message, remedy } = serializeFinding(excess);
    throw new OrbisError('text-too-much', { problem: `${message} ${remedy}` });
  }
  if (input === 'empty') throw new OrbisError('nothing-pasted');
  if (input === 'visible-code') throw new OrbisError('visible-code');
  if (input === 'text') throw noCode(text.trim());
  if (input === 'link' && links > 1) throw new OrbisError('several-links', { count: links });
  if (input === 'link' && generated === null)
    throw new OrbisError('link-not-known', { link: text.trim().slice(0, 200) });
  return generated ?? text;
}

/* `nosuch:311` is written like an item of a provider. */
function noCode(text: string): OrbisError {
  const provider = /^([a-z0-9]+(?:-[a-z0-9]+)*):[^\s/][^\s]{0,200}$/.exec(text)?.[1];
  return provider === undefined
    ? new OrbisError('no-code')
    : new OrbisError('provider-unknown', { provider: provider.slice(0, 60) });
}

/**
 * What something is called where nobody says it: as its provider calls it, as its code says, else
 * by its link or what it is.
 */
export function nameFor({ code, found, pasted }: Pick<Collected, 'code' | 'found' | 'pasted'>): string {
  const link = linkIn(pasted);
  // A code that was made of a link without asking is titled by us: its address says more.
  const made = found?.title ?? (link === null ? code.title : nameOfAddress(new URL(link)));
  const { kind, provider } = code.reading;
  return (
    (made ?? [provider?.name, kind === 'unknown' ? 'embed' : kind].filter(Boolean).join(' '))
      .replaceAll(/[\p{Cc}\p{Cs}]+/gu, ' ')
      .slice(0, 120)
      .trim() || 'Embed'
  );
}

/** The worst level among a code's findings. */
export function worstLevel(code: Pick<OpenedCode, 'reading'>): 'error' | 'warning' | 'note' | null {
  return (
    (['error', 'warning', 'note'] as const).find((level) =>
      code.reading.findings.some((finding) => finding.level === level),
    ) ?? null
  );
}

/** What the collection keeps of a code beside the code itself. */
export const sourceOfCode = ({
  pasted,
  code,
  found,
}: Pick<Collected, 'pasted' | 'code' | 'found'>): NewSource => ({
  found,
  pasted,
  base: code.text,
  kind: code.reading.kind,
  provider: code.reading.provider?.id ?? null,
  level: worstLevel(code),
  hosts: code.reading.hosts.map(({ host }) => host),
});
