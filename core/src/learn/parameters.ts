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
  const [first] = samples as [Sample, ...Sample[]];
  const taken = new Set<string>();
  const parameters: Parameter[] = [];
  for (const place of placesIn(samples)) {
    const found = inAddress(place, first) ?? onMount(place, first) ?? inSetup(place);
    if (!found) continue;
    const isStep = found.at.in === 'path' && found.at.piece === undefined;
    const name = isStep ? `step-${Number(place.spot.name) + 1}` : found.at.name;
    const about = taken.has(name) ? `${name}-${parameters.length + 1}` : name;
    taken.add(about);
    parameters.push({ about, place, ...found });
  }
  return parameters;
}

type Found = Pick<Parameter, 'at' | 'values'>;

/* In the address of the frame, or of a script that loads. */
function inAddress(place: Place, { target }: Sample): Found | null {
  const { spot, values } = place;
  const isFrame = target!.is === 'frame';
  const isOurs = isFrame ? spot.element === target!.element : spot.element.startsWith('script ');
  if (spot.attribute !== 'src' || !isOurs) return null;
  if (spot.in === 'path') return isFrame || new Set(values).size > 1 ? stepOf(place) : null;
  if (spot.in !== 'query' && spot.in !== 'fragment') return null;
  if (spot.name === '' || isTracking(spot.name, null)) return null;
  return { at: { in: spot.in, name: spot.name, ...(!isFrame && { of: 'loader' }) }, values };
}

/* In an attribute of the element that a script fills, or in the JSON of one. */
function onMount({ spot, values }: Place, { mount }: Sample): Found | null {
  if (!mount || spot.element !== mount.element) return null;
  if (spot.in === 'json')
    return { at: { in: 'json', name: spot.name, attribute: spot.attribute!, of: 'mount' }, values };
  const isOfContent =
    (spot.name.startsWith('data-') || mount.node.name.includes('-')) && !ofTheElement.has(spot.name);
  if (spot.in !== 'attribute' || !isOfContent) return null;
  return { at: { in: 'attribute', name: spot.name, of: 'mount' }, values };
}

/* In the options object of a script that sets the embed up. */
const inSetup = ({ spot, values }: Place): Found | null =>
  spot.in === 'option'
    ? { at: { in: 'option', name: spot.name, call: spot.call!, of: 'setup' }, values }
    : null;

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
