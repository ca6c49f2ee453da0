import { contribution, problem, type Option } from '../options/option.ts';
import { reason } from '../reason.ts';
import { notUnderstood } from '../options/values.ts';
import { mainAddresses } from './targets.ts';

const prefix = 'parameter.';

/* What ends a parameter's name in an address, and blanks, are left out of it. */
const parameterName = /^[^\s&=#?]{1,100}$/;

/** The longest value that a parameter may be given by hand, in characters. */
export const longestByHand = 2000;

/** The option that sets a parameter by the provider’s own name: `parameter.hue`. */
export const handName = (parameter: string): string => prefix + parameter;

/** The parameter that an option sets by hand, or null where it is another option. */
export function parameterOf(option: string): string | null {
  const name = option.startsWith(prefix) ? option.slice(prefix.length) : '';
  return parameterName.test(name) ? name : null;
}

/**
 * Sets a parameter by the provider’s own name, whatever it means: in the address of what is shown, in its
 * fragment where one of that name stands there already. It wins over every other option.
 */
export const byHand = (parameter: string): Option<string> => ({
  name: handName(parameter),
  stage: 'settings',
  type: {
    name: 'text',
    limits: { length: longestByHand },
    parse: (text) =>
      text.length <= longestByHand
        ? { ok: true, value: text }
        : notUnderstood('by-hand', { most: longestByHand }),
    format: (value) => value,
  },
  kinds: 'any',
  example: '12',
  source: 'URL standard, section 5 (application/x-www-form-urlencoded)',
  isOffered: () => true,
  current: (code) => mainAddresses(code)[0]?.parameters.find(({ name }) => name === parameter)?.value ?? null,
  contribute: (code, value) => {
    const addresses = mainAddresses(code);
    if (addresses.length === 0)
      return problem('part-missing', { setting: handName(parameter), part: 'address' });
    const why = reason('set-by-hand', { written: `${parameter}=${value}` });
    return contribution(
      addresses.map((address) => ({
        kind: 'parameter',
        address,
        in: null,
        name: parameter,
        value,
        reason: why,
      })),
    );
  },
});
