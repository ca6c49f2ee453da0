import type { Code } from '../code.ts';
import { isOurs, ourBackdrop, ourBox, ourCarrier, type Change } from '../options/change.ts';
import type { Options } from '../options/values.ts';
import { reason } from '../reason.ts';
import { shownAlone } from './alone.ts';
import { canSurround } from './around.ts';
import { declare, laid, type Declared } from './declarations.ts';
import { waits } from './loading/waits.ts';
import { cropped, windowWidth } from './crop/cropped.ts';
import { shapeOf } from './size/shape-of.ts';
import { ofBox, sizeDeclared } from './size/size.ts';
import { frameOf, targetOf, type PresentationTarget } from './target.ts';

/* What stands over or under what is shown, and so needs a box of ours that it is placed by. */
const overIt = ['whole-link', 'tint', 'words-over', 'band', 'crop-width', 'crop-height'];
/* What stands above or below it, or keeps its room free. */
const besideIt = ['heading', 'caption', 'link-below', 'fallback', 'heights'];
/* What reaches beyond it. */
const behindIt = ['backdrop', 'space-beside'];

const asks = (options: Options, names: readonly string[]): boolean =>
  names.some((name) => options[name] !== undefined && options[name] !== false);

/** Whether what is shown stands in a box of ours, which has the shape. */
const isBoxed = (code: Code, options: Options): boolean =>
  asks(options, overIt) ||
  options['heights'] !== undefined ||
  waits(code, options) !== null ||
  stillBehind(code, options);

/* A still picture is put behind a frame; a video has a place for it of its own. */
const stillBehind = (code: Code, options: Options): boolean =>
  options['still'] !== undefined && frameOf(code)?.name === 'iframe';

/**
 * What has the shape and the edges: what the code shows, or a box of ours that it is put into. Null where
 * nothing of the code stands on the page.
 */
export function bodyOf(code: Code, options: Options): PresentationTarget | null {
  if (!isBoxed(code, options)) return targetOf(code);
  const fills = shownAlone(code) === null || ownWidth(code, options) === null;
  return canSurround(code) ? { element: ourBox, box: null, isBlock: true, fills } : null;
}

/** What has the width and the side: the same, or what holds it together with its heading and caption. */
export function placeOf(code: Code, options: Options): PresentationTarget | null {
  if (!asks(options, besideIt)) return bodyOf(code, options);
  const fills = frameOf(code) === null || ownWidth(code, options) === null;
  return canSurround(code) ? { element: ourCarrier, box: null, isBlock: true, fills } : null;
}

/** What has the space around it: the outermost of all. */
export function outermostOf(code: Code, options: Options): PresentationTarget | null {
  if (!asks(options, behindIt)) return placeOf(code, options);
  return canSurround(code) ? { element: ourBackdrop, box: null, isBlock: true, fills: true } : null;
}

/* The width that the code or the owner says, in px, where nothing else tells how wide it is. */
function ownWidth(code: Code, options: Options): number | null {
  if (asks(options, ['fit', 'share', 'max-width', 'band'])) return null;
  const seen = windowWidth(options);
  if (seen !== null) return seen;
  if (typeof options['width'] === 'number') return options['width'];
  const { width } = code.reading.size;
  return width?.unit === 'px' ? width.value : null;
}

/**
 * What every option that brings an element of ours declares, so that what is shown stands there as it stood
 * alone: its width, its shape, and the frame laid over the box. Nothing where no element of ours is needed.
 */
export function standing(code: Code, options: Options): Change[] {
  const [outermost, place, body] = [
    outermostOf(code, options),
    placeOf(code, options),
    bodyOf(code, options),
  ];
  if (!outermost || !place || !body) return [];
  const isBox = body.element === ourBox && isBoxed(code, options);
  return [
    ...(isBox || place.element !== body.element ? widthSaid(code, options, place) : []),
    ...(isBox ? boxed(code, options, place.element === body.element) : besideFrame(code, options, place)),
    ...(isBox && outermost.element === ourBox && !shownAlone(code) ? [] : notStretched(outermost)),
  ];
}

/* Among flexible neighbours it would be as high as the highest of them. */
const notStretched = ({ element }: PresentationTarget): Change[] =>
  isOurs(element) ? declare({ element }, [['align-self', 'flex-start', reason('not-stretched')]], []) : [];

function widthSaid(code: Code, options: Options, place: PresentationTarget): Change[] {
  const width = frameOf(code) && ownWidth(code, options);
  if (width === null) {
    const isFull = place.element === ourCarrier && options['share'] === undefined;
    return isFull ? declare(place, [['width', '100%', reason('fills-its-place')]], []) : [];
  }
  // Where a grid makes its column as wide as what is in it, only a width that depends on it gives way.
  return declare(place, [['width', `min(${width}px,100%)`, reason('as-wide-as-said', { width })]], []);
}

/* A frame within an element of ours keeps its own size, and goes no further than that. */
function besideFrame(code: Code, options: Options, place: PresentationTarget): Change[] {
  const body = targetOf(code);
  const isWithin = place.element === ourCarrier || asks(options, behindIt);
  if (!isWithin || !body || body.fills || options['fit'] !== undefined) return [];
  if (place.element === body.element && options['max-width'] !== undefined) return [];
  return declare(body, [['max-width', '100%', reason('never-over-the-side')]], []);
}

function boxed(code: Code, options: Options, isPlace: boolean): Change[] {
  const alone = shownAlone(code);
  const positioned: Declared = ['position', 'relative', reason('places-what-is-in-it')];
  if (!alone) return declare({ element: ourBox }, [positioned], []);
  // The band itself says how high it is, and how it is covered.
  if (options['band'] !== undefined) return declare({ element: ourBox }, [positioned], []);
  const crop = cropped(code, options);
  const size = crop?.window ?? sizeOfBox(code, options, isPlace);
  const inner = crop?.content ?? laid;
  return [
    ...declare({ element: ourBox }, [positioned, ...size], []),
    ...declare({ element: alone }, inner, [
      'display',
      'float',
      'margin',
      'max-width',
      'max-height',
      'min-width',
      'min-height',
      'aspect-ratio',
      'padding-bottom',
      'padding-top',
      'padding',
      'inset',
      'right',
      'bottom',
    ]),
  ];
}

/* As its fit says; else as high as the code is at its width, or of the size that browsers give to frames that
   say none (CSS 2.2, section 10.3.2). */
function sizeOfBox(code: Code, options: Options, isPlace: boolean): Declared[] {
  // It is as high as the room that is kept for it.
  if (options['heights'] !== undefined) return [];
  const fit = options['fit'];
  if (typeof fit === 'string') {
    const size = sizeDeclared(code, fit, options);
    if ('code' in size) return [];
    const isSaid = isPlace && options['share'] !== undefined;
    return ofBox(code, fit, size).filter(
      ([property, value]) => !(property === 'width' && isSaid) && value !== 'auto',
    );
  }
  const shape = shapeOf(code, options);
  const height = code.reading.size.height;
  if (!shape && height?.unit === 'px')
    return [['height', `${height.value}px`, reason('as-high-as-said', { height: height.value })]];
  const { width, height: high } = shape ?? { width: 2, height: 1 };
  return [['aspect-ratio', `${width}/${high}`, reason('holds-shape', { shape: `${width}:${high}` })]];
}
