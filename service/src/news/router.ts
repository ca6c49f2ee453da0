import type { Database, Handle } from '../database/connect.ts';
import { openChannels, type ChannelRow } from '../store/channels.ts';
import { gather, sendEach, wasTold } from '../store/messages.ts';
import { giveTurns, type NewsRow } from '../store/news.ts';
import { concernsSite } from '../store/uses-of-resource.ts';

/**
 * Gives news its order, and to each channel what is meant for it; all of it in one transaction, so that
 * nothing is lost and nothing comes twice to the same one.
 * @param seconds how long mail that is to be sent at once is gathered.
 */
export async function routeNews(
  db: Database,
  { seconds, now }: { seconds: number; now: () => Date },
): Promise<void> {
  for (;;) {
    const given = await giveTurns(db, async (tx, rows) => {
      for (const channel of await openChannels(tx)) {
        const meant = [];
        for (const row of rows) if (await isMeant(tx, channel, row)) meant.push(row);
        if (meant.length === 0) continue;
        if (channel.kind === 'webhook') await sendEach(tx, channel.id, meant, now());
        if (channel.kind === 'mail') await gather(tx, channel, meant, { seconds, now: now() });
      }
    });
    if (given === 0) return;
  }
}

/* What is of no site alone matters to those where something loads from there; that it is solved, to whoever
   was told of it. */
async function isMeant(tx: Handle, { id, siteId, rank }: ChannelRow, row: NewsRow): Promise<boolean> {
  if (row.rank < rank) return false;
  if (siteId === null || siteId === row.siteId) return true;
  if (row.siteId !== null) return false;
  return (await concernsSite(tx, row.findingId, siteId)) ?? wasTold(tx, id, row.findingId);
}
