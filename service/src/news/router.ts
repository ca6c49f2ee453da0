import type { Database } from '../database/connect.ts';
import { openChannels, type ChannelRow } from '../store/channels.ts';
import { gather, sendEach } from '../store/messages.ts';
import { giveTurns, type NewsRow } from '../store/news.ts';

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
        const meant = rows.filter((row) => isMeant(channel, row));
        if (meant.length === 0) continue;
        if (channel.kind === 'webhook') await sendEach(tx, channel.id, meant, now());
        if (channel.kind === 'mail') await gather(tx, channel, meant, { seconds, now: now() });
      }
    });
    if (given === 0) return;
  }
}

const isMeant = ({ siteId, rank }: ChannelRow, row: NewsRow): boolean =>
  row.rank >= rank && (siteId === null || siteId === row.siteId);
