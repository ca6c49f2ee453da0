import { optionNamed, type Options, type Sheet } from '@orbis/core';
import { formatExpectation, formatValue, knownOption, OrbisError } from '@orbis/contract';

/**
 * Checks options that are kept for many embeds, where no single code says whether it can have them: that some
 * sheet at hand declares each one that is not Orbis’s own, and takes the value.
 * @throws OrbisError `option-unknown`, `option-ambiguous` or `value-invalid`
 */
export function checkOptions(options: Options, sheets: readonly Sheet[]): void {
  for (const [name, value] of Object.entries(options)) {
    if (optionNamed(name)) continue;
    const { type, example } = knownOption(name, sheets);
    const parsed = type.parse(formatValue(name, value));
    if (!parsed.ok)
      throw new OrbisError('value-invalid', {
        option: name,
        found: formatValue(name, value),
        expected: `${formatExpectation(parsed.expected)}. Example: ${name}=${example}`,
      });
  }
}
