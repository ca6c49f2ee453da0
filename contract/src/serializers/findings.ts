import type { FoundFact } from '@orbis/core';
import { formatFinding } from '../language/index.ts';

/** A finding with its sentences. */
export const serializeFinding = <F extends { rule: string; facts: FoundFact['facts'] }>(
  finding: F,
): F & { message: string; remedy: string } => ({
  ...finding,
  ...formatFinding(finding),
});
