import type { Comparison } from '@orbis/contract';
import type { Colours } from '../text.ts';

/** A text with what is gone and what is new in it, told apart without colours too. */
export const formatRuns = (runs: Comparison['runs'], colours: Colours): string =>
  runs
    .map(({ kind, text }) =>
      kind === 'same' ? text : kind === 'gone' ? colours.red(`[-${text}-]`) : colours.green(`{+${text}+}`),
    )
    .join('')
    .trim();
