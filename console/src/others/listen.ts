import type { ChangeEvent } from '@orbis/contract';
import { follow } from '@orbis/contract/events';
import { api, refreshOthers } from '../api.ts';
import { hear } from './heard.ts';

/* What comes together is asked for once, so many milliseconds later. */
const together = 300;

/**
 * Shows what others do as they do it: what it shows in is asked for again. Of all windows of a browser one
 * listens and tells the others, as a browser keeps but a few connections open to one host.
 */
export async function listenToOthers(signal: AbortSignal): Promise<void> {
  const channel = new BroadcastChannel('orbis-changes');
  channel.onmessage = ({ data }: MessageEvent<ChangeEvent>) => show(data);
  signal.addEventListener('abort', () => channel.close(), { once: true });
  const listen = async (): Promise<void> => {
    for await (const event of follow(api, 'changes.follow', { signal }, () => false)) {
      // What was done here is shown here already, but not in the other windows.
      if (!event.mine) show(event);
      channel.postMessage(event);
    }
  };
  const { locks } = navigator as Partial<Navigator>;
  try {
    // Without locks, which need a safe connection, each window listens for itself.
    await (locks ? locks.request('orbis-changes', { signal }, listen) : listen());
  } catch {
    // Whoever is signed out, or leaves, hears nothing more; what is asked for says why.
  }
}

let waiting: ReturnType<typeof setTimeout> | null = null;

function show(event: ChangeEvent): void {
  if (!event.mine) hear(event);
  waiting ??= setTimeout(() => {
    waiting = null;
    void refreshOthers();
  }, together);
}
