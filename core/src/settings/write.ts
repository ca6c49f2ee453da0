import { notUnderstood, type Coordinates, type Expectation, type OptionValue } from '../options/values.ts';
import type { OptionType, TypeName } from '../options/types/index.ts';
import type {
  ChoiceSetting,
  ColourSetting,
  CoordinatesSetting,
  ListSetting,
  NumberSetting,
  SheetSetting,
  SwitchSetting,
  SwitchValue,
  TextSetting,
  TimeSetting,
} from '../sheets/sheet.ts';
import type { PlainValue } from '../text/index.ts';
import { writeTime } from '../sheets/time-format.ts';

/** One parameter, attribute or member as the provider wants it. */
export interface WrittenValue {
  name: string;
  /** Standing alone (`true`), not there (`null`), or written so. */
  written: SwitchValue;
  /** As JSON and options hold it. */
  plain: PlainValue | null;
}

type Written = { ok: true; values: WrittenValue[] } | { ok: false; expected: Expectation };

const one = (name: string, written: SwitchValue, plain: PlainValue | null = written): Written => ({
  ok: true,
  values: [{ name, written, plain }],
});

/**
 * Writes a canonical value as a provider wants it, by what its sheet says of the setting; or says what the
 * provider would take.
 */
export const writeValue = (
  { name }: Pick<OptionType, 'name'>,
  rule: SheetSetting,
  value: OptionValue,
): Written => writers[name](rule, value);

const writers: Record<TypeName, (rule: SheetSetting, value: OptionValue) => Written> = {
  time: (rule, value) => {
    const { format } = rule as TimeSetting;
    const written = writeTime(value as number, format);
    return one(
      rule.name,
      written,
      format === 'seconds' || format === 'milliseconds' ? Number(written) : written,
    );
  },
  switch: (rule, value) => one(rule.name, value ? (rule as SwitchSetting).on : (rule as SwitchSetting).off),
  number: (rule, value) => {
    const { least = -Infinity, most = Infinity, whole = false } = rule as NumberSetting;
    const number = value as number;
    if (number >= least && number <= most && (!whole || Number.isInteger(number)))
      return one(rule.name, String(number), number);
    return notUnderstood('number', {
      least: least > -Infinity ? least : null,
      most: most < Infinity ? most : null,
      whole,
    });
  },
  choice: (rule, value) => {
    const { choices } = rule as ChoiceSetting;
    const found = Object.hasOwn(choices, value as string) ? choices[value as string] : undefined;
    return found === undefined
      ? notUnderstood('choice', { words: Object.keys(choices).join(', ') })
      : one(rule.name, found);
  },
  colour: (rule, value) =>
    one(
      rule.name,
      (rule as ColourSetting).format === 'rrggbb' ? (value as string).slice(1) : (value as string),
    ),
  text: (rule, value) => {
    const { most = Infinity } = rule as TextSetting;
    return (value as string).length <= most
      ? one(rule.name, value as string)
      : notUnderstood('text', { most });
  },
  coordinates: (rule, value) => {
    const { latitude, longitude } = value as Coordinates;
    const apart = (rule as CoordinatesSetting).longitude;
    if (apart === undefined) return one(rule.name, `${latitude},${longitude}`);
    return {
      ok: true,
      values: [
        { name: rule.name, written: String(latitude), plain: latitude },
        { name: apart, written: String(longitude), plain: longitude },
      ],
    };
  },
  length: (rule, value) => one(rule.name, value as string),
  address: (rule, value) => one(rule.name, value as string),
  picture: (rule, value) => one(rule.name, value as string),
  list: (rule, value) =>
    one(rule.name, (value as readonly string[]).join((rule as ListSetting).joint ?? ',')),
  // No provider takes a shape; a sheet cannot say it.
  ratio: () => notUnderstood('ratio'),
  heights: () => notUnderstood('heights', { most: 10 }),
};
