import { asc, eq } from 'drizzle-orm';
import { snippetText } from '@orbis/core';
import type { RegisterRecord } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { digest } from '../../digest.ts';
import { page, site, siteNeed, snippet } from '../schema.ts';
import { listHeadDeliveries } from '../site-heads.ts';

/** What is known of the heads of whole sites, and what was issued for them: a site has few of either. */
export async function* headRecords(tx: Handle): AsyncGenerator<RegisterRecord> {
  const sites = await tx.select({ id: site.id, key: site.key }).from(site).orderBy(asc(site.id));
  for (const { id, key } of sites) {
    yield* needsOf(tx, id, key);
    const issued = await listHeadDeliveries(tx, id, Number.MAX_SAFE_INTEGER, undefined);
    for (const { number, createdAt, snippets } of issued.reverse())
      yield {
        type: 'headDelivery',
        ...{ site: key, number, texts: snippets.map((each) => digest(snippetText(each))) },
        at: createdAt.toISOString(),
      };
  }
}

async function* needsOf(tx: Handle, siteId: number, key: string): AsyncGenerator<RegisterRecord> {
  const rows = await tx
    .select({ need: siteNeed, runs: snippet.runs, path: page.path })
    .from(siteNeed)
    .innerJoin(snippet, eq(snippet.id, siteNeed.snippetId))
    .leftJoin(page, eq(page.id, siteNeed.standsOn))
    .where(eq(siteNeed.siteId, siteId))
    .orderBy(asc(siteNeed.digest));
  for (const { need, runs, path } of rows) {
    const { what, name, after, issued, stands, standsSince, unneededSince } = need;
    yield {
      type: 'need',
      ...{ site: key, what, name, text: snippetText({ runs }), after, issued, stands },
      standsOn: path === null ? null : `${key}/${path}`,
      standsSince: standsSince?.toISOString() ?? null,
      unneededSince: unneededSince?.toISOString() ?? null,
    };
  }
}
