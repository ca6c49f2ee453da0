import { serializeFinding, type PlacementFinding } from '@orbis/contract';
import type { StoredFinding } from '../store/schema.ts';

/** Findings as they are kept, with their sentences. */
export const serializeFindings = (findings: readonly StoredFinding[]): PlacementFinding[] =>
  findings.map((finding) => serializeFinding({ ...finding, facts: { ...finding.facts } }));
