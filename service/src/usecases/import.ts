import type { Sheet } from '@orbis/core';
import { OrbisError, type ImportAnswer } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import type { Handle } from '../database/connect.ts';
import type { Summary } from '../reading/worker.ts';
import { embedsOfDigests, type NewEmbed } from '../store/import.ts';
import { digest } from '../digest.ts';
import { newRevision } from './codes.ts';
import { codeTextOf } from './collect.ts';

/** One code as it is handed over with others. */
export interface ImportItem {
  name: string;
  text: string;
  tags: readonly string[];
  notes: string;
}

/* So many texts are read in one go of the worker, within its deadline; so many goes at a
   time, as many threads read. */
const [together, atOnce] = [200, 2];

/**
 * Reads many codes, telling how many are read: what each would be kept as, which are there already under
 * another name, and which cannot be kept.
 */
export async function readImport(
  db: Handle,
  items: readonly ImportItem[],
  { renderContext, reader }: Pick<Deps, 'renderContext' | 'reader'>,
  tell: (read: number) => void = () => {},
): Promise<{
  embeds: (NewEmbed | null)[];
  doubled: ImportAnswer['doubled'];
  refused: ImportAnswer['refused'];
}> {
  const { sheets } = renderContext();
  const parts = Array.from({ length: Math.ceil(items.length / together) }, (_, i) =>
    items.slice(i * together, (i + 1) * together),
  );
  const read: PartRead[] = [];
  let [next, done] = [0, 0];
  const readOn = async (): Promise<void> => {
    for (let i = next++; i < parts.length; i = next++) {
      read[i] = await readPart(db, parts[i]!, { sheets, reader });
      done += parts[i]!.length;
      tell(done);
    }
  };
  await Promise.all(Array.from({ length: atOnce }, readOn));
  const embeds = read.flatMap((part) => part.embeds);
  const refused = read.flatMap((part, i) =>
    part.refused.map(({ at, detail }) => ({
      item: i * together + at + 1,
      name: parts[i]![at]!.name,
      detail,
    })),
  );
  return { embeds, doubled: doublesOf(embeds, new Map(read.flatMap(({ there }) => [...there]))), refused };
}

interface PartRead {
  embeds: (NewEmbed | null)[];
  /** By the place in the part. */
  refused: { at: number; detail: string }[];
  /** The keys of embeds that have one of these codes already, by its digest. */
  there: Map<string, string>;
}

async function readPart(
  db: Handle,
  items: readonly ImportItem[],
  { sheets, reader }: { sheets: readonly Sheet[]; reader: Deps['reader'] },
): Promise<PartRead> {
  const summarise = (texts: readonly string[]): Promise<Summary[]> =>
    texts.length === 0 ? Promise.resolve([]) : reader.summariseTexts(texts, { sheets });
  const refused: PartRead['refused'] = [];
  const asPasted = await summarise(items.map(({ text }) => text));
  const bases = asPasted.map((reading, at) => {
    try {
      if (reading.mark !== null)
        throw new OrbisError('bad-request', {
          problem: 'Orbis handed this code out itself; change that embed instead of taking it in again.',
        });
      return codeTextOf(reading, items[at]!.text);
    } catch (error) {
      if (!(error instanceof OrbisError)) throw error;
      refused.push({ at, detail: error.message });
      return null;
    }
  });
  // A code that was made of a link or an id is read in its turn: that is what is kept.
  const made = bases.map((base, at) => base !== null && base !== items[at]!.text);
  const ofMade = await summarise(bases.filter((base, at): base is string => base !== null && made[at]!));
  const embeds = bases.map((base, at): NewEmbed | null => {
    const reading = made[at] ? ofMade.shift()! : asPasted[at]!;
    if (base === null) return null;
    const { name, text, tags, notes } = items[at]!;
    const { kind, provider, level, hosts } = reading;
    const sheet = sheets.find(({ id }) => id === reading.sheet?.id) ?? null;
    const revision = newRevision(sheet, {}, 'imported');
    return {
      name,
      notes,
      tags,
      pasted: text,
      base,
      found: null,
      digest: digest(base),
      kind,
      provider: provider?.id ?? null,
      level,
      hosts,
      revision,
    };
  });
  return {
    embeds,
    refused,
    there: await embedsOfDigests(db, [...new Set(embeds.flatMap((embed) => embed?.digest ?? []))]),
  };
}

/* The same content under another name: in the collection already, or earlier among these. */
function doublesOf(
  embeds: readonly (NewEmbed | null)[],
  there: ReadonlyMap<string, string>,
): ImportAnswer['doubled'] {
  const earlier = new Map<string, number>();
  return embeds.flatMap((embed, i) => {
    if (!embed) return [];
    const [known, before] = [there.get(embed.digest) ?? null, earlier.get(embed.digest) ?? null];
    if (before === null) earlier.set(embed.digest, i + 1);
    return known !== null || before !== null
      ? [{ item: i + 1, name: embed.name, embed: known, sameAs: before }]
      : [];
  });
}
