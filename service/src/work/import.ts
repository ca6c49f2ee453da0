import type { Sheet } from '@orbis/core';
import { OrbisError, type ImportAnswer } from '@orbis/contract';
import type { Deps } from '../app.ts';
import type { Handle } from '../database/connect.ts';
import type { Summary } from '../reading/worker.ts';
import type { NewEmbed } from '../store/import.ts';
import { embedsOfDigests } from '../store/import.ts';
import { digest } from '../store/ids.ts';
import { newRevision } from './codes.ts';
import { codeTextOf } from './collect.ts';

/** One code as it is handed over with others. */
export interface ImportItem {
  name: string;
  text: string;
  tags: readonly string[];
  notes: string;
}

/* So many texts are read in one go of the worker, within its deadline. */
const together = 200;

/** Reads many codes, telling how many are read: what each would be kept as, which are there already under another name, and which cannot be kept. */
export async function readImport(
  db: Handle,
  items: readonly ImportItem[],
  { making, reader }: Pick<Deps, 'making' | 'reader'>,
  tell: (read: number) => void = () => {},
): Promise<{ embeds: (NewEmbed | null)[]; doubled: ImportAnswer['doubled']; refused: ImportAnswer['refused'] }> {
  const { sheets } = making();
  const refused: ImportAnswer['refused'] = [];
  const bases: (string | null)[] = [];
  const readings: Summary[] = [];
  for (let from = 0; from < items.length; from += together) {
    const part = items.slice(from, from + together);
    const now = await reader.summariseTexts(
      part.map(({ text }) => text),
      { sheets },
    );
    readings.push(...now);
    tell(readings.length);
    for (const [i, reading] of now.entries()) {
      const { name, text } = part[i]!;
      try {
        bases.push(codeTextOf(reading, text));
        if (reading.mark !== null) throw new OrbisError('bad-request', { problem: 'Orbis handed this code out itself; change that embed instead of taking it in again.' });
      } catch (error) {
        if (!(error instanceof OrbisError)) throw error;
        bases[from + i] = null;
        refused.push({ item: from + i + 1, name, detail: error.message });
      }
    }
  }
  const embeds = await kept(items, bases, readings, sheets, reader);
  return { embeds, doubled: await doublesOf(db, embeds), refused };
}

/* A code that was made of a link or an id is read in its turn: that is what is kept. */
async function kept(
  items: readonly ImportItem[],
  bases: readonly (string | null)[],
  asPasted: readonly Summary[],
  sheets: readonly Sheet[],
  reader: Deps['reader'],
): Promise<(NewEmbed | null)[]> {
  const out: (NewEmbed | null)[] = [];
  const digests = new Map<string, ReturnType<typeof newRevision>>();
  for (let from = 0; from < items.length; from += together) {
    const part = bases.slice(from, from + together);
    const made = part.flatMap((base, i) => (base !== null && base !== items[from + i]!.text ? [base] : []));
    const ofMade = made.length > 0 ? await reader.summariseTexts(made, { sheets }) : [];
    let next = 0;
    for (const [i, base] of part.entries()) {
      const reading = base === null || base === items[from + i]!.text ? asPasted[from + i]! : ofMade[next++]!;
      const { name, text, tags, notes } = items[from + i]!;
      if (base === null) {
        out.push(null);
        continue;
      }
      const sheet = sheets.find(({ id }) => id === reading.sheet?.id) ?? null;
      const known = digests.get(sheet?.id ?? '') ?? newRevision(sheet, { settings: {}, dress: {} }, 'imported');
      digests.set(sheet?.id ?? '', known);
      out.push({ name, notes, tags, pasted: text, base, found: null, digest: digest(base), ...summaryOf(reading), revision: known });
    }
  }
  return out;
}

const summaryOf = ({ kind, provider, level, hosts }: Summary) => ({ kind, provider: provider?.id ?? null, level, hosts });

/* The same content under another name: in the collection already, or earlier among these. */
async function doublesOf(db: Handle, embeds: readonly (NewEmbed | null)[]): Promise<ImportAnswer['doubled']> {
  const known = await embedsOfDigests(db, [...new Set(embeds.flatMap((embed) => embed?.digest ?? []))]);
  const earlier = new Map<string, number>();
  return embeds.flatMap((embed, i) => {
    if (!embed) return [];
    const [there, before] = [known.get(embed.digest) ?? null, earlier.get(embed.digest) ?? null];
    if (before === null) earlier.set(embed.digest, i + 1);
    return there !== null || before !== null ? [{ item: i + 1, name: embed.name, embed: there, sameAs: before }] : [];
  });
}
