import { serializeFinding, spoken, type Look, type PageWeight } from '@orbis/contract';
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

/** How much a page loads from others, by its newest look. */
export function serializeWeight({
  look: { publicId, takenAt, seen, foreignBytes },
  title,
  ...of
}: ShownLook & { title: string }): PageWeight {
  const others = seen.hosts.filter(({ isOwn }) => !isOwn);
  return {
    ...{ look: publicId, page: pageKeyOf(of), title, at: takenAt.toISOString() },
    requests: others.reduce((sum, { before, after }) => sum + before.requests + after.requests, 0),
    bytes: foreignBytes,
    hosts: others.length,
  };
}
