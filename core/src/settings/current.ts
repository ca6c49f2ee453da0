import type { Code } from '../code.ts';
import { readPath } from '../text/index.ts';
import {
  addressType,
  lengthType,
  pictureType,
  type OptionType,
  type TypeName,
} from '../options/types/index.ts';
import { parseColour } from '../options/types/colour.ts';
import { parseCoordinates } from '../options/types/coordinates.ts';
import type { OptionValue } from '../options/values.ts';
import { readSpan } from '../sheets/span.ts';
import {
  ruleOf,
  type ChoiceSetting,
  type ColourSetting,
  type CoordinatesSetting,
  type ListSetting,
  type SheetSetting,
  type SwitchSetting,
  type SwitchValue,
  type TimeSetting,
} from '../sheets/sheet.ts';
import { readTime } from '../sheets/time-format.ts';
import { stepOf } from './by-sheet.ts';
import { targetOf, type Target } from './targets.ts';

/** What stands under a name where a rule goes: written so, standing alone (`true`), or nothing (`null`). */
type Standing = (name: string) => string | number | boolean | null;

/**
 * What a code says of a setting, read back as its provider’s sheet says that it is written; null where it
 * says nothing that can be read.
 */
export function currentBySheet(
  option: { name: string; type: Pick<OptionType, 'name'> },
  code: Code,
): OptionValue | null {
  const rule = ruleOf(code.sheet, option.name);
  const target = rule && targetOf(code, code.sheet!, rule);
  return rule && target ? readers[option.type.name](rule, standingAt(code, rule, target)) : null;
}

function standingAt(code: Code, rule: SheetSetting, { element, addresses }: Target): Standing {
  const [address] = addresses;
  switch (rule.in) {
    case 'query':
    case 'fragment':
      return (name) => {
        const found = address?.parameters.find((p) => p.in === rule.in && p.name === name);
        return found ? (found.value ?? true) : null;
      };
    case 'path':
      return () =>
        address
          ? readPath(code.text.slice(address.start, address.end), stepOf(rule, code.sheet!, address.url))
          : null;
    case 'attribute':
      return (name) => element.attributes.value(name);
    case 'json':
      return (name) => code.inside.member(element, { attribute: rule.attribute! }, name.split('.'));
    case 'option':
      return (name) => code.inside.member(element, { call: rule.call! }, name.split('.'));
  }
}

const words = (value: ReturnType<Standing>): string | null =>
  typeof value === 'string' && value !== '' ? value : typeof value === 'number' ? String(value) : null;
const numberIn = (text: string | null): number | null =>
  text !== null && /^-?\d{1,9}(?:\.\d{1,6})?$/.test(text) ? Number(text) : null;

function readBy(type: OptionType<string>, said: string | null): string | null {
  const parsed = said === null ? null : type.parse(said);
  return parsed?.ok ? parsed.value : null;
}

const readers: Record<TypeName, (rule: SheetSetting, standing: Standing) => OptionValue | null> = {
  time: (rule, standing) => {
    const { format, span } = rule as TimeSetting;
    const found = words(standing(rule.name));
    const said = found !== null && span ? readSpan(found)[span] : found;
    return said === null || said === '' ? null : readTime(said, format);
  },
  switch: (rule, standing) => {
    const { on, off } = rule as SwitchSetting;
    const found = standing(rule.name);
    if (found === null) return null;
    const presence = rule.in === 'attribute' && on === true;
    const is = (wanted: SwitchValue): boolean =>
      wanted !== null &&
      (wanted === true ? found === true || found === '' : String(found) === String(wanted));
    return presence || is(on) ? true : is(off) ? false : null;
  },
  number: (rule, standing) => numberIn(words(standing(rule.name))),
  choice: (rule, standing) => {
    const found = words(standing(rule.name));
    return (
      Object.entries((rule as ChoiceSetting).choices).find(([, written]) => written === found)?.[0] ?? null
    );
  },
  colour: (rule, standing) => {
    const found = words(standing(rule.name));
    const parsed =
      found !== null && found.startsWith('#') === ((rule as ColourSetting).format === '#rrggbb')
        ? parseColour(found)
        : null;
    return parsed?.ok ? parsed.value : null;
  },
  text: (rule, standing) => words(standing(rule.name)),
  coordinates: (rule, standing) => {
    const apart = (rule as CoordinatesSetting).longitude;
    const said =
      apart === undefined
        ? words(standing(rule.name))
        : `${words(standing(rule.name)) ?? ''},${words(standing(apart)) ?? ''}`;
    const parsed = said === null ? null : parseCoordinates(said);
    return parsed?.ok ? parsed.value : null;
  },
  length: (rule, standing) => readBy(lengthType, words(standing(rule.name))),
  address: (rule, standing) => readBy(addressType, words(standing(rule.name))),
  picture: (rule, standing) => readBy(pictureType, words(standing(rule.name))),
  list: (rule, standing) => {
    const found = words(standing(rule.name));
    const items = found?.split((rule as ListSetting).joint ?? ',').map((item) => item.trim());
    return items?.every((item) => item !== '') ? items : null;
  },
  ratio: () => null,
  heights: () => null,
};
