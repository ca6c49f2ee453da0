import type { AddressPattern } from '../sheets/sheet.ts';
import type { Parameter } from './parameters.ts';
import type { Place, Sample } from './sample.ts';

/** Addresses of one kind, as a sheet knows them, and as it makes them of an id (RFC 6570). */
export interface LearnedAddress {
  patterns: AddressPattern[];
  template: string;
}

/**
 * What of an address is the id: a step of its path or a parameter, and what always stands before
 * and behind it in a step.
 */
export interface ItemPlace {
  in: 'path' | 'query' | 'fragment';
  /** The step's number, or the parameter's name. */
  name: string;
  before: string;
  behind: string;
}

/**
 * The id's place, with what all its values have around the id itself: `reel-7.html` and
 * `reel-9.html` are 7 and 9.
 */
export function itemPlace(place: Place, values: readonly string[]): ItemPlace | null {
  const { in: where, name } = place.spot;
  if (where !== 'path' && where !== 'query' && where !== 'fragment') return null;
  if (where !== 'path') return { in: where, name, before: '', behind: '' };
  const before = /^[A-Za-z]+[-_:=]/.exec(values[0]!)?.[0] ?? '';
  const behind = /\.(?:html?|php|aspx?)$/.exec(values[0]!)?.[0] ?? '';
  const around = (value: string): boolean =>
    value.startsWith(before) && value.endsWith(behind) && value.length > before.length + behind.length;
  const shared = values.length > 1 && values.every(around);
  return { in: where, name, before: shared ? before : '', behind: shared ? behind : '' };
}

/** The id out of a value at its place. */
export const withoutAround = (value: string, { before, behind }: ItemPlace): string =>
  value.slice(before.length, value.length - behind.length);

/** Pattern and template of the addresses that stand at an element's attribute in samples. */
export function learnAddress(
  places: readonly Place[],
  item: ItemPlace,
  steps: readonly Parameter[],
): LearnedAddress {
  const hosts = [
    ...new Set(
      places
        .filter(({ spot }) => spot.in === 'host')
        .flatMap(({ values }) => values.filter((value) => value !== null)),
    ),
  ].map((host) => host.replace(/:\d+$/, ''));
  const path = places
    .filter(({ spot }) => spot.in === 'path')
    .sort((a, b) => Number(a.spot.name) - Number(b.spot.name));
  const count = Math.max(...places.flatMap(({ values }) => values.length), 0);
  const written = path.map((place) => writeStep(place, item, steps, count));
  const pathname = written.map((step) => step.pattern).join('');
  const template = written.map((step) => step.template).join('');
  const inQuery = item.in === 'query';
  const name = encodeURIComponent(item.name);
  const search = inQuery ? { search: `{*&}?${escapePattern(name)}=:id{&*}?` } : {};
  return {
    patterns: [...new Set(hosts)].map((hostname) => ({ hostname, pathname: pathname || '/', ...search })),
    template: `{scheme}://${hosts[0] ?? ''}{+port}${template || '/'}${item.in === 'path' ? '' : `${inQuery ? '?' : '#'}${name}={id}`}`,
  };
}

/* One step of the path, as pattern and template. */
function writeStep(
  { spot, values }: Place,
  item: ItemPlace,
  steps: readonly Parameter[],
  count: number,
): { pattern: string; template: string } {
  const there = values.filter((value) => value !== null);
  const optional = there.length < count;
  const step = steps.find((parameter) => parameter.place.spot.key === spot.key);
  const piece = step?.at.piece?.replace('{value}', '');
  if (item.in === 'path' && item.name === spot.name)
    return {
      pattern: `/${escapePattern(item.before)}:id${escapePattern(item.behind)}`,
      template: `/${item.before}{id}${item.behind}`,
    };
  if (piece !== undefined) return { pattern: `{/${escapePattern(piece)}:${step!.at.name}}?`, template: '' };
  if (new Set(there).size > 1 || optional) {
    const group = `:${step?.at.name ?? `step${spot.name}`}`;
    return optional
      ? { pattern: `{/${group}}?`, template: '' }
      : { pattern: `/${group}`, template: `/${encodeURIComponent(there[0]!)}` };
  }
  const same = encodePath(there[0]!);
  return { pattern: `/${escapePattern(same)}`, template: `/${same}` };
}

/* What the URL Pattern standard gives a meaning (section 2.1) stands for itself behind a backslash. */
const escapePattern = (text: string): string => text.replaceAll(/[:*+?(){}\\]/g, '\\$&');
const encodePath = (step: string): string =>
  encodeURIComponent(step).replaceAll(/%(?:40|3A|2C|3B|24|2B|3D|26)/g, (escape) =>
    decodeURIComponent(escape),
  );

/** The places of the address in one attribute of an element. */
export const placesOf = (places: readonly Place[], element: string, attribute: string | undefined): Place[] =>
  places.filter(
    ({ spot }) =>
      spot.element === element &&
      spot.attribute === attribute &&
      ['scheme', 'host', 'path', 'query', 'fragment'].includes(spot.in),
  );

/**
 * How the samples' addresses answer when nobody says it: plain http or a port of their own, as in a trial.
 */
export function answersOf({
  pieces,
  target,
}: Sample): { scheme: 'http' | 'https'; port?: number } | undefined {
  const value = (where: 'scheme' | 'host'): string =>
    pieces.find(
      ({ spot }) => spot?.in === where && spot.element === target?.element && spot.attribute === 'src',
    )?.value ?? '';
  const port = /:(\d{1,5})$/.exec(value('host'))?.[1];
  const scheme = value('scheme') === 'http:' ? 'http' : 'https';
  return scheme === 'https' && port === undefined
    ? undefined
    : { scheme, ...(port !== undefined && { port: Number(port) }) };
}
