import type { Options } from '@orbis/core';
import type { Client } from '@orbis/contract';
import { thePlacement } from '../../things/the-placement.ts';
import { atPlace } from '../placed.ts';

/** What the browser is to look at, with what is asked of it now. */
export type Subject = { options: Options } & ({ embed: string } | { placement: string });

/** An embed, or one of its places where it is named with one: `opening-talk@hollinfell/talks#main`. */
export async function subjectOf(text: string, client: Client): Promise<Subject> {
  const at = atPlace(text);
  if (at === null) {
    const { data } = await client.call('embeds.read', { params: { embed: text } });
    return { embed: data.key, options: data.current.options };
  }
  const { id } = await thePlacement(client, at.embed, at.place);
  const { data } = await client.call('placements.read', { params: { placement: id } });
  return { placement: id, options: data.options };
}

/** How an embed is named where one place may be meant. */
export const embedArgument = ['<embed>', 'the key of an embed, or embed@place for one place'] as const;
