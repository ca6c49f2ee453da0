import { settings } from '../settings/all.ts';
import type { Option } from '../options/option.ts';
import { readTime } from '../sheets/time-format.ts';
import type { Kind } from '../reading/reading.ts';
import type { TypeName } from '../options/types/index.ts';
import type { ChoiceSetting, SettingPlace, SheetSetting, SwitchValue, TimeFormat } from '../sheets/sheet.ts';
import { inverse, languages, lookWords, offWords, onWords, wordsFor, wordsIn } from './vocabulary.ts';
import { reason, type Reason } from '../reason.ts';

/** What a parameter probably means. */
export interface Guess {
  setting: string | null;
  /** Whether it is taken unless the owner says otherwise; what is not sure is asked. */
  sure: boolean;
  reasons: readonly Reason[];
  /** The settings that its values would fit. */
  may: string[];
}

const all = Object.keys(wordsFor);
const settingNamed = (name: string): Option => settings.find((setting) => setting.name === name)!;

/**
 * Guesses what a parameter means, by what it is called and by its values in the samples (without those that
 * lack it). `kind` is what the provider shows, null where that is not known: a setting that makes no sense
 * for it is asked.
 */
export function guessMeaning(name: string, values: readonly string[], kind: Kind | null): Guess {
  const words = wordsIn(name);
  const may = all.filter((setting) => fits(setting, values));
  const called = may.filter((setting) => wordsFor[setting]!.some((word) => words.includes(word)));
  const suited = called.filter((setting) => kind !== null && suits(setting, kind));
  const named = suited.length === 1 ? suited : called;
  const seen = [...new Set(values)].slice(0, 3).join('”, “');
  // A name can mean two things (“page”, “show”): then the values decide, if they can.
  const told = byValues(values);
  if (told && (named.length === 0 || named.includes(told.setting))) {
    const both = named.includes(told.setting);
    return {
      setting: told.setting,
      sure: true,
      reasons: [
        ...(both ? [reason('name-says-so', { name })] : []),
        reason(told.code, { value: values[0]!, also: both }),
      ],
      may,
    };
  }
  if (named.length === 1) {
    const [setting] = named as [string];
    if (setting === 'theme')
      return { setting, sure: false, reasons: [reason('probably-theme', { name, seen })], may };
    const doubt = doubtful(setting, values, kind);
    if (doubt !== null)
      return {
        setting: null,
        sure: false,
        reasons: [reason('could-be', { name, settings: setting }), doubt],
        may: [setting, ...may.filter((other) => other !== setting)],
      };
    return {
      setting,
      sure: true,
      reasons: [reason('name-says-so', { name }), reason('values-fit', { seen, several: values.length > 1 })],
      may,
    };
  }
  if (named.length > 1)
    return {
      setting: null,
      sure: false,
      reasons: [reason('could-be', { name, settings: named.join(' or ') })],
      may: [...named, ...may.filter((setting) => !named.includes(setting))],
    };
  return { setting: null, sure: false, reasons: [reason('nothing-tells', { seen })], may };
}

const suits = (setting: string, kind: Kind): boolean => {
  const { kinds } = settingNamed(setting);
  return kinds === 'any' || kinds.includes(kind);
};

/* Why a name alone does not tell: the setting is for other kinds, or a plain number could be anything. */
function doubtful(setting: string, values: readonly string[], kind: Kind | null): Reason | null {
  const { kinds, type } = settingNamed(setting);
  if (kinds === 'any') return null;
  if (kind !== null)
    return suits(setting, kind) ? null : reason('for-other-kinds', { kinds: kinds.join(', ') });
  return type.name === 'time' &&
    timeFormat(values) === 'seconds' &&
    values.every((value) => Number(value) < 60)
    ? reason('small-number')
    : null;
}

function byValues(values: readonly string[]): { setting: string; code: string } | null {
  if (values.every((value) => isColour(value)) && values.some((value) => /#|[a-f]/i.test(value)))
    return { setting: 'accent', code: 'is-colour' };
  if (
    values.every(
      (value) =>
        languages.has(value.toLowerCase().split('-')[0]!) && /^[a-z]{2}(?:-[a-z]{2,4})?$/i.test(value),
    )
  )
    return { setting: 'language', code: 'is-language' };
  if (values.every((value) => lookOf(value) !== null)) return { setting: 'theme', code: 'is-look' };
  return null;
}

/** What kind of values these are, whatever they are for. */
export function typeOfValues(values: readonly string[]): TypeName {
  if (values.every((value) => isColour(value)) && values.some((value) => /#|[a-f]/i.test(value)))
    return 'colour';
  if (fits('muted', values)) return 'switch';
  if (fits('centre', values)) return 'coordinates';
  if (values.every((value) => /^-?\d{1,9}(?:\.\d{1,9})?$/.test(value))) return 'number';
  if (timeFormat(values) !== null) return 'time';
  return values.every((value) => lookOf(value) !== null) ? 'choice' : 'text';
}

const isColour = (value: string): boolean => /^#?[0-9a-f]{6}$/i.test(value);
const lookOf = (value: string): 'light' | 'dark' | null =>
  lookWords.light.has(value.toLowerCase())
    ? 'light'
    : lookWords.dark.has(value.toLowerCase())
      ? 'dark'
      : null;

const typeOf = (setting: string): TypeName => settingNamed(setting).type.name;

/** Whether all these values can be values of a setting. */
export function fits(setting: string, values: readonly string[]): boolean {
  switch (typeOf(setting)) {
    case 'time':
      return values.every((value) => timeFormat([value]) !== null);
    case 'switch':
      return values.every((value) => onWords.has(value.toLowerCase()) || offWords.has(value.toLowerCase()));
    case 'number':
      return (
        values.every((value) => /^-?\d{1,6}(?:\.\d{1,6})?$/.test(value)) &&
        (setting === 'zoom' || values.every((value) => /^\d+$/.test(value)))
      );
    case 'colour':
      return values.every(isColour);
    case 'coordinates':
      return values.every((value) => /^-?\d{1,2}\.\d+,-?\d{1,3}\.\d+$/.test(value));
    case 'choice':
      return values.every((value) => /^[A-Za-z][\w-]{0,30}$/.test(value));
    case 'text':
      if (setting === 'language')
        return values.every((value) => /^[a-z]{2}(?:[-_][A-Za-z]{2,4})?$/i.test(value));
      if (setting === 'prefill') return values.every((value) => value.includes('@'));
      return values.every((value) => value !== '' && !onWords.has(value) && !offWords.has(value));
    case 'ratio':
    case 'heights':
    case 'length':
    case 'address':
    case 'picture':
    case 'list':
      return false;
  }
}

/** How times are written; null where one of the values is no time. */
export function timeFormat(values: readonly string[]): TimeFormat | null {
  if (values.every((value) => /^\d{1,3}:\d{2}(?::\d{2})?$/.test(value))) return 'clock';
  if (values.every((value) => /^(?=\d)(?:\d+h)?(?:\d+m)?(?:\d+s)?$/.test(value))) return 'units';
  if (!values.every((value) => /^\d{1,9}(?:\.\d{1,3})?$/.test(value) && readTime(value, 'seconds') !== null))
    return null;
  return values.every((value) => Number(value) >= 1000 && Number(value) % 100 === 0)
    ? 'milliseconds'
    : 'seconds';
}

/**
 * What a sheet says of a setting with these values at this place; null where they do not fit it. `absent`
 * says that some samples do without; `looks` says which value is light and which is dark, where the words
 * themselves do not.
 */
export function ruleFor(
  setting: string,
  place: SettingPlace,
  values: readonly string[],
  { absent, looks = {} }: { absent: boolean; looks?: Readonly<Record<string, string>> },
): SheetSetting | null {
  if (!fits(setting, values)) return null;
  switch (typeOf(setting)) {
    case 'time':
      return { ...place, format: timeFormat(values) ?? 'seconds' };
    case 'switch':
      return {
        ...place,
        ...switchValues(
          place,
          values,
          absent,
          setting === 'muted' && wordsIn(place.name).some((word) => inverse.has(word)),
        ),
      };
    case 'number':
      return values.every((value) => /^\d+$/.test(value)) && setting !== 'zoom'
        ? { ...place, whole: true }
        : { ...place };
    case 'colour':
      return { ...place, format: values[0]!.startsWith('#') ? '#rrggbb' : 'rrggbb' };
    case 'choice': {
      const choices: ChoiceSetting['choices'] = {};
      for (const value of values) {
        const word = setting === 'theme' ? (looks[value] ?? lookOf(value)) : value.toLowerCase();
        if (word === null) return null;
        choices[word] = value;
      }
      return { ...place, choices };
    }
    case 'text':
    case 'coordinates':
      return { ...place };
    case 'ratio':
    case 'heights':
    case 'length':
    case 'address':
    case 'picture':
    case 'list':
      return null;
  }
}

const opposites: readonly (readonly [string, string])[] = [
  ['1', '0'],
  ['true', 'false'],
  ['yes', 'no'],
  ['on', 'off'],
];

/* As the samples write it; what no sample writes is its plain opposite where that is
   not simply to leave it out. */
function switchValues(
  { in: place }: SettingPlace,
  values: readonly string[],
  absent: boolean,
  turned: boolean,
): { on: SwitchValue; off: SwitchValue } {
  const written = (value: string): SwitchValue =>
    (place === 'json' || place === 'option') && /^(?:true|false)$/.test(value)
      ? value === 'true'
      : value === ''
        ? true
        : value;
  const yes = values.find((value) => onWords.has(value.toLowerCase()));
  const no = values.find((value) => offWords.has(value.toLowerCase()));
  const other = (value: string): SwitchValue => {
    const pair = opposites.find((words) => words.includes(value.toLowerCase()));
    return pair === undefined || absent ? null : written(pair.find((word) => word !== value.toLowerCase())!);
  };
  const [on, off] = [
    yes === undefined ? other(no!) : written(yes),
    no === undefined ? other(yes!) : written(no),
  ];
  return turned ? { on: off, off: on } : { on, off };
}
