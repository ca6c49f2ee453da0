import type { Option } from '../options/option.ts';
import { presentation } from '../presentation/all.ts';
import { settings } from '../settings/all.ts';
import { byHand, parameterOf } from '../settings/by-hand.ts';

/** Every option, in the order in which people are shown them. */
export const allOptions: readonly Option[] = [...settings, ...presentation];

export const optionNames: readonly string[] = allOptions.map(({ name }) => name);

const byName = new Map(allOptions.map((option) => [option.name, option]));

/** An option by its name, also one that sets a parameter by hand (`parameter.hue`); null where there is none. */
export function optionNamed(name: string): Option | null {
  const known = byName.get(name);
  if (known) return known;
  const parameter = parameterOf(name);
  return parameter === null ? null : byHand(parameter);
}
