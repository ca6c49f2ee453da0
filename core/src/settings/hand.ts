import { changeAddress, type ParameterPlace } from '../text/index.ts';
import type { Code, WishProblem } from '../code.ts';
import type { SheetSetting } from '../sheets/sheet.ts';
import type { Composition } from './composition.ts';
import { mainAddresses } from './holders.ts';
import type { Settings } from './setting.ts';

/** What a parameter that is set by hand is called among the wishes. */
export const handName = (name: string): string => `parameter.${name}`;

/**
 * Sets the parameters that somebody wishes by their own names, whatever they mean: in the address of what is shown, in
 * its fragment where one of that name stands there already. They win over settings, and say over which.
 */
export function handParameters(composition: Composition, code: Code, { parameters = {}, ...settings }: Settings): WishProblem[] {
  const names = Object.keys(parameters).sort();
  const addresses = mainAddresses(code);
  if (names.length > 0 && addresses.length === 0) return names.map((name) => ({ wish: handName(name), code: 'part-missing', facts: { setting: handName(name), part: 'address' } }));
  for (const name of names) {
    const value = parameters[name]!;
    const losers = Object.entries((code.sheet?.settings ?? {}) as Record<string, SheetSetting>)
      .filter(([setting, rule]) => rule.name === name && (rule.in === 'query' || rule.in === 'fragment') && (settings as Record<string, unknown>)[setting] !== undefined)
      .map(([setting]) => setting);
    const over = losers.length > 0 ? `; it wins over ${losers.join(' and ')}` : '';
    for (const address of addresses) {
      composition.address(address, {
        wish: handName(name),
        reason: `${name}=${value} in the address, as you set it by hand${over}`,
        change: (now) => {
          const place: ParameterPlace = now.parameters.find((p) => p.name === name)?.in ?? 'query';
          return changeAddress(now, [{ in: place, name, value }]);
        },
      });
    }
  }
  return [];
}
