import type { ActAtServer, actMeans } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { writeAudit } from './audit.ts';

/** An operation that somebody calls, as the audit log tells of it. */
export interface Act {
  /** Of the operation. */
  name: string;
  personId: number | null;
  who: string | null;
  means: (typeof actMeans)[number];
  network: string;
  thing: string | null;
  /** Whether it stands in the log, or will when its transaction ends. */
  isWritten: boolean;
}

/** What somebody does on the server’s own machine: by whom, Orbis does not know. */
export const actAtServer = (name: ActAtServer, thing: string): Act => ({
  ...{ name, personId: null, who: null, means: 'server', network: '', thing, isWritten: false },
});

/** What came of an act. */
export interface Done {
  said: string;
  before?: unknown;
  after?: unknown;
  /** The row of the change that was made. */
  changeId?: number;
}

/**
 * Writes an act into the audit log, in its own transaction: there is no act without its entry. What nobody
 * asked for is no act.
 */
export async function recordAct(
  tx: Handle,
  { act, now }: { act?: Act | undefined; now: Date },
  { said, before, after, changeId }: Done,
): Promise<void> {
  if (!act) return;
  const { name, isWritten: _, ...who } = act;
  await writeAudit(tx, {
    ...{ ...who, act: name, at: now, outcome: 'done', why: null, times: 1 },
    ...{ said: said.slice(0, longest), before, after },
    ...(changeId !== undefined && { changeId }),
  });
  act.isWritten = true;
}
const longest = 2000;
