import type { AddressPattern } from '../sheets/sheet.ts';
import { itemPlace, learnAddress, placesOf } from './patterns.ts';
import type { Place } from './sample.ts';

/** The values that stand in links where an id can. */
export const valuesInAddresses = (places: readonly Place[]): Set<string> =>
  new Set(
    places
      .filter(({ spot }) => spot.in === 'path' || spot.in === 'query')
      .flatMap(({ values }) => values.filter((value) => value !== null)),
  );

/** The addresses of the scripts that a code loads, with the id in them where it stands in the path. */
export function loadersIn(
  places: readonly Place[],
  items: readonly string[],
  parameterKey: string,
): AddressPattern[] {
  const isLoader = ({ spot }: Place): boolean =>
    spot.in === 'host' && spot.element.startsWith('script ') && spot.attribute === 'src';
  const scripts = new Set(places.filter(isLoader).map(({ spot }) => spot.element));
  return [...scripts].flatMap((element) => {
    const own = placesOf(places, element, 'src');
    const keyed = own.find(({ spot }) => spot.key === parameterKey && spot.in === 'path');
    const item = keyed
      ? itemPlace(keyed, items)!
      : ({ in: 'query', name: '', before: '', behind: '' } as const);
    return learnAddress(own, item, []).patterns.map(({ hostname, pathname }) => ({ hostname, pathname }));
  });
}

/** A pattern as it is told to people: `play.kinorill.localhost/embed/…`. */
export const saidPattern = ({ hostname, pathname, search }: AddressPattern): string =>
  `${hostname}${pathname}${search === undefined ? '' : `?${search.replaceAll(/\{[^{}]*\}\?/g, '')}`}`.replace(
    ':id',
    '…',
  );
