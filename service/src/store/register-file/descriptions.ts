import { and, asc, eq, gt } from 'drizzle-orm';
import type { Handle } from '../../database/connect.ts';
import { searchableHosts, type EmbedRow } from '../embeds.ts';
import { insertMany } from '../insert-many.ts';
import { embed, embedHost, source } from '../schema.ts';

/** The newest code of every embed, so many at a time. */
export async function* newestCodes(
  tx: Handle,
  together: number,
): AsyncGenerator<{ embedId: number; base: string }[]> {
  for (let after = 0; ;) {
    const rows = await tx
      .select({ embedId: embed.id, base: source.base })
      .from(embed)
      .innerJoin(source, and(eq(source.embedId, embed.id), eq(source.number, embed.source)))
      .where(gt(embed.id, after))
      .orderBy(asc(embed.id))
      .limit(together);
    if (rows.length > 0) yield rows;
    if (rows.length < together) return;
    after = rows.at(-1)!.embedId;
  }
}

/** Writes down what the code of a new embed is. */
export async function describeEmbed(
  tx: Handle,
  embedId: number,
  { hosts, ...values }: Pick<EmbedRow, 'kind' | 'provider' | 'level'> & { hosts: readonly string[] },
): Promise<void> {
  await tx.update(embed).set(values).where(eq(embed.id, embedId));
  await insertMany(
    tx,
    embedHost,
    searchableHosts(hosts).map((host) => ({ embedId, host })),
  );
}
