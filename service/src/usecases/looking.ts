import { refuseProblems, type Measurement, type Weight, spoken } from '@orbis/contract';
import { withoutOptions, type Options } from '@orbis/core';
import type { Browser } from '../browser/browser.ts';
import { measure } from '../browser/measure.ts';
import { photograph, type Photograph } from '../browser/photograph.ts';
import type { ShownDocument } from '../browser/show.ts';
import { weigh } from '../browser/weigh.ts';
import { declaredAddresses } from '../store/places.ts';
import { asPreviewed, documentOf, type Trial, type Tried, type TrialTools } from './try-out.ts';

export type LookingTools = TrialTools & { browser: Browser };

/** How high a window is in which nothing else is said. */
const usualHeight = 800;

/**
 * Photographs a trial at a width, as high as it is.
 * @throws OrbisError of the options that it cannot have, and of the browser.
 */
export async function picture(
  trial: Trial & { width: number },
  tools: LookingTools,
  signal: AbortSignal,
): Promise<Photograph> {
  const { document } = await shown(trial, tools);
  return tools.browser.work(
    (tab) => photograph(tab, document, { window: { width: trial.width, height: usualHeight }, at: null }),
    { declared: await declaredAddresses(tools.connection.db), signal },
  );
}

/** Measures how high a trial is at several widths. What it has asked of its own height is left aside. */
export async function heights(
  { widths, ...trial }: Trial & { widths: readonly number[] },
  tools: LookingTools,
  signal: AbortSignal,
): Promise<Pick<Measurement, 'heights' | 'unknown'>> {
  const plain = { ...trial, options: withoutOptions(trial.options, ['heights']) };
  const { document, tried } = await shown(plain, tools);
  const inFrame = tried.code.reading.parts.some(({ role }) => role === 'frame');
  const found = await tools.browser.work((tab) => measure(tab, document, { widths, inFrame }), {
    declared: await declaredAddresses(tools.connection.db),
    signal,
  });
  return typeof found === 'string'
    ? { heights: [], unknown: spoken.noHeight[found] }
    : { heights: found, unknown: null };
}

/** What a visitor’s browser does for a document, as it comes and behind a click. */
export interface Weights {
  loaded: Weight;
  clicked: Weight;
}

/** Weighs a trial, and beside it the code as it was pasted. */
export async function weights(
  trial: Trial,
  tools: LookingTools,
  signal: AbortSignal,
): Promise<{ embed: Weights; bare: Weights }> {
  const declared = await declaredAddresses(tools.connection.db);
  const documents = await Promise.all([
    shown(trial, tools),
    shown({ ...trial, placement: undefined, ...(await bareOf(trial, tools)), options: {} }, tools),
  ]);
  const [embed, bare] = await Promise.all(
    documents.map(({ document }) => tools.browser.work((tab) => weigh(tab, document), { declared, signal })),
  );
  return { embed: embed!, bare: bare! };
}

/* The code itself, without what rules and sites ask of it. */
const bareOf = async (trial: Trial, tools: LookingTools): Promise<{ embed: undefined; text: string }> => ({
  embed: undefined,
  text: (await asPreviewed(trial, tools)).tried.code.text,
});

/** The document of a trial. @throws OrbisError of the options that it cannot have. */
export async function shown(
  trial: Trial,
  tools: LookingTools,
): Promise<{ document: ShownDocument; tried: Tried }> {
  const { tried, language } = await asPreviewed(trial, tools);
  refuseProblems(tried.composition.problems);
  const { url, document } = documentOf(tried, tools, { title: trial.embed, language });
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
