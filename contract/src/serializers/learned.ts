import type { LearnedLine } from '@orbis/core';
import { formatLearned } from '../language/index.ts';

/** A line of a proposal as it crosses a wire: its reasons in words. */
export const serializeLearnedLine = ({
  reasons,
  ...line
}: LearnedLine): Omit<LearnedLine, 'reasons'> & { reason: string } => ({
  ...line,
  reason: formatLearned(reasons),
});
