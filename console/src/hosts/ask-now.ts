import { outcomeOf } from '@orbis/contract/events';
import type { AskedOutcome } from '@orbis/contract';
import { api } from '../api.ts';

/** Asks now for what placed embeds load: all of it, or of one host. @param onLeft told how much is left. */
export async function askNow(
  host: string | null,
  { signal, onLeft }: { signal: AbortSignal; onLeft: (left: number) => void },
): Promise<AskedOutcome> {
  const body = host === null ? {} : { host };
  return outcomeOf<AskedOutcome, { left: number }>(
    await api.open('resources.ask', { body, signal }),
    ({ left }) => onLeft(left),
    'Orbis broke off before all were asked; it goes on by itself.',
  );
}
