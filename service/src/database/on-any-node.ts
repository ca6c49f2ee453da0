import { setImmediate, setTimeout as wait } from 'node:timers/promises';
import { DatabaseAway, isAway, isClosed } from './errors.ts';
import type { Nodes } from './nodes.ts';

/* So often each node is tried, and so long it is waited before one is tried again, in milliseconds: while a
   cluster agrees on who is left, the others refuse for a moment. */
const [rounds, pause] = [3, 100];

/**
 * Does something, and does it again on the next node where the one that is used is lost meanwhile.
 * @param mayRepeat whether it may be done again after an error: it must not where it may have been done
 *   already.
 */
export async function onAnyNode<T>(
  nodes: Nodes,
  work: () => Promise<T>,
  mayRepeat: (error: unknown) => boolean = () => true,
): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    const node = nodes.current;
    try {
      return await work();
    } catch (error) {
      if (nodes.count === 1 || isGivenUp(error) || !isAway(error)) throw error;
      // A connection that was closed with the node that was left, before it was asked, says nothing of this
      // one.
      if (isClosed(error)) await setImmediate();
      else nodes.leave(node);
      if (attempt >= rounds * nodes.count || !mayRepeat(error)) throw error;
    }
    if (attempt % nodes.count === 0) await wait(pause);
  }
}

/* Whoever waited for it was told already that the database does not answer. */
const isGivenUp = (error: unknown): boolean =>
  error instanceof DatabaseAway || (error instanceof Error && error.cause instanceof DatabaseAway);
