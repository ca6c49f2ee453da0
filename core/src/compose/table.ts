import type { Option } from '../options/option.ts';
import { withDevices } from '../options/per-device.ts';
import { isolation } from '../frame/index.ts';
import { presentation } from '../presentation/all.ts';
import { settings } from '../settings/all.ts';
import { byHand, parameterOf } from '../settings/by-hand.ts';
import { ownOptionNamed, ownOptions } from '../settings/of-sheet.ts';
import type { Sheet } from '../sheets/sheet.ts';

/** Every option, in the order in which people are shown them. */
export const allOptions: readonly Option[] = [...settings, ...presentation, ...isolation].flatMap(
  withDevices,
);

export const optionNames: readonly string[] = allOptions.map(({ name }) => name);

const byName = new Map(allOptions.map((option) => [option.name, option]));

/**
 * The options that there are for a code: those of the table, and those that its provider’s sheet declares.
 */
export const optionsFor = (sheet: Sheet | null): readonly Option[] =>
  sheet?.options ? [...allOptions, ...ownOptions(sheet)] : allOptions;

/**
 * An option by its name, also one that sets a parameter by hand (`parameter.hue`), and one that the sheet
 * declares (`counts`, `tallywren.counts`); null where there is none.
 */
export function optionNamed(name: string, sheet: Sheet | null = null): Option | null {
  const known = byName.get(name);
  if (known) return known;
  const parameter = parameterOf(name);
  return parameter === null ? ownOptionNamed(sheet, name) : byHand(parameter);
}
