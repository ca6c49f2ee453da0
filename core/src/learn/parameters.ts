import { isTracking } from '../reading/tracking-parameters.ts';
import type { SettingPlace } from '../sheets/sheet.ts';
import { placesIn, type Place, type Sample } from './sample.ts';

/** A value of a code that could be its id, or a setting. */
export interface Parameter {
  /** By what it is called to the owner, and answered; no two have the same. */
  about: string;
  /** As a sheet says where it stands. */
  at: SettingPlace;
  place: Place;
  /** Its value in each sample, without what is always around it; null where it is not there. */
  values: (string | null)[];
}

/* Attributes that say how an element is shown, and nothing of its content. */
const ofTheElement = new Set([
  'id',
  'class',
  'style',
  'title',
  'lang',
  'dir',
  'hidden',
  'role',
  'tabindex',
  'width',
  'height',
  'align',
  'cite',
]);

/** Everything in samples that could be an id or a setting, in the order in which it stands. */
export function parametersOf(samples: readonly Sample[]): Parameter[] {
  const [{ target, mount }] = samples as [Sample, ...Sample[]];
  const taken = new Set<string>();
  const parameters: Parameter[] = [];
  for (const place of placesIn(samples)) {
    const { spot } = place;
    const inAddress =
      spot.attribute === 'src' &&
      (target!.is === 'frame' ? spot.element === target!.element : spot.element.startsWith('script '));
    const of = target!.is === 'frame' ? undefined : 'loader';
    let found: Pick<Parameter, 'at' | 'values'> | null = null;
    if (
      inAddress &&
      (spot.in === 'query' || spot.in === 'fragment') &&
      spot.name !== '' &&
      !isTracking(spot.name, null)
    )
      found = { at: { in: spot.in, name: spot.name, ...(of && { of }) }, values: place.values };
    else if (inAddress && spot.in === 'path' && (of === undefined || new Set(place.values).size > 1))
      found = stepOf(place);
    else if (
      spot.element === mount?.element &&
      spot.in === 'attribute' &&
      (spot.name.startsWith('data-') || mount.node.name.includes('-')) &&
      !ofTheElement.has(spot.name)
    )
      found = { at: { in: 'attribute', name: spot.name, of: 'mount' }, values: place.values };
    else if (spot.element === mount?.element && spot.in === 'json')
      found = {
        at: { in: 'json', name: spot.name, attribute: spot.attribute!, of: 'mount' },
        values: place.values,
      };
    else if (spot.in === 'option')
      found = { at: { in: 'option', name: spot.name, call: spot.call!, of: 'setup' }, values: place.values };
    if (!found) continue;
    const name =
      found.at.in === 'path' && found.at.piece === undefined
        ? `step-${Number(spot.name) + 1}`
        : found.at.name;
    const about = taken.has(name) ? `${name}-${parameters.length + 1}` : name;
    taken.add(about);
    parameters.push({ about, place, ...found });
  }
  return parameters;
}

const letter = (step: string): string => String.fromCharCode(97 + (Number(step) % 26));

/* A step that comes and goes and always begins alike (`skin-slate`) is a parameter in the path. */
function stepOf(place: Place): { at: SettingPlace; values: (string | null)[] } {
  const values = place.values;
  const there = values.filter((value) => value !== null);
  const before = values.includes(null) ? /^[a-z]+[-_.:]/i.exec(there[0]!)?.[0] : undefined;
  if (
    before === undefined ||
    !there.every((value) => value.startsWith(before) && value.length > before.length)
  )
    return { at: { in: 'path', name: `step${letter(place.spot.name)}` }, values };
  return {
    at: { in: 'path', name: before.slice(0, -1).toLowerCase(), piece: `${before}{value}` },
    values: values.map((value) => value?.slice(before.length) ?? null),
  };
}

/** The different values of a parameter. */
export const valuesOf = ({ values }: Parameter): string[] => [
  ...new Set(values.filter((value) => value !== null)),
];
