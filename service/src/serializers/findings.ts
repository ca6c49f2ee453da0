import { serializeDetails, serializeFinding, type SeenFinding } from '@orbis/contract';
import type { StoredFinding } from '../store/schema.ts';

/** Findings as they are kept, with their sentences. */
export const serializeFindings = (findings: readonly StoredFinding[]): SeenFinding[] =>
  findings.map(({ details, ...finding }) =>
    serializeFinding({ ...finding, facts: { ...finding.facts }, details: serializeDetails(details) }),
  );
