import type { Sweep } from '@orbis/contract';
import { follow } from '@orbis/contract/events';
import { api, sendToSignIn } from '../api.ts';

/**
 * Follows a sweep as it goes on, also over a restart of the service; the promise keeps its last
 * state, once it has ended.
 */
export async function watchSweep(
  id: string,
  onChange: (sweep: Sweep) => void,
  signal?: AbortSignal,
): Promise<Sweep> {
  let last: Sweep | null = null;
  try {
    for await (const sweep of follow(
      api,
      'sweeps.events',
      { params: { sweep: id }, ...(signal && { signal }) },
      ({ endedAt }) => endedAt !== null,
    )) {
      last = sweep;
      onChange(sweep);
    }
  } catch (error) {
    sendToSignIn(error);
    throw error;
  }
  return last ?? (await api.call('sweeps.read', { params: { sweep: id } })).data;
}

/** Begins a sweep and waits for its end. */
export async function sweepToItsEnd(
  scope: { site?: string; page?: string; at?: string },
  onChange: (sweep: Sweep) => void = () => {},
): Promise<Sweep> {
  const { data } = await api.call('sweeps.create', { body: scope });
  onChange(data);
  return watchSweep(data.id, onChange);
}
