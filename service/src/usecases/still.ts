import { formatProblem, OrbisError, type Still } from '@orbis/contract';
import { escapeAttribute, originSource, writePolicy, type Options } from '@orbis/core';
import { photograph, type Photograph } from '../browser/photograph.ts';
import type { ShownDocument } from '../browser/show.ts';
import { blurred, inTypes } from '../pictures/scale.ts';
import { newPublicId } from '../store/ids.ts';
import { declaredAddresses } from '../store/places.ts';
import { isOfInside, possible, shown, type LookingTools } from './looking.ts';
import { asPreviewed, namedPicture, type Trial, type Tried } from './try-out.ts';

/** As wide as an embed stands in the text of most pages, in px. */
const usualWidth = 640;
const widest = 1280;

/** A film in it runs without sound and without its buttons, from the second that is asked for. */
const quietly: Options = { autoplay: true, muted: true, controls: false, fit: 'shape' };

export interface StillAsked extends Trial {
  of: 'embed' | 'provider';
  /** The second of the film; without it as the embed begins. */
  at?: number | undefined;
  /** How wide it stands on the page, in px; the picture has twice as many. */
  width?: number | undefined;
}

/**
 * Takes a still picture of what an embed shows, without what stands around it, or of the picture that its
 * provider named: to stand in its place until it loads.
 * @throws OrbisError of the browser, and where there is nothing to take.
 */
export async function takeStill(asked: StillAsked, tools: LookingTools, signal: AbortSignal): Promise<Still> {
  const { png, width, height, second, notes } = await photographed(asked, tools, signal);
  const files = await inTypes(png);
  return {
    width: 2 * width,
    height: 2 * height,
    at: second,
    files: files.map(({ type, data }) => ({ type, bytes: data.length, data: data.toString('base64') })),
    blurred: await blurred(png),
    notes,
  };
}

/** The photograph of which a still is made, at twice its width, as a PNG. */
export async function photographed(
  { at, of, width, ...trial }: StillAsked,
  tools: LookingTools,
  signal: AbortSignal,
): Promise<Photograph & Pick<ToTake, 'second' | 'notes'>> {
  const { tried } = await asPreviewed(trial, tools);
  const wide = width ?? widthOf(tried);
  const { document, second, notes } =
    of === 'provider' ? await pictureNamed(trial, tools) : await quietlyShown(trial, at, tools);
  const taken = await tools.browser.work(
    (tab) =>
      photograph(tab, document, {
        window: { width: wide, height: Math.round((wide * 9) / 16) },
        at: second,
      }),
    { declared: await declaredAddresses(tools.connection.db), scale: 2, signal },
  );
  return { ...taken, second, notes };
}

/** A document to photograph, the second of its film, and what could not be had. */
interface ToTake {
  document: ShownDocument;
  second: number | null;
  notes: string[];
}

/* What is asked of the inside, at the second, without sound and buttons, as far as it can be had. */
async function quietlyShown(trial: Trial, at: number | undefined, tools: LookingTools): Promise<ToTake> {
  const inner = { ...trial, keep: isOfInside };
  const wanted = at === undefined ? quietly : { ...quietly, start: at };
  const { options, refused } = await possible(inner, wanted, tools);
  const { document, tried } = await shown({ ...inner, options }, tools);
  const { start } = tried.composition.effective;
  return {
    document,
    second: typeof start === 'number' ? start : null,
    notes: refused.filter(({ option }) => option === 'start').map((problem) => formatProblem(problem)),
  };
}

/* The picture is a foreign one: the browser reads it, in its sandbox, and what is kept is a photograph. */
async function pictureNamed(trial: Trial, tools: LookingTools): Promise<ToTake> {
  const address = await namedPicture(trial, tools);
  const source = address === null ? null : originSource(address);
  if (address === null || source === null) throw new OrbisError('no-picture-named');
  const policy = writePolicy([
    ['sandbox', []],
    ['default-src', ["'none'"]],
    ['img-src', [source]],
    ['style-src', ["'unsafe-inline'"]],
  ]);
  const html = `<!doctype html><title>Picture</title><body style="margin:0"><img alt="" src="${escapeAttribute(address)}" style="display:block;width:100%"></body>`;
  return {
    document: { url: tools.origins().previewUrl(newPublicId() + newPublicId()), html, policy },
    second: null,
    notes: [],
  };
}

function widthOf({ code, composition: { effective: options } }: Tried): number {
  const said = [options['max-width'], options['width'], statedWidth(code.reading.size.width)];
  const width = said.find((each) => typeof each === 'number') ?? usualWidth;
  return Math.min(widest, Math.max(160, Math.round(width)));
}

const statedWidth = (width: { unit: string; value: number } | null): number | null =>
  width?.unit === 'px' ? width.value : null;
