/**
 * What runs in the worker: foreign text is read here, and nowhere else that matters. Everything
 * in and out is plain data.
 */
import {
  coloursIn,
  fontIn,
  compareTexts,
  harvest,
  learnSheet,
  linksOfPage,
  lookAtPage as lookAt,
  mend,
  parseOembed,
  read,
  readLinkedPage,
  readSpecimen,
  readProviderList,
  readSitemap,
  reconcile,
  roomOnPage,
  scanPage,
  stylesOfPage,
  whichDocument,
  type Expected,
  type FoundFact,
  type HarvestContext,
  type LearnContext,
  type Learned,
  type Level,
  type LookedFor,
  type Mended,
  type OembedFormat,
  type OembedParsed,
  type PageFacts,
  type PageHarvest,
  type PageLinks,
  type PageLook,
  type PageRequest,
  type PieceSeen,
  type PlacementSeen,
  type Reading,
  type ReadingContext,
  type Sheet,
  type Sitemap,
  type SpecimenPlace,
  type TextRun,
} from '@orbis/core';
import { parseSheet, SheetInvalid, type SheetFault } from '@orbis/contract';
import { factsOfFile, type FileFacts } from './file-facts.ts';
import { retiring } from './retire.ts';
import { robotsAllow, sitemapsIn, type RobotsFile } from './robots-rules.ts';
import { workOut as workOutHere } from './work-out.ts';
import { workOutPage as workOutPageHere } from './work-out-page.ts';

/** The pages, or further files, that a sitemap names; null where it is none. */
export const sitemap = retiring((text: string): Sitemap | null => readSitemap(text));

/** What a page is called, and where it leads. */
export const pageLinks = retiring(({ html, address }: { html: string; address: string }): PageLinks =>
  linksOfPage(html, address),
);

/** The sitemaps that a site's robots.txt names. */
export const sitemapsNamed = ({ file, text }: RobotsFile): string[] => sitemapsIn({ file, text });

/** Reads each text. */
export const readTexts = retiring(
  ({ texts, context }: { texts: readonly string[]; context: ReadingContext }): Reading[] =>
    texts.map((text) => read(text, context)),
);

/** What the collection keeps of a reading: little enough to be handed over thousands of times. */
export interface Summary extends Pick<
  Reading,
  'input' | 'kind' | 'generated' | 'asked' | 'mark' | 'provider' | 'sheet'
> {
  level: Level | null;
  hosts: string[];
  /** How many links it consists of. */
  links: number;
  /** What was beyond the limits, where something was. */
  excess: FoundFact | null;
}

/** Reads each text, and keeps only the summary. */
export const summariseTexts = retiring(
  ({ texts, context }: { texts: readonly string[]; context: ReadingContext }): Summary[] =>
    texts.map((text) => {
      const { input, kind, generated, asked, mark, provider, sheet, findings, hosts, addresses } = read(
        text,
        context,
      );
      return {
        ...{ input, kind, generated, asked, mark, provider, sheet },
        level:
          (['error', 'warning', 'note'] as const).find((level) =>
            findings.some((finding) => finding.level === level),
          ) ?? null,
        hosts: hosts.map(({ host }) => host),
        links: input === 'link' ? addresses.length : 0,
        excess: findings.find(({ rule }) => rule === 'too-much') ?? null,
      };
    }),
);

/** Mends each text: all that is more than a note, or only what breaks these rules. */
export const mendTexts = retiring(
  ({
    texts,
    context,
    only,
  }: {
    texts: readonly string[];
    context: ReadingContext;
    only: readonly string[] | undefined;
  }): Mended[] => texts.map((text) => mend(text, context, only)),
);

/** Finds the embeds of a whole page. */
export const harvestPage = retiring(
  ({ text, context }: { text: string; context: HarvestContext }): PageHarvest => harvest(text, context),
);

/** What a published page shows of a specimen; null where it shows none of it. */
export const specimenSeen = retiring(
  ({ html, ...place }: { html: string } & Pick<SpecimenPlace, 'token' | 'address'>): PieceSeen[] | null =>
    readSpecimen(html, place),
);

/** Holds a published page against what the register expects on it. */
export const lookAtPage = retiring(({ text, ...lookedFor }: { text: string } & LookedFor): PageLook =>
  lookAt(text, lookedFor),
);

/** What a page shows of its placements, and no more. */
export const reconcilePage = retiring(
  ({ text, expected }: { text: string; expected: readonly Expected[] }): PlacementSeen[] =>
    reconcile(scanPage(text), expected),
);

/** Which of the documents that were handed out stands in a file. */
export const fileSeen = retiring(
  ({ text, documents }: { text: string; documents: readonly string[] }): number | null =>
    whichDocument(text, documents),
);

/** Makes room for an embed on a published page. */
export const pageWithRoom = retiring((page: PageRequest) => roomOnPage(page));

/** Works out what is asked of a code. */
export const workOut = retiring(workOutHere);

/** Plans a page. */
export const workOutPage = retiring(workOutPageHere);

/** What the first bytes of a file tell of it. */
export const fileFacts = ({
  beginning,
  size,
}: {
  beginning: Uint8Array;
  size: number | null;
}): Promise<FileFacts> => factsOfFile(beginning, size);

/** Whether a site lets programs read an address. */
export const robots = retiring(robotsAllow);

/** Reads the text of a sheet's file; its faults where it is none. */
export const sheetFile = retiring((text: string): SheetRead => {
  try {
    return { ok: true, sheet: parseSheet(text, 'the sheet') };
  } catch (error) {
    if (!(error instanceof SheetInvalid)) throw error;
    return { ok: false, faults: error.faults };
  }
});

export type SheetRead = { ok: true; sheet: Sheet } | { ok: false; faults: readonly SheetFault[] };

/** What differs between two codes, word by word. */
export const compare = retiring(({ before, after }: { before: string; after: string }): TextRun[] =>
  compareTexts(before, after),
);

/** Reads a list of oEmbed providers. */
export const providerList = retiring(readProviderList);

/** Reads the page behind a link. */
export const linkedPage = retiring((page: Parameters<typeof readLinkedPage>[0]): PageFacts =>
  readLinkedPage(page),
);

/** Reads an oEmbed answer. */
export const oembedAnswer = retiring(
  ({ text, format }: { text: string; format: OembedFormat }): OembedParsed => parseOembed(text, format),
);

/** Proposes a sheet from samples. */
export const learnFrom = retiring(
  ({ samples, context }: { samples: readonly string[]; context: LearnContext }): Learned =>
    learnSheet(samples, context),
);

/** Where the styles of a page are. */
export const pageStyles = retiring(({ html, address }: { html: string; address: string }) =>
  stylesOfPage(html, address),
);

/** The colours that stand most often in styles, and the font of the whole page. */
export const look = retiring((sheets: readonly string[]) => ({
  colours: coloursIn(sheets),
  font: fontIn(sheets),
}));
