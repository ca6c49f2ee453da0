import type { Options } from '@orbis/core';
import { plural, type Client } from '@orbis/contract';
import type { Subject } from './subject.ts';

/**
 * Changes options of an embed, or of one of its places, as they are now: looking at it took a while.
 * @returns what was saved, in a sentence.
 */
export async function saveOptions(
  subject: Subject,
  change: (now: Options) => Options,
  note: string,
  client: Client,
): Promise<string> {
  if ('placement' in subject) {
    const params = { placement: subject.placement };
    const before = await client.call('placements.read', { params });
    const { data } = await client.call('placements.change', {
      params,
      body: { options: change(before.data.options) },
      ifMatch: before.etag ?? '',
    });
    return `Saved for ${data.embed} in ${data.place}.`;
  }
  const params = { embed: subject.embed };
  const before = await client.call('embeds.read', { params });
  const { data, status } = await client.call('revisions.create', {
    params,
    body: { options: change(before.data.current.options), note },
    ifMatch: before.etag ?? '',
  });
  if (status === 200) return `Nothing differs: ${data.key} stays at revision ${data.revision}.`;
  const placed =
    data.placements > 0
      ? ` ${plural(data.placements, 'placement')} of it may carry an earlier code now: “orbis where ${data.key}” tells.`
      : '';
  return `Revision ${data.revision} of ${data.key}.${placed}`;
}
