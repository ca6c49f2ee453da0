import { setTimeout as wait } from 'node:timers/promises';
import { OrbisError, type AskedOutcome, type AskEvent } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import { countFaulty } from '../store/list-resources.ts';
import { askNow, leftToAsk, type WhichResources } from '../store/resources.ts';
import { findHost } from '../store/swept-hosts.ts';
import { workOutResources } from './embed-resources.ts';
import { embedByKey } from './embeds.ts';

/* How often it is looked how far it is, in ms. */
const lookEvery = 300;

/** Which of what embeds load is meant. */
export interface AskedFor {
  host?: string | undefined;
  embed?: string | undefined;
}

/** Which resources that are. @throws OrbisError `not-found` */
export async function resourcesMeant(db: Handle, { host, embed }: AskedFor): Promise<WhichResources> {
  if (host !== undefined) {
    const found = await findHost(db, host);
    if (!found) throw new OrbisError('not-found', { what: 'host', key: host });
    return { hostId: found.id };
  }
  return embed === undefined ? {} : { embedId: (await embedByKey(db, embed)).embed.id };
}

/**
 * Asks now for what placed embeds load, and waits until all of it was.
 * @throws OrbisError `not-found`
 */
export async function askForNow(
  asked: AskedFor,
  deps: Pick<Deps, 'connection' | 'sheetRegistry' | 'renderContext' | 'runner' | 'now' | 'log'>,
  { tell, signal }: { tell: (event: AskEvent) => void; signal: AbortSignal },
): Promise<AskedOutcome> {
  const { connection, sheetRegistry, renderContext, runner, now, log } = deps;
  const { db } = connection;
  const tools = { db, renderContext: () => sheetRegistry.refresh(db).then(renderContext), now, log };
  // What changed since it was last worked out, whoever has never asked for anything.
  while (!signal.aborted && (await workOutResources(tools, new Date(0))) > 0);
  const which = await resourcesMeant(db, asked);
  const count = await inTransaction(db, (tx) => askNow(tx, which));
  runner.nudge();
  for (let before = -1; !signal.aborted;) {
    const left = await leftToAsk(db, which);
    if (left === 0) break;
    if (left !== before) tell({ left });
    before = left;
    await wait(lookEvery, undefined, { signal }).catch(() => undefined);
  }
  return { asked: count, faulty: await countFaulty(db, which) };
}
