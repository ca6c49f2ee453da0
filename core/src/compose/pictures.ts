import type { Options } from '../options/values.ts';
import { optionNamed } from './table.ts';

/** The addresses of pictures that options bring to the page, beside what a code shows itself. */
export const picturesOf = (options: Options): string[] =>
  Object.entries(options).flatMap(([name, value]) => {
    const option = optionNamed(name);
    return option?.stage === 'presentation' && option.type.name === 'picture' && typeof value === 'string'
      ? [value]
      : [];
  });
