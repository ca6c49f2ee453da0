import { setTimeout as wait } from 'node:timers/promises';
import { isAway } from '../database/errors.ts';
import { declaredAddresses } from '../store/places.ts';
import { recordAsked } from '../store/record-asked.ts';
import { nextResource, restUntilDue } from '../store/resource-turns.ts';
import { keepHost, letHostGo, type HeldHost } from '../store/sweep-turns.ts';
import { answered } from './answered.ts';
import { ask } from './ask.ts';
import type { AskTools } from './ask-tools.ts';

/* Between two questions a host is left alone for as long as the last one took, at most for so many ms. */
const longestPause = 2000;
/* So many are asked of a host before a sweep that waits for it has its turn. */
const mostInTurn = 20;
/* Where nothing answers so often in a row, a host is left alone for so many seconds. */
const [mostSilences, restAfter] = [3, 15 * 60];
/* A host that is too busy is left alone for as long as it says, or so long; at most for so many seconds. */
const [usualRest, longestRest] = [60, 3600];
/* An answer may take as long as its host does: meanwhile the host is kept, in ms. */
const keepEvery = 20_000;

/** Asks a host for what is due of it, one thing after the other. */
export function askHost(tools: AskTools, owner: string) {
  return async (host: HeldHost, isStopping: () => boolean): Promise<void> => {
    const { db } = tools;
    const keeping = setInterval(() => void keepHost(db, host, owner).catch(() => undefined), keepEvery);
    try {
      const rest = await askInTurn(host, isStopping, tools, owner);
      await letHostGo(db, host, owner, rest);
    } catch (error) {
      // Without the database there is nobody to tell: the lease runs out, and it is asked later.
      if (isAway(error)) throw error;
      await letHostGo(db, host, owner, usualRest);
      if (!isStopping()) throw error;
    } finally {
      clearInterval(keeping);
    }
  };
}

/* For how many seconds it is to be left alone then. */
async function askInTurn(
  host: HeldHost,
  isStopping: () => boolean,
  tools: AskTools,
  owner: string,
): Promise<number> {
  const { db, now, log } = tools;
  const declared = await declaredAddresses(db);
  const itself = tools.every > 0;
  let silences = 0;
  for (let asked = 0; asked < mostInTurn && !isStopping(); asked++) {
    const row = await nextResource(db, host, itself);
    if (row === null) {
      await restUntilDue(db, host, itself);
      return 0;
    }
    const began = performance.now();
    const asking = await ask(row, declared, tools);
    if (!(await recordAsked(db, owner, row, await answered(row, asking, tools), now()))) {
      log.warn({ host: host.name }, 'another process has taken the host');
      return 0;
    }
    if (asking.isBusy) return Math.min(Math.max(asking.retryAfter ?? usualRest, 1), longestRest);
    silences = asking.answer.as === 'silence' ? silences + 1 : 0;
    if (silences >= mostSilences && row.byHand === 0) return restAfter;
    await wait(Math.min(performance.now() - began, longestPause));
  }
  return 0;
}
