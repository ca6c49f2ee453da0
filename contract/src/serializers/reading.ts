import type { Mend, Mended, Reading as CoreReading } from '@orbis/core';
import { formatEvidence, formatKindReasons, formatMend } from '../language/index.ts';
import type { Reading } from '../reading.ts';
import { serializeFinding } from './findings.ts';

/** A reading as it crosses a wire: reasons, evidence and findings with their sentences. */
export const serializeReading = ({ kindReasons, ...reading }: CoreReading): Reading => ({
  ...reading,
  kindBecause: formatKindReasons(kindReasons),
  evidence: reading.evidence.map(({ reason, ...row }) => ({ ...row, reason: formatEvidence(reason) })),
  mending: reading.mending && { ...reading.mending, edits: reading.mending.edits.map(serializeMend) },
  findings: reading.findings.map(({ mend, ...finding }) => ({
    ...serializeFinding(finding),
    mend: mend.map(serializeMend),
  })),
});

const serializeMend = ({ reason, ...edit }: Mend) => ({ ...edit, reason: formatMend(reason) });

/** A mended text as it crosses a wire. */
export const serializeMended = ({
  text,
  done,
}: Mended): { text: string; done: { rule: string; reason: string }[] } => ({
  text,
  done: done.map(({ rule, reason }) => ({ rule, reason: formatMend(reason) })),
});
