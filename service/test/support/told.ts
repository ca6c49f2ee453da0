import { isDeepStrictEqual } from 'node:util';
import type { Client } from '@orbis/contract';

/** A question that was asked of a register, and what it answered. */
export interface Told {
  operation: string;
  input: { params?: Record<string, string>; query?: Record<string, unknown> };
  data: unknown;
}

type Ask = (operation: string, input: Told['input']) => Promise<unknown>;

/* What is listed as a whole. */
const lists = [
  'sites.list',
  'embeds.list',
  'placements.list',
  'presets.list',
  'savedSearches.list',
  'terms.list',
];

/**
 * Asks a register about everything that its owner made: what is collected, each revision and the code of it,
 * where it stands, what was handed out, and what was done.
 */
export async function askAll(client: Client): Promise<Told[]> {
  const told: Told[] = [];
  const ask: Ask = async (operation, input) => {
    const { data } = await client.call(operation as never, input as never);
    told.push({ operation, input, data: operation === 'terms.list' ? onAnyDay(data) : data });
    return data;
  };
  const each = async (operation: string, input: Told['input'] = {}): Promise<Record<string, string>[]> =>
    ((await ask(operation, input)) as { items: Record<string, string>[] }).items;
  const query = { limit: 100 };
  for (const list of lists) await each(list, list.startsWith('e') || list.startsWith('pl') ? { query } : {});
  for (const { key } of await each('embeds.list', { query })) {
    await ask('embeds.read', { params: { embed: key! } });
    await each('revisions.list', { params: { embed: key! } });
  }
  for (const { id } of await each('placements.list', { query }))
    await each('deliveries.list', { params: { placement: id! } });
  await each('changes.list', { query });
  return told;
}

/* Terms without what the day of asking says of them: views of the month, and contracts that end soon. */
const onAnyDay = (data: unknown): unknown =>
  JSON.parse(
    JSON.stringify(data, (name, value: unknown) =>
      ['views', 'findings'].includes(name) ? undefined : value,
    ),
  );

/** The same questions once more, and those whose answers lack something that was told then. */
export async function toldOtherwise(client: Client, told: readonly Told[]): Promise<string[]> {
  const odd: string[] = [];
  for (const { operation, input, data } of told) {
    const now = (await client.call(operation as never, input as never)).data as unknown;
    odd.push(...lacking(now, data, `${operation} ${JSON.stringify(input)}`));
  }
  return odd;
}

/* Where something is not as it was; what has come since is no difference. */
function lacking(now: unknown, then: unknown, at: string): string[] {
  if (Array.isArray(then) && Array.isArray(now) && then.length === now.length)
    return then.flatMap((each, i) => lacking(now[i], each, `${at}[${i}]`));
  if (isRecord(then) && isRecord(now))
    return Object.entries(then).flatMap(([name, each]) => lacking(now[name], each, `${at}.${name}`));
  return isDeepStrictEqual(now, then) ? [] : [`${at}: ${JSON.stringify(then)}, now ${JSON.stringify(now)}`];
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
