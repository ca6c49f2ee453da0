/** What runs in the worker: foreign text is read here, and nowhere else that matters. Everything in and out is plain data. */
import {
  harvest,
  learnSheet,
  mend,
  parseOembed,
  read,
  readLinkedPage,
  reconcile,
  sight,
  type Expected,
  type FoundFact,
  type HarvestContext,
  type LearnContext,
  type Learned,
  type Level,
  type Mended,
  type OembedFormat,
  type OembedParsed,
  type PageFacts,
  type PageHarvest,
  type PlacementSeen,
  type Reading,
  type ReadingContext,
} from '@orbis/core';

/** Reads each text. */
export const readTexts = ({ texts, context }: { texts: readonly string[]; context: ReadingContext }): Reading[] => texts.map((text) => read(text, context));

/** What the collection keeps of a reading: little enough to be handed over thousands of times. */
export interface Summary extends Pick<Reading, 'input' | 'kind' | 'made' | 'asked' | 'mark' | 'provider' | 'sheet'> {
  level: Level | null;
  hosts: string[];
  /** How many links it consists of. */
  links: number;
  /** What was beyond the limits, where something was. */
  excess: FoundFact | null;
}

/** Reads each text, and keeps only the summary. */
export const summariseTexts = ({ texts, context }: { texts: readonly string[]; context: ReadingContext }): Summary[] =>
  texts.map((text) => {
    const { input, kind, made, asked, mark, provider, sheet, findings, hosts, addresses } = read(text, context);
    return {
      ...{ input, kind, made, asked, mark, provider, sheet },
      level: (['error', 'warning', 'note'] as const).find((level) => findings.some((finding) => finding.level === level)) ?? null,
      hosts: hosts.map(({ host }) => host),
      links: input === 'link' ? addresses.length : 0,
      excess: findings.find(({ rule }) => rule === 'too-much') ?? null,
    };
  });

/** Mends each text: all that is more than a note, or only what breaks these rules. */
export const mendTexts = ({ texts, context, only }: { texts: readonly string[]; context: ReadingContext; only: readonly string[] | undefined }): Mended[] =>
  texts.map((text) => mend(text, context, only));

/** Finds the embeds of a whole page. */
export const harvestPage = ({ text, context }: { text: string; context: HarvestContext }): PageHarvest => harvest(text, context);

/** Holds a published page against what the register expects on it. */
export const sightPage = ({ text, expected }: { text: string; expected: readonly Expected[] }): PlacementSeen[] => reconcile(sight(text), expected);

export { workOut } from './work-out.ts';

/** Reads the page behind a link. */
export const linkedPage = (page: Parameters<typeof readLinkedPage>[0]): PageFacts => readLinkedPage(page);

/** Reads an oEmbed answer. */
export const oembedAnswer = ({ text, format }: { text: string; format: OembedFormat }): OembedParsed => parseOembed(text, format);

/** Proposes a sheet from samples. */
export const learnFrom = ({ samples, context }: { samples: readonly string[]; context: LearnContext }): Learned => learnSheet(samples, context);
