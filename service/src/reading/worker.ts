/** What runs in the worker: foreign text is read here, and nowhere else that matters. Everything in and out is plain data. */
import {
  harvest,
  mend,
  read,
  reconcile,
  sight,
  type Expected,
  type HarvestContext,
  type Mended,
  type PageHarvest,
  type PlacementSeen,
  type Reading,
  type ReadingContext,
} from '@orbis/core';

/** Reads each text. */
export const readTexts = ({ texts, context }: { texts: readonly string[]; context: ReadingContext }): Reading[] => texts.map((text) => read(text, context));

/** Mends each text: all that is more than a note, or only what breaks these rules. */
export const mendTexts = ({ texts, context, only }: { texts: readonly string[]; context: ReadingContext; only: readonly string[] | undefined }): Mended[] =>
  texts.map((text) => mend(text, context, only));

/** Finds the embeds of a whole page. */
export const harvestPage = ({ text, context }: { text: string; context: HarvestContext }): PageHarvest => harvest(text, context);

/** Holds a published page against what the register expects on it. */
export const sightPage = ({ text, expected }: { text: string; expected: readonly Expected[] }): PlacementSeen[] => reconcile(sight(text), expected);
