import type { FoundFact, Reason } from '@orbis/core';
import { formatDifference, formatFinding } from '../language/index.ts';

/** A finding with its sentences. */
export const serializeFinding = <F extends { rule: string; facts: FoundFact['facts'] }>(
  finding: F,
): F & { message: string; remedy: string } => ({
  ...finding,
  ...formatFinding(finding),
});

/** What a finding is about piece by piece, in sentences; nothing where that is not known. */
export const serializeDetails = (details: readonly Reason[] = []): string[] =>
  details.map((each) => formatDifference(each));
