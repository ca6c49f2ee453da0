import type { ChoiceSetting, ColourSetting, CoordinatesSetting, NumberSetting, SheetSetting, SwitchSetting, SwitchValue, TextSetting, TimeSetting } from '../sheets/sheet.ts';
import type { PlainValue } from '../text/index.ts';
import type { Coordinates, SettingDefinition, SettingTypes } from './setting.ts';
import { writeTime } from './time.ts';

/** One parameter, attribute or member as the provider wants it. */
export interface WrittenValue {
  name: string;
  written: SwitchValue;
  /** As JSON and options hold it. */
  plain: PlainValue | null;
}

/** What a provider takes for a value, or what it would take instead. */
export type Writing = { ok: true; values: WrittenValue[] } | { ok: false; expected: string };

const one = (name: string, written: SwitchValue, plain: PlainValue | null = written): Writing => ({ ok: true, values: [{ name, written, plain }] });

/** Writes a value as a provider wants it: the canonical value, by what the sheet says of the setting. */
export function writeValue({ type }: SettingDefinition, rule: SheetSetting, value: SettingTypes[keyof SettingTypes]): Writing {
  switch (type) {
    case 'time': {
      const { format } = rule as TimeSetting;
      const written = writeTime(value as number, format);
      return one(rule.name, written, format === 'seconds' || format === 'milliseconds' ? Number(written) : written);
    }
    case 'switch':
      return one(rule.name, value ? (rule as SwitchSetting).on : (rule as SwitchSetting).off);
    case 'number': {
      const { least = -Infinity, most = Infinity, whole = false } = rule as NumberSetting;
      const number = value as number;
      if (number >= least && number <= most && (!whole || Number.isInteger(number))) return one(rule.name, String(number), number);
      const bounds = [...(least > -Infinity ? [`from ${least}`] : []), ...(most < Infinity ? [`up to ${most}`] : [])].join(' ');
      return { ok: false, expected: `a ${whole ? 'whole ' : ''}number ${bounds}`.trim() };
    }
    case 'choice': {
      const { choices } = rule as ChoiceSetting;
      const found = Object.hasOwn(choices, value as string) ? choices[value as string] : undefined;
      return found === undefined ? { ok: false, expected: Object.keys(choices).join(', ') } : one(rule.name, found);
    }
    case 'colour':
      return one(rule.name, (rule as ColourSetting).format === 'rrggbb' ? (value as string).slice(1) : (value as string));
    case 'text': {
      const { most = Infinity } = rule as TextSetting;
      return (value as string).length <= most ? one(rule.name, value as string) : { ok: false, expected: `at most ${most} characters` };
    }
    case 'coordinates': {
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
    }
  }
}
