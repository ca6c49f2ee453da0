import { problem, type Option } from '../options/option.ts';
import {
  addressType,
  choiceType,
  colourType,
  coordinatesType,
  lengthType,
  listType,
  numberType,
  pictureType,
  switchType,
  textType,
  timeType,
  type OptionType,
} from '../options/types/index.ts';
import { withoutOptions, type Options, type OptionValue, type Parsed } from '../options/values.ts';
import { ownRuleOf, type Sheet, type SheetOption } from '../sheets/sheet.ts';
import { contributeBySheet } from './by-sheet.ts';
import { currentBySheet } from './current.ts';

const known = new WeakMap<Sheet, readonly Option[]>();

/** The options that a sheet declares beside those that all providers share, in its order. */
export function ownOptions(sheet: Sheet | null): readonly Option[] {
  if (!sheet?.options) return [];
  const options =
    known.get(sheet) ?? Object.entries(sheet.options).map(([name, rule]) => ownOption(sheet, name, rule));
  known.set(sheet, options);
  return options;
}

/**
 * An option that a sheet declares, by its name or by that with the sheet’s (`tallywren.counts`); null where
 * it has none of it.
 */
export function ownOptionNamed(sheet: Sheet | null, name: string): Option | null {
  const rule = sheet && ownRuleOf(sheet, name);
  if (!rule) return null;
  return ownOptions(sheet).find((option) => option.name === name) ?? ownOption(sheet, name, rule);
}

/**
 * Options for a code of this sheet, with what the sheet declares by its bare name: `tallywren.counts` is
 * `counts` to a code of Tallywren. Where both are asked for, the one that names the sheet is meant.
 */
export function withBareNames(options: Options, sheet: Pick<Sheet, 'id' | 'options'> | null): Options {
  if (!sheet?.options) return options;
  const prefix = `${sheet.id}.`;
  const called = Object.keys(options).filter((name) => name.startsWith(prefix) && ownRuleOf(sheet, name));
  if (called.length === 0) return options;
  return {
    ...withoutOptions(options, called),
    ...Object.fromEntries(called.map((name) => [name.slice(prefix.length), options[name]!])),
  };
}

function ownOption({ id, kind, name: provider }: Sheet, name: string, rule: SheetOption): Option {
  const type = typeOf(rule);
  const option: Option = {
    name,
    stage: 'settings',
    type,
    kinds: [kind],
    example: rule.example,
    source: `the provider sheet ${id}`,
    own: {
      label: rule.label,
      explain: rule.explain,
      example: rule.example,
      ...(rule.labels && { labels: rule.labels }),
    },
    isOffered: (sheet) => sheet?.id === id && ownRuleOf(sheet, name) !== undefined,
    current: (code) => currentBySheet(option, code),
    contribute: (code, value, context) => {
      const read = readAgain(type, value);
      if (!read.ok)
        return problem('value-not-offered', {
          setting: name,
          provider,
          expects: read.expected.code,
          ...read.expected.facts,
        });
      return contributeBySheet(option, code, read.value, context);
    },
  };
  return option;
}

/* The table’s options are checked by their schemas wherever they come in; of these
   only a sheet knows the type. */
function readAgain(type: OptionType, value: OptionValue): Parsed<OptionValue> {
  const fits = typeof value === kindOfValue[type.name] && Array.isArray(value) === (type.name === 'list');
  return type.parse(fits ? type.format(value) : '');
}

const kindOfValue: Record<OptionType['name'], 'number' | 'boolean' | 'string' | 'object'> = {
  time: 'number',
  number: 'number',
  switch: 'boolean',
  choice: 'string',
  colour: 'string',
  text: 'string',
  length: 'string',
  address: 'string',
  picture: 'string',
  coordinates: 'object',
  ratio: 'object',
  heights: 'string',
  list: 'object',
};

const widest = 1_000_000_000;

function typeOf(rule: SheetOption): OptionType {
  switch (rule.type) {
    case 'time':
      return timeType;
    case 'switch':
      return switchType;
    case 'number':
      return numberType({
        least: rule.least ?? -widest,
        most: rule.most ?? widest,
        whole: rule.whole ?? false,
      });
    case 'choice':
      return choiceType(Object.keys(rule.choices));
    case 'colour':
      return colourType;
    case 'text':
      return textType({ length: rule.most ?? 200 });
    case 'coordinates':
      return coordinatesType;
    case 'length':
      return lengthType;
    case 'address':
      return addressType;
    case 'picture':
      return pictureType;
    case 'list':
      return listType({ items: rule.most ?? 20 });
  }
}
