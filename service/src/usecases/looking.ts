import { OrbisError, refuseProblems, spoken, type Measurement, type Weight } from '@orbis/contract';
import { optionNamed, withoutOptions, type Options } from '@orbis/core';
import type { Browser } from '../browser/browser.ts';
import { measure, measureInPage } from '../browser/measure.ts';
import { photograph, type Photograph } from '../browser/photograph.ts';
import type { ShownDocument } from '../browser/show.ts';
import { weigh } from '../browser/weigh.ts';
import { keepWeight, type StoredEmbed } from '../store/embeds.ts';
import { declaredAddresses } from '../store/places.ts';
import { sameOptions } from './codes.ts';
import { embedByKey } from './embeds.ts';
import {
  asPreviewed,
  composed,
  documentOf,
  pasted,
  viewed,
  type Trial,
  type Tried,
  type TrialTools,
  type View,
} from './try-out.ts';

export type LookingTools = TrialTools & { browser: Browser };

/** How high a window is in which nothing else is said. */
const usualHeight = 800;

/**
 * Photographs a trial at a width, as high as it is.
 * @throws OrbisError of the options that it cannot have, and of the browser.
 */
export async function picture(
  { width, ...trial }: Trial & View & { width: number },
  tools: LookingTools,
  signal: AbortSignal,
): Promise<Photograph> {
  const { document: made } = await viewed(trial, tools);
  const document = { url: made.url, ...made.document };
  return tools.browser.work(
    (tab) => photograph(tab, document, { window: { width, height: usualHeight }, at: null }),
    { declared: await declaredAddresses(tools.connection.db), signal },
  );
}

/**
 * Measures how high what a trial shows is at several widths, without what stands around it and what it waits
 * for: so much room it needs where it is so wide. In a page of the owner’s it is measured with the fonts and
 * styles of that page, but for what is in a frame, which they do not reach. Where nothing can be told, its
 * provider’s sheet may guess.
 */
export async function heights(
  { widths, on, ...trial }: Trial & Pick<View, 'on'> & { widths: readonly number[] },
  tools: LookingTools,
  signal: AbortSignal,
): Promise<Omit<Measurement, 'at'>> {
  const keep = (name: string): boolean => isOfInside(name) && name !== 'fit' && name !== 'shape';
  const { document: made, tried, page } = await viewed({ ...trial, on, keep }, tools);
  const document = { url: made.url, ...made.document };
  const { sheet, frameAlone: inFrame, reading } = tried.code;
  const measuring = { widths, isFilled: !inFrame && reading.parts.some(({ role }) => role === 'mount') };
  const told = inFrame ? (sheet?.tellsHeight?.member ?? null) : null;
  try {
    const found = await tools.browser.work(
      (tab) =>
        page && !inFrame
          ? measureInPage(tab, document, measuring)
          : measure(tab, document, { ...measuring, inFrame, told }),
      { declared: await declaredAddresses(tools.connection.db), signal },
    );
    if (typeof found !== 'string') return { heights: found, unknown: null, guess: null };
    const unknown = spoken.noHeight[found];
    return guessOf(sheet, unknown) ?? { heights: [], unknown, guess: null };
  } catch (error) {
    const isMissing = error instanceof OrbisError && error.code === 'browser-missing';
    const guess = isMissing ? guessOf(sheet, error.message) : null;
    if (!guess) throw error;
    return guess;
  }
}

/* As wide as the text of most pages. */
const usualWidth = 640;

const guessOf = (sheet: Tried['code']['sheet'], because: string): Omit<Measurement, 'at'> | null =>
  sheet?.height === undefined
    ? null
    : {
        heights: [{ width: usualWidth, height: sheet.height }],
        unknown: null,
        guess: spoken.guessedHeight(sheet.name, sheet.height, because),
      };

/** What a visitor’s browser does for a document, as it comes and behind a click. */
export interface Weights {
  loaded: Weight;
  clicked: Weight;
}

/** Weighs a trial, and beside it the code as it was pasted; of an embed as it is kept, that is kept, too. */
export async function weights(
  trial: Trial,
  tools: LookingTools,
  signal: AbortSignal,
): Promise<{ embed: Weights; bare: Weights }> {
  const declared = await declaredAddresses(tools.connection.db);
  const { document, tried } = await shown(trial, tools);
  const bare = documentOf(pasted(tried), tools, { language: 'en' });
  const weighed = (each: ShownDocument): Promise<Weights> =>
    tools.browser.work((tab) => weigh(tab, each), { declared, signal });
  const kept = await asKept(trial, tools);
  const [ofEmbed, ofBare] = await Promise.all([
    weighed(document),
    weighed({ url: bare.url, ...bare.document }),
  ]);
  if (kept) {
    const { id, revision } = kept.embed;
    const weight = { weighedBytes: ofEmbed.loaded.bytes, weighedRevision: revision };
    await keepWeight(tools.connection.db, id, weight);
  }
  return { embed: ofEmbed, bare: ofBare };
}

/* The embed that a trial is, where it is that as it is kept and nothing else. */
async function asKept(
  { embed, placement, text, options }: Trial,
  { connection: { db } }: LookingTools,
): Promise<StoredEmbed | null> {
  if (embed === undefined || placement !== undefined || text !== undefined) return null;
  const stored = await embedByKey(db, embed);
  return sameOptions(options, stored.revision.options) ? stored : null;
}

/** The document of a trial. @throws OrbisError of the options that it cannot have. */
export async function shown(
  trial: Trial,
  tools: LookingTools,
): Promise<{ document: ShownDocument; tried: Tried }> {
  const { tried, language } = await asPreviewed(trial, tools);
  refuseProblems(tried.composition.problems);
  const { url, document } = documentOf(composed(tried), tools, { title: trial.embed, language });
  return { document: { url, ...document }, tried };
}

/** Those of these options that a trial can have beside its own; what it cannot have is named. */
export async function possible(
  trial: Trial,
  wanted: Options,
  tools: LookingTools,
): Promise<{ options: Options; refused: Tried['composition']['problems'] }> {
  let options = { ...trial.options, ...wanted };
  const refused: Tried['composition']['problems'][number][] = [];
  // Where one goes, another that needed it may have to go as well.
  for (let left = Object.keys(wanted).length; left >= 0; left--) {
    const { problems } = (await asPreviewed({ ...trial, options }, tools)).tried.composition;
    const ours = problems.filter(({ option }) => option in wanted && option in options);
    if (ours.length === 0) break;
    refused.push(...ours);
    options = withoutOptions(
      options,
      ours.map(({ option }) => option),
    );
  }
  return { options, refused };
}

/** Whether an option is of the inside, or of the shape: no heading, no panel, no waiting, no frame. */
export const isOfInside = (name: string): boolean =>
  !['presentation', 'isolation'].includes(optionNamed(name.split('.')[0]!)?.stage ?? '') ||
  ['fit', 'shape', 'leave-out'].includes(name);
