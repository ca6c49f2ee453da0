import type { Runner } from '../queue/runner.ts';
import { sideBySide } from '../queue/side-by-side.ts';
import { dropOldDays } from '../store/record-asked.ts';
import { beginToAsk, claimHostToAsk } from '../store/resource-turns.ts';
import { workOutResources } from '../usecases/embed-resources.ts';
import { askHost } from './ask-host.ts';
import type { AskTools } from './ask-tools.ts';

/* So many hosts a process asks at once: most of the time it waits for them. */
const hostsAtOnce = 4;
const hour = 3_600_000;

/**
 * Asks for what placed embeds load when that is due, at several hosts at once and of each one thing after the
 * other. Several processes may share the work, as each host is held by one of them.
 */
export function createAsker(tools: AskTools, owner: string): Runner {
  const { db, log, every, now } = tools;
  let dropAt = 0;
  let hasBegun = false;
  return sideBySide({
    ...{ atOnce: hostsAtOnce, log, failed: 'asking for what embeds load failed' },
    prepare: async () => {
      if (every === 0) return;
      if (!hasBegun) await beginToAsk(db);
      hasBegun = true;
      await workOutResources(tools, new Date(now().getTime() - 24 * hour));
      if (performance.now() < dropAt) return;
      dropAt = performance.now() + hour;
      await dropOldDays(db, now());
    },
    claim: () => claimHostToAsk(db, owner),
    work: askHost(tools, owner),
  });
}
