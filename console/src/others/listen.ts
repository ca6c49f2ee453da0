import type { ChangeEvent } from '@orbis/contract';
import { apiBase, pathOf } from '@orbis/contract/client';
import { refreshOthers } from '../api.ts';
import { hear } from './heard.ts';

/* In milliseconds: what comes together is asked for once, so much later; and after so long it is listened
   again where that was refused, as while Orbis starts anew. */
const [together, pause] = [300, 10_000];

/**
 * Shows what others do as they do it: what it shows in is asked for again. Of all windows of a browser one
 * listens and tells the others, as a browser keeps but a few connections open to one host.
 */
export async function listenToOthers(signal: AbortSignal): Promise<void> {
  const channel = new BroadcastChannel('orbis-changes');
  channel.onmessage = ({ data }: MessageEvent<ChangeEvent>) => show(data);
  signal.addEventListener('abort', () => channel.close(), { once: true });
  const tell = (event: ChangeEvent): void => {
    // What was done here is shown here already, but not in the other windows.
    if (!event.mine) show(event);
    channel.postMessage(event);
  };
  const listen = async (): Promise<void> => {
    while (!signal.aborted) {
      await follow(tell, signal);
      await new Promise((resolve) => setTimeout(resolve, pause));
    }
  };
  const { locks } = navigator as Partial<Navigator>;
  try {
    // Without locks, which need a safe connection, each window listens for itself.
    await (locks ? locks.request('orbis-changes', { signal }, listen) : listen());
  } catch {
    // Whoever leaves hears nothing more.
  }
}

/* Follows what is done (HTML, section 9.2) until it is refused, or nobody looks any more. */
const follow = (tell: (event: ChangeEvent) => void, signal: AbortSignal): Promise<void> =>
  new Promise((resolve) => {
    const source = new EventSource(apiBase + pathOf('changes.follow'));
    const end = (): void => {
      source.close();
      resolve();
    };
    let isBroken = false;
    source.onmessage = ({ data }: MessageEvent<string>) => tell(JSON.parse(data) as ChangeEvent);
    source.onerror = () => {
      isBroken = true;
      if (source.readyState === EventSource.CLOSED) end();
    };
    // What was done while it was broken off, nobody has heard of.
    source.onopen = () => {
      if (isBroken) void refreshOthers();
      isBroken = false;
    };
    signal.addEventListener('abort', end, { once: true });
  });

let waiting: ReturnType<typeof setTimeout> | null = null;

function show(event: ChangeEvent): void {
  if (!event.mine) hear(event);
  waiting ??= setTimeout(() => {
    waiting = null;
    void refreshOthers();
  }, together);
}
