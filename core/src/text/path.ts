import { decodeAttribute } from './entities.ts';

/**
 * A step of an address's path: its number where it is always there, or what it is made of
 * where it comes and goes.
 */
export type PathStep = { index: number } | { piece: string };

/**
 * The raw address with a value in a step of its path, or without that step (`null`). What stands at a fixed
 * place is replaced and never taken out; a piece of its own (`skin-{value}`) is found by what is around its
 * value, and put at the end of the path where it is not there yet. Written as the URL standard's path
 * percent-encode set wants it.
 */
export function changePath(raw: string, step: PathStep, value: string | null): string {
  const { text, at } = decodeAttribute(raw);
  const { from, to } = pathOf(text);
  const put = (start: number, end: number, written: string): string =>
    raw.slice(0, at[start]) + written + raw.slice(at[end]);
  const steps = stepsIn(text, from, to);
  if ('index' in step) {
    const place = steps[step.index];
    return value === null || !place || decodeStep(text.slice(place.start, place.end)) === value
      ? raw
      : put(place.start, place.end, encodeURIComponent(value));
  }
  const [before, after] = aroundValue(step.piece);
  const place = pieceIn(text, steps, before, after);
  if (place) {
    const [start, end] = [place.start + before.length, place.end - after.length];
    if (value === null) return put(place.start - 1, place.end, '');
    return decodeStep(text.slice(start, end)) === value ? raw : put(start, end, encodeURIComponent(value));
  }
  if (value === null) return raw;
  return put(to, to, `${text[to - 1] === '/' ? '' : '/'}${before}${encodeURIComponent(value)}${after}`);
}

/** What stands in a step of the path of a raw address, decoded; null where the step is not there. */
export function readPath(raw: string, step: PathStep): string | null {
  const { text } = decodeAttribute(raw);
  const { from, to } = pathOf(text);
  const steps = stepsIn(text, from, to);
  if ('index' in step) {
    const place = steps[step.index];
    return place ? decodeStep(text.slice(place.start, place.end)) : null;
  }
  const [before, after] = aroundValue(step.piece);
  const place = pieceIn(text, steps, before, after);
  return place ? decodeStep(text.slice(place.start + before.length, place.end - after.length)) : null;
}

/* The path of an address: behind its host, before its query and its fragment (URL standard, section 4.4). */
function pathOf(text: string): { from: number; to: number } {
  const from = /^\s*(?:[a-z][a-z0-9+.-]*:)?(?:\/\/[^/?#]*)?/i.exec(text)![0].length;
  const found = /[?#]/.exec(text.slice(from));
  return { from, to: found ? from + found.index : text.trimEnd().length };
}

const aroundValue = (piece: string): [before: string, after: string] =>
  piece.split('{value}') as [string, string];

const pieceIn = (
  text: string,
  steps: readonly { start: number; end: number }[],
  before: string,
  after: string,
) =>
  steps.find(
    ({ start, end }) =>
      end - start > before.length + after.length &&
      text.startsWith(before, start) &&
      text.slice(0, end).endsWith(after),
  );

function stepsIn(text: string, from: number, to: number): { start: number; end: number }[] {
  const steps: { start: number; end: number }[] = [];
  for (let start = from; start < to;) {
    const next = text.indexOf('/', start + 1);
    const end = next < 0 || next > to ? to : next;
    steps.push({ start: start + 1, end });
    start = end;
  }
  return steps;
}

function decodeStep(step: string): string {
  try {
    return decodeURIComponent(step);
  } catch {
    return step;
  }
}
