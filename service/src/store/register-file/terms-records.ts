import { asc, eq, gt } from 'drizzle-orm';
import type { RegisterRecord } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { embed, terms } from '../schema.ts';
import { termsIn } from '../terms.ts';

/* So many are read at once. */
const together = 500;

/** What has been agreed upon for embeds and with providers. */
export async function* termsRecords(tx: Handle): AsyncGenerator<RegisterRecord> {
  for (let after = 0; ;) {
    const rows = await tx
      .select({ row: terms, key: embed.key })
      .from(terms)
      .leftJoin(embed, eq(embed.id, terms.embedId))
      .where(gt(terms.id, after))
      .orderBy(asc(terms.id))
      .limit(together);
    for (const { row, key } of rows)
      yield {
        type: 'terms',
        ...{ embed: key, provider: row.provider },
        ...termsIn(row),
        ...{ changedAt: row.changedAt.toISOString(), at: row.createdAt.toISOString() },
      };
    if (rows.length < together) return;
    after = rows.at(-1)!.row.id;
  }
}
