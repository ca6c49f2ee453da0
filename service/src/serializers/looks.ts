import { serializeFinding, spoken, type Look } from '@orbis/contract';
import { judgeSeen } from '@orbis/core';
import type { ShownLook } from '../store/looks.ts';
import { pageKeyOf } from './places.ts';

/** A look as it crosses the wire. */
export function serializeLook({ look: { publicId, takenAt, seen }, ...of }: ShownLook): Look {
  return {
    ...{ id: publicId, page: pageKeyOf(of), at: takenAt.toISOString() },
    ...seen,
    placed: seen.placed.map((each) => ({
      ...each,
      findings: judgeSeen({ ...each, hostsBefore: each.before.hosts }).map(serializeFinding),
    })),
    complaints: seen.complaints.map((each) => ({
      ...each,
      message: spoken.looks.complaints[each.code](each.facts),
    })),
  };
}
