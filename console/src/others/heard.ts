import { useSyncExternalStore } from 'react';
import type { ChangeEvent } from '@orbis/contract';

let last: ChangeEvent | null = null;
const listeners = new Set<() => void>();

/** Takes notice of what somebody else did. */
export function hear(event: ChangeEvent): void {
  last = event;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** What somebody else did last, as far as it was heard of since this window was opened. */
export const useHeard = (): ChangeEvent | null => useSyncExternalStore(subscribe, () => last);
