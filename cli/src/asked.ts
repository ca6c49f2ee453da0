import { optionNamed, type Options, type Sheet } from '@orbis/core';
import { knownOption, OrbisError, parseOptions, type Client } from '@orbis/contract';

/** Finds out with which sheet the code is read that options are meant for; undefined where none knows it. */
export type WhoseSheet = (client: Client) => Promise<string | undefined>;

/** The sheet of an embed that is kept. */
export const sheetOfEmbed =
  (embed: string): WhoseSheet =>
  async (client) =>
    (await client.call('embeds.read', { params: { embed } })).data.reading.sheet?.id;

/** The sheet of a code, or of a link, that is not kept yet. */
export const sheetOfText =
  (text: string): WhoseSheet =>
  async (client) =>
    (await client.call('readings.create', { body: { text } })).data.items[0]?.sheet?.id;

/**
 * Reads options as people type them. Only where one is not Orbis’s own is the service asked for the sheets
 * that may declare it: that of one code, or all where many are meant.
 * @throws OrbisError as `parseOptions` does
 */
export async function parseAsked(
  words: readonly string[],
  client: () => Client,
  whose: WhoseSheet | null,
): Promise<Options> {
  return parseOptions(words, await sheetsFor(words.map(nameIn), client, whose));
}

/** Refuses names that no option has, of the table or of a sheet. */
export async function checkNames(
  names: readonly string[],
  client: () => Client,
  whose: WhoseSheet | null,
): Promise<void> {
  const sheets = await sheetsFor(names, client, whose);
  for (const name of names) knownOption(name, sheets);
}

const nameIn = (word: string): string => word.split('=')[0]!.trim();

async function sheetsFor(
  names: readonly string[],
  client: () => Client,
  whose: WhoseSheet | null,
): Promise<readonly Sheet[]> {
  if (names.every((name) => optionNamed(name) !== null)) return [];
  const sheets = (await client().call('providers.list', {})).data.items.map(({ sheet }) => sheet);
  if (whose === null) return sheets;
  const id = await whose(client());
  const own = sheets.find((sheet) => sheet.id === id) ?? null;
  for (const name of names)
    if (optionNamed(name, own) === null && sheets.some((sheet) => optionNamed(name, sheet) !== null))
      throw notOffered(name, own);
  return own ? [own] : [];
}

/* An option that there is, but not here. */
const notOffered = (setting: string, sheet: Sheet | null): OrbisError =>
  sheet
    ? new OrbisError('setting-not-offered', { setting, provider: sheet.name })
    : new OrbisError('no-sheet', { setting });
