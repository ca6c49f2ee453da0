import type { Sheet } from '@orbis/core';
import type { AskedHost, Resource } from '@orbis/contract';
import type { ShownHost, ShownResource } from '../store/list-resources.ts';

/** A host that placed embeds load from, as it crosses the wire. */
export const serializeHost = (
  { name, host, days }: ShownHost,
  sheets: readonly Pick<Sheet, 'id' | 'name'>[],
): AskedHost => ({
  host: name,
  provider: host.provider,
  providerName: sheets.find(({ id }) => id === host.provider)?.name ?? host.provider,
  ...{ resources: host.resources, faulty: host.faulty, took: host.took },
  askedAt: iso(host.askedAt),
  certificateEnds: iso(host.certificateEnds),
  days: days.map(({ day, asked, answered }) => ({ day, asked, answered })),
});

/** Something that placed embeds load, as it crosses the wire. */
export const serializeResource = ({ resource, host, embeds, embedCount }: ShownResource): Resource => ({
  id: resource.publicId,
  host,
  ...{ use: resource.use, address: resource.address, state: resource.state },
  askedAt: iso(resource.askedAt),
  nextAt: resource.nextAt.toISOString(),
  ...{ status: resource.status, why: resource.why, took: resource.took, type: resource.type },
  ...{ bytes: resource.bytes, width: resource.width, height: resource.height },
  length: resource.length === null ? null : resource.length / 1000,
  movedTo: resource.movedTo,
  ...{ embeds, embedCount },
});

const iso = (time: Date | null): string | null => time?.toISOString() ?? null;
